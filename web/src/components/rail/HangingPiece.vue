<script setup lang="ts">
import { computed } from 'vue'
import type { Piece } from '@/api'
import { bands, hangLength, pieceWords } from '@/lib/rail'

const WIDE = 26
/** A piece on its hook, as long as it hangs and banded by its colours. */
const { piece, chosen, shown, joined, quiet, seen } = defineProps<{
  piece: Piece
  chosen: boolean
  shown: boolean
  /** Hangs together with the next one: a set, or two faces of one piece. */
  joined: boolean
  /** Not among what was looked for. */
  quiet: boolean
  /** How much of the cloth is seen: its colours, its strip, or the weave. */
  seen: 'colours' | 'strip' | 'weave'
}>()
const emit = defineEmits<{ show: []; choose: [event: MouseEvent]; drag: [event: DragEvent] }>()
const length = computed(() => hangLength(piece))
/** The strip on the sheet of the rail: as high as the cloth, or as wide, its middle in the middle. */
const cloth = computed(() => {
  const { strip } = piece
  const flat = { background: bands(piece) }
  if (seen === 'weave' && piece.cloth) return { background: `url("${piece.cloth}") center / cover, ${piece.colours[0]?.hex}` }
  if (!strip || seen === 'colours') return flat
  const high = `${Math.max(length.value, WIDE / 0.6)}px * var(--zoom)`
  const [row, column] = [Math.floor(strip.place / strip.across), strip.place % strip.across]
  return {
    background: `${piece.colours[0]?.hex} url("${strip.sheet}") calc(${WIDE / 2}px * var(--zoom) - ${high} * ${(0.6 * (column + 0.5)).toFixed(2)}) calc(${high} * -${row})`,
    backgroundSize: `calc(${high} * ${0.6 * strip.across}) auto`,
  }
})
const words = computed(() => {
  const more = [piece.doubtful && 'in doubt', piece.kept.verdict, piece.kept.set && `set ${piece.kept.set}`, piece.kept.other_face && 'one of two faces'].filter(Boolean)
  return [pieceWords(piece), ...more].join(', ')
})
</script>

<template>
  <li class="hung" :class="{ chosen, shown, joined, quiet, seen }" :style="{ '--long': `${length}px` }">
    <button
      type="button" draggable="true" :aria-pressed="chosen" :aria-label="words" :data-piece="piece.id"
      @mouseenter="emit('show')" @focus="emit('show')" @click="emit('choose', $event)" @dragstart="emit('drag', $event)"
    >
      <span class="cloth" :style="cloth" aria-hidden="true" />
    </button>
    <span v-if="piece.doubtful" class="mark" aria-hidden="true">?</span>
    <span v-else-if="piece.kept.verdict && piece.kept.verdict !== 'keep'" class="mark" aria-hidden="true">{{ piece.kept.verdict === 'let go' ? '×' : '~' }}</span>
  </li>
</template>

<style scoped>
.hung { position: relative; width: calc(30px * var(--zoom)); flex: none; text-align: center; content-visibility: auto; contain-intrinsic-size: calc(30px * var(--zoom)) calc(var(--long) * var(--zoom) + 19px); }
button { display: block; width: 100%; padding: 14px calc(2px * var(--zoom)) 5px; border: 0; background: var(--hook) top center / 12px 14px no-repeat; cursor: grab; }
.cloth { display: block; position: relative; height: calc(var(--long) * var(--zoom)); forced-color-adjust: none; }
/* the pinked edge: teeth in the colour of the room, which cost less to draw than a cut */
.cloth::after { content: ''; position: absolute; left: 0; right: 0; bottom: 0; height: 8px; background: linear-gradient(45deg, var(--cloth) 25%, transparent 0) 0 0 / 6.5px 8px, linear-gradient(-45deg, var(--cloth) 25%, transparent 0) 0 0 / 6.5px 8px; }
/* from far away hooks and teeth are too small to see */
.far .hung button { background-image: none; }
.far .hung .cloth::after { content: none; }
.shown button { transform: translateY(5px); }
.chosen button { outline: 2.5px solid var(--on-cloth); outline-offset: -1px; }
.joined::after { content: ''; position: absolute; top: 11px; left: 50%; width: 100%; border-top: 2px dashed var(--on-cloth-soft); }
.quiet .cloth { background: none !important; border: 1px solid var(--rule); border-bottom-style: dashed; }
.quiet .cloth::after { content: none; }
.mark { display: block; font-weight: 700; line-height: 1.1; }
</style>
