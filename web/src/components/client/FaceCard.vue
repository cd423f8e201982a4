<script setup lang="ts">
import type { Client } from '@/api'

/** A client's face: the portrait where there is one, else a card of hair, skin and eyes. */
const { client, size = 88 } = defineProps<{ client: Client; size?: number }>()
</script>

<template>
  <img
    v-if="client.portrait"
    class="face"
    :src="client.portrait"
    :alt="`Portrait of ${client.name}`"
    :width="size"
    :height="size"
  />
  <svg
    v-else
    class="face"
    :width="size"
    :height="size"
    viewBox="0 0 40 40"
    role="img"
    :aria-label="`${client.name}, no portrait yet`"
  >
    <rect width="40" height="40" :fill="client.face.skin?.hex ?? 'var(--sheet)'" />
    <rect width="40" height="14" :fill="client.face.hair?.hex ?? 'var(--line)'" />
    <circle cx="14" cy="22" r="2.4" :fill="client.face.eyes?.hex ?? 'var(--rule)'" />
    <circle cx="26" cy="22" r="2.4" :fill="client.face.eyes?.hex ?? 'var(--rule)'" />
  </svg>
</template>

<style scoped>
.face {
  display: block;
  flex: none;
  border: 2px solid var(--sheet);
  object-fit: cover;
}
</style>
