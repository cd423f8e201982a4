<script setup lang="ts">
import { computed } from 'vue'
import type { Piece } from '@/api'
import { bands, hangLength, pieceWords } from '@/lib/rail'
import { pinkedPath } from '@/lib/pinked'

/** A piece on its hook, as long as it hangs and banded by its colours. */
const { piece, chosen, shown, joined, quiet } = defineProps<{
  piece: Piece
  chosen: boolean
  shown: boolean
  /** Hangs together with the next one: a set, or two faces of one piece. */
  joined: boolean
  /** Not among what was looked for. */
  quiet: boolean
}>()
const emit = defineEmits<{ show: []; choose: [event: MouseEvent]; drag: [event: DragEvent] }>()
const length = computed(() => hangLength(piece))
const cloth = computed(() => ({
  background: piece.cloth ? `url("${piece.cloth}") center / cover, ${piece.colours[0]?.hex}` : bands(piece),
  clipPath: pinkedPath(4, Math.max(2, Math.round(length.value / 7)), 3, { top: false, side: false, bottom: true }),
}))
const words = computed(() => {
  const more = [piece.doubtful && 'in doubt', piece.kept.verdict, piece.kept.set && `set ${piece.kept.set}`, piece.kept.other_face && 'one of two faces'].filter(Boolean)
  return [pieceWords(piece), ...more].join(', ')
})
</script>

<template>
  <li class="hung" :class="{ chosen, shown, joined, quiet }" :style="{ '--long': `${length}px` }">
    <button
      type="button" draggable="true" :aria-pressed="chosen" :aria-label="words" :data-piece="piece.id"
      @mouseenter="emit('show')" @focus="emit('show')" @click="emit('choose', $event)" @dragstart="emit('drag', $event)"
    >
      <svg class="hook" width="12" height="14" viewBox="0 0 12 14" aria-hidden="true"><path d="M2.6 4.4a3.4 3.4 0 1 1 4.6 3.1c-.8.3-1.2.8-1.2 1.6V13" /></svg>
      <span class="cloth" :style="cloth" aria-hidden="true" />
    </button>
    <span v-if="piece.doubtful" class="mark" aria-hidden="true">?</span>
    <span v-else-if="piece.kept.verdict && piece.kept.verdict !== 'keep'" class="mark" aria-hidden="true">{{ piece.kept.verdict === 'let go' ? '×' : '~' }}</span>
  </li>
</template>

<style scoped>
.hung { position: relative; width: calc(30px * var(--zoom)); flex: none; text-align: center; }
button { display: block; width: 100%; padding: 0 calc(2px * var(--zoom)) 5px; border: 0; background: none; cursor: grab; }
.hook { display: block; margin: 0 auto; fill: none; stroke: var(--on-cloth-soft); stroke-width: 1.6; }
.cloth { display: block; height: calc(var(--long) * var(--zoom)); forced-color-adjust: none; }
.shown button { transform: translateY(5px); }
.chosen button { outline: 2.5px solid var(--on-cloth); outline-offset: -1px; }
.joined::after { content: ''; position: absolute; top: 11px; left: 50%; width: 100%; border-top: 2px dashed var(--on-cloth-soft); }
.quiet { opacity: 0.16; }
.quiet button { filter: grayscale(1); }
.mark { display: block; font-weight: 700; line-height: 1.1; }
</style>
