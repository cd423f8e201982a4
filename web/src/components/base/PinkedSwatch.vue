<script setup lang="ts">
import { computed } from 'vue'
import { pinkedPath } from '@/lib/pinked'

/** A chip of cloth cut with pinking shears: the relit crop of it, or its flat colour. */
const {
  hex,
  picture = null,
  width,
  height,
  hanging = false,
} = defineProps<{
  hex: string
  picture?: string | null
  width: number
  height: number
  /** A strip on a rail: straight where it hangs. */
  hanging?: boolean
}>()
const style = computed(() => ({
  backgroundColor: hex,
  backgroundImage: picture ? `url("${picture}")` : undefined,
  clipPath: pinkedPath(Math.max(2, Math.round(width / 7)), Math.max(2, Math.round(height / 7)), 3, {
    top: !hanging,
    side: !hanging,
    bottom: true,
  }),
  height: `${height}px`,
}))
</script>

<template><span class="cloth" :style="style" aria-hidden="true" /></template>

<style scoped>
.cloth {
  display: block;
  width: 100%;
  background-size: cover;
  background-position: center;
  forced-color-adjust: none;
}
</style>
