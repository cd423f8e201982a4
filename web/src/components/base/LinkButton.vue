<script setup lang="ts">
import { NButton } from 'naive-ui'
import { RouterLink, type RouteLocationRaw } from 'vue-router'

/** A link to another screen that looks like the button it stands beside. */
defineProps<{ to: RouteLocationRaw; firm?: boolean }>()
</script>

<template>
  <RouterLink v-slot="{ href, navigate }" custom :to="to">
    <NButton tag="a" :type="firm ? 'primary' : 'default'" :href="href" @click="navigate"><slot /></NButton>
  </RouterLink>
</template>
