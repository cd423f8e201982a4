<script setup lang="ts">
import { computed } from 'vue'
import type { Frame } from '@/api'

/** A photo of the client, so framed that another one beside it shows the person at the same size. */
const { picture, rows, columns, frame, label } = defineProps<{
  picture: string
  rows: number
  columns: number
  /** In pixels of the photo; the whole photo without it. */
  frame: Frame | null
  label: string
}>()
const box = computed(() =>
  frame ? `${frame.left} ${frame.top} ${frame.width} ${frame.height}` : `0 0 ${columns} ${rows}`,
)
</script>

<template>
  <svg class="framed" :viewBox="box" preserveAspectRatio="xMidYMid meet" role="img" :aria-label="label">
    <image :href="picture" :width="columns" :height="rows" />
  </svg>
</template>

<style scoped>
.framed {
  width: 100%;
  height: 100%;
  display: block;
  forced-color-adjust: none;
}
</style>
