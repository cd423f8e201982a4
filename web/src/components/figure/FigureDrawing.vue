<script setup lang="ts">
import { computed } from 'vue'
import type { Client, Figure, Piece } from '@/api'
import DrawnParts from './DrawnParts.vue'

/** A look on the client, in centimetres from the crown: within a drawing that says how large. */
const {
  figure,
  client,
  pieces,
  pointed = [],
} = defineProps<{
  figure: Figure
  /** Who wears it. */
  client: Client
  pieces: Pick<Piece, 'id' | 'colours' | 'cloth'>[]
  /** Pieces that a reason names, shown apart. */
  pointed?: string[]
}>()
const byId = computed(() => new Map(pieces.map((piece) => [piece.id, piece])))
const boxes = computed(() => new Map(figure.shapes.map((shape) => [shape.piece, shape.box])))
const colours = computed(() => ({
  skin: client.face.skin?.hex ?? 'var(--paper)',
  hair: client.face.hair?.hex ?? 'var(--line)',
  eyes: client.face.eyes?.hex ?? 'var(--rule)',
}))
const faint = (piece: string | null) => piece !== null && pointed.length > 0 && !pointed.includes(piece)
</script>

<template>
  <g v-for="(layer, index) in figure.layers" :key="index" class="layer" :class="{ faint: faint(layer.piece) }">
    <image
      v-if="layer.lies === 'head' && client.head"
      :href="client.head"
      :x="figure.head.left"
      :y="figure.head.top"
      :width="figure.head.width"
      :height="figure.head.height"
    />
    <DrawnParts
      v-else
      :parts="layer.parts"
      :piece="layer.piece ? byId.get(layer.piece) : null"
      :box="layer.piece ? boxes.get(layer.piece) : null"
      :colours="colours"
    />
  </g>
</template>

<style scoped>
.layer {
  transition: opacity 100ms;
}
.faint {
  opacity: 0.3;
}
@media (prefers-reduced-motion: reduce) {
  .layer {
    transition: none;
  }
}
</style>
