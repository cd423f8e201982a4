<script setup lang="ts">
import type { Client, Figure, Light, Piece } from '@/api'
import FigureDrawing from './FigureDrawing.vue'
import SeenAs from './SeenAs.vue'

/** A look on the client and nothing beside it, at any size. */
const {
  figure,
  client,
  pieces,
  name,
  pointed = [],
  squint = false,
  light = null,
} = defineProps<{
  figure: Figure
  client: Client
  pieces: Piece[]
  name: string
  pointed?: string[]
  squint?: boolean
  light?: Light | null
}>()
</script>

<template>
  <svg
    class="bare"
    :viewBox="`${-figure.half_width} ${-figure.room} ${2 * figure.half_width} ${figure.stature + figure.room + 2}`"
    role="img"
    :aria-label="name"
  >
    <SeenAs :light="light" :squint="squint">
      <FigureDrawing :figure="figure" :client="client" :pieces="pieces" :pointed="pointed" />
    </SeenAs>
  </svg>
</template>

<style scoped>
.bare {
  display: block;
  width: 100%;
  height: 100%;
}
</style>
