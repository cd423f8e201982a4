<script setup lang="ts">
import { NButton } from 'naive-ui'
/** Says what is gone and offers it back. */
defineProps<{ told: string }>()
defineEmits<{ back: [] }>()
</script>

<template>
  <p role="status" class="forgotten">
    {{ told }} <NButton text class="word" @click="$emit('back')">take it back</NButton>
  </p>
</template>

<style scoped>
.word {
  text-decoration: underline;
  padding: 0;
}
</style>
