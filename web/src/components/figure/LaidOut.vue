<script setup lang="ts">
import { computed } from 'vue'
import type { LaidOut, Light, Piece } from '@/api'
import DrawnParts from './DrawnParts.vue'
import SeenAs from './SeenAs.vue'

/** The real pieces of a look, cut from their photos, in true proportion to each other, as on a bed. */
const {
  laid,
  pieces,
  name,
  pointed = [],
  squint = false,
  light = null,
  named = true,
} = defineProps<{
  laid: LaidOut
  pieces: Piece[]
  name: string
  pointed?: string[]
  squint?: boolean
  light?: Light | null
  /** Whether names stand below the pieces, for which it must be large enough. */
  named?: boolean
}>()
type Place = LaidOut['places'][number]
const byId = computed(() => new Map(pieces.map((piece) => [piece.id, piece])))
const MARGIN = 5
/** The part of a picture that shows the piece, moved and sized to where the piece lies. */
const picture = ({ cut, ...place }: Place) => {
  if (!cut) return null
  const [width, height] = [place.width / (cut.right - cut.left), place.height / (cut.bottom - cut.top)]
  return {
    href: cut.picture,
    x: place.left - cut.left * width,
    y: place.top - cut.top * height,
    width,
    height,
    preserveAspectRatio: 'none',
  }
}
const box = (place: Place) => [place.left, place.top, place.left + place.width, place.top + place.height]
const faint = (piece: string) => pointed.length > 0 && !pointed.includes(piece)
</script>

<template>
  <svg
    class="laid-out"
    :viewBox="`${-MARGIN} ${-MARGIN} ${laid.width + 2 * MARGIN} ${laid.height + 2 * MARGIN}`"
    role="img"
    :aria-label="name"
  >
    <SeenAs :light="light" :squint="squint">
      <g v-for="place in laid.places" :key="place.piece" :class="{ faint: faint(place.piece) }">
        <image v-if="place.cut" v-bind="picture(place)!" />
        <DrawnParts v-else :parts="place.parts" :piece="byId.get(place.piece)" :box="box(place)" />
      </g>
    </SeenAs>
    <g v-if="named && !squint">
      <text
        v-for="place in laid.places"
        :key="place.piece"
        :x="place.left + place.width / 2"
        :y="place.top + place.height + 5.2"
        text-anchor="middle"
      >
        {{ byId.get(place.piece)?.label }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.laid-out {
  display: block;
  width: 100%;
  height: 100%;
}
text {
  font:
    400 4.8px 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  fill: var(--on-cloth);
}
.faint {
  opacity: 0.3;
}
</style>
