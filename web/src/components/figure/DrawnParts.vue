<script setup lang="ts">
import { computed, useId } from 'vue'
import type { FigurePart, Piece } from '@/api'

/** Outlines in the order in which they lie: cloth filled with the crop of the piece, the rest with its colour. */
const {
  parts,
  piece = null,
  box = null,
  colours = {},
} = defineProps<{
  parts: FigurePart[]
  /** Whose cloth it is. */
  piece?: Pick<Piece, 'colours' | 'cloth'> | null
  /** Left, top, right and bottom, over which the cloth is laid, so that the weave runs through. */
  box?: readonly number[] | null
  /** Of skin, hair and eyes. */
  colours?: Partial<Record<FigurePart['role'], string>>
}>()
const key = useId()
/** How far the cloth reaches beyond the piece, so that it covers a sleeve whose grain is turned. */
const BEYOND = 0.12
const laid = computed(() => {
  const [left = 0, top = 0, right = 0, bottom = 0] = box ?? []
  const [x, y] = [(right - left) * BEYOND, (bottom - top) * BEYOND]
  return { x: left - x, y: top - y, width: right - left + 2 * x, height: bottom - top + 2 * y }
})
const turns = computed(() => [...new Set(parts.filter((part) => part.role === 'cloth').map((part) => part.turn))])
const grain = (turn: number) => `grain-${key}-${turn}`
const middle = computed(() => `${laid.value.x + laid.value.width / 2} ${laid.value.y + laid.value.height / 2}`)
const fill = (part: FigurePart) =>
  part.fill ?? (part.role === 'cloth' ? `url(#${grain(part.turn)})` : (colours[part.role] ?? 'var(--line)'))
</script>

<template>
  <pattern
    v-for="turn in turns"
    :id="grain(turn)"
    :key="turn"
    v-bind="laid"
    patternUnits="userSpaceOnUse"
    :patternTransform="`rotate(${turn} ${middle})`"
  >
    <rect :width="laid.width" :height="laid.height" :fill="piece?.colours[0]?.hex" />
    <image
      v-if="piece?.cloth"
      :href="piece.cloth"
      :width="laid.width"
      :height="laid.height"
      preserveAspectRatio="xMidYMid slice"
    />
  </pattern>
  <template v-for="(part, index) in parts" :key="index">
    <path v-if="part.role === 'line'" class="seam" :d="part.path" :stroke-width="part.width" :opacity="part.dark" />
    <template v-else>
      <!-- skin is one, a line at the wrist would cut the hand off -->
      <path :class="{ edge: part.role !== 'skin' }" :d="part.path" :fill="fill(part)" />
      <path v-if="part.dark && !part.fill" :d="part.path" :opacity="part.dark" />
    </template>
  </template>
</template>

<style scoped>
path {
  forced-color-adjust: none;
}
.seam {
  fill: none;
  stroke: #000;
  stroke-linecap: round;
}
.edge {
  stroke: rgb(0 0 0 / 26%);
  stroke-width: 0.22;
  stroke-linejoin: round;
}
</style>
