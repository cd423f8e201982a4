<script setup lang="ts">
import { computed, useId } from 'vue'
import { pinkedOutline } from '@/lib/pinked'

/** The client's own face, cut out on the surround, with a cloth laid over the shoulders. */
const { person, chin, hex, picture = null, label } = defineProps<{
  /** The person, transparent all round; none when there is no portrait. */
  person: string | null
  /** Where the chin is, in fractions of the portrait's height. */
  chin: number
  hex: string | null
  picture?: string | null
  label: string
}>()
const id = useId()
const WIDTH = 400
const HEIGHT = 500
/** From the neck down over both shoulders to the foot of the picture. */
const outline = computed(() => {
  const top = Math.min(0.86, chin + 0.03) * HEIGHT
  const neck: [number, number][] = [[0.1, 0.17], [0.28, 0.1], [0.4, 0.02], [0.44, 0.06], [0.5, 0.09], [0.56, 0.06], [0.6, 0.02], [0.72, 0.1], [0.9, 0.17], [1.0, 0.26]]
  const points: [number, number][] = [[0, top + 0.26 * HEIGHT], ...neck.map(([x, y]): [number, number] => [x * WIDTH, top + y * HEIGHT]), [WIDTH, HEIGHT], [0, HEIGHT]]
  return pinkedOutline(points)
})
</script>

<template>
  <svg class="draped" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" preserveAspectRatio="xMidYMax meet" role="img" :aria-label="label">
    <defs v-if="picture">
      <pattern :id="id" patternUnits="userSpaceOnUse" width="150" height="250"><image :href="picture" width="150" height="250" preserveAspectRatio="xMidYMid slice" /></pattern>
    </defs>
    <image v-if="person" :href="person" :width="WIDTH" :height="HEIGHT" preserveAspectRatio="xMidYMid slice" />
    <polygon v-if="hex" :points="outline" :fill="hex" />
    <polygon v-if="hex && picture" :points="outline" :fill="`url(#${id})`" />
  </svg>
</template>

<style scoped>
.draped { width: 100%; height: 100%; display: block; forced-color-adjust: none; }
</style>
