<script setup lang="ts">
import { computed, useId } from 'vue'
import { drapedCloth } from '@/lib/draped'
import { pinkedOutline } from '@/lib/pinked'

/** The client's own face, cut out on the surround, with a cloth laid over the shoulders. */
const {
  person,
  chin,
  hex,
  picture = null,
  label,
} = defineProps<{
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
const FLIPS = ['', 'translate(300 0) scale(-1 1)', 'translate(0 500) scale(1 -1)', 'translate(300 500) scale(-1 -1)']
const top = computed(() => Math.min(0.86, chin + 0.03) * HEIGHT)
/** From the neck down over both shoulders to the foot of the picture. */
const outline = computed(() => {
  const neck: [number, number][] = [
    [0.08, 0.11],
    [0.26, 0.055],
    [0.39, -0.01],
    [0.44, 0.05],
    [0.5, 0.085],
    [0.56, 0.05],
    [0.61, -0.01],
    [0.74, 0.055],
    [0.92, 0.11],
  ]
  const points: [number, number][] = [
    [-0.04 * WIDTH, top.value + 0.2 * HEIGHT],
    ...neck.map(([x, y]): [number, number] => [x * WIDTH, top.value + y * HEIGHT]),
    [1.04 * WIDTH, top.value + 0.2 * HEIGHT],
    [1.04 * WIDTH, 1.03 * HEIGHT],
    [-0.04 * WIDTH, 1.03 * HEIGHT],
  ]
  return pinkedOutline(points)
})
</script>

<template>
  <svg
    class="draped"
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    preserveAspectRatio="xMidYMax meet"
    role="img"
    :aria-label="label"
  >
    <defs v-if="picture">
      <!-- laid out in mirrored pairs, so that no seam shows -->
      <pattern :id="id" patternUnits="userSpaceOnUse" width="300" height="500">
        <image
          v-for="flip in FLIPS"
          :key="flip"
          :href="picture"
          width="150"
          height="250"
          preserveAspectRatio="xMidYMid slice"
          :transform="flip"
        />
      </pattern>
    </defs>
    <image v-if="person" :href="person" :width="WIDTH" :height="HEIGHT" preserveAspectRatio="xMidYMid slice" />
    <template v-if="hex">
      <polygon :points="outline" :fill="hex" />
      <!-- its folds lie as wide as the picture, whatever the face above it -->
      <clipPath :id="`${id}-drape`"><polygon :points="outline" /></clipPath>
      <image
        v-if="!picture"
        :href="drapedCloth(hex)"
        :x="-0.04 * WIDTH"
        :y="top - 20"
        :width="1.08 * WIDTH"
        :height="1.03 * HEIGHT - top + 20"
        preserveAspectRatio="xMidYMin slice"
        :clip-path="`url(#${id}-drape)`"
      />
    </template>
    <polygon v-if="hex && picture" :points="outline" :fill="`url(#${id})`" />
  </svg>
</template>

<style scoped>
.draped {
  width: 100%;
  height: 100%;
  display: block;
  forced-color-adjust: none;
}
</style>
