<script setup lang="ts">
import { computed } from 'vue'
import type { Piece } from '@/api'
import { bands, hangLength, pieceWords, type Distance } from '@/lib/rail'
import { TOOTH } from '@/lib/stamps'

const [WIDE, HOOKS_APART] = [26, 30]
/** A piece on its hook, as long as it hangs and banded by its colours. The wall marks what was not looked for. */
const { piece, chosen, shown, joined, distance, closeUp } = defineProps<{
  piece: Piece
  chosen: boolean
  shown: boolean
  /** Hangs together with the next one: a set, or two faces of one piece. */
  joined: boolean
  /** Of the run of pieces that this one moves with. */
  distance: Distance
  /** Whether the weave is seen. */
  closeUp: boolean
}>()
const emit = defineEmits<{ show: []; choose: [event: MouseEvent]; drag: [event: DragEvent] }>()
const px = (long: number) => `${+(long * distance.zoom).toFixed(2)}px`
/** The cloth at its distance: from the sheet of the rail the strip as high as the cloth, or as wide, its middle in the
 * middle. In numbers, since sums in a style are worked out again whenever anything about the piece changes. */
const cloth = computed(() => {
  const length = hangLength(piece)
  const size = { width: px(WIDE), height: px(length) }
  const { strip } = piece
  const ground = piece.colours[0]?.hex
  if (distance.flat) return { ...size, background: bands(piece) }
  if (closeUp && piece.cloth) return { ...size, ...under(`url("${piece.cloth}")`, 'center', 'cover', ground) }
  if (!strip) return { ...size, ...under(piece.colours.length > 1 ? bands(piece) : 'none', '0 0', 'auto', ground) }
  const high = Math.max(length, WIDE / 0.6)
  const [row, column] = [Math.floor(strip.place / strip.across), strip.place % strip.across]
  return {
    ...size,
    ...under(
      `url("${strip.sheet}")`,
      `${px(WIDE / 2 - high * 0.6 * (column + 0.5))} ${px(-high * row)}`,
      `${px(high * 0.6 * strip.across)} auto`,
      ground,
    ),
  }
})
const under = (image: string, position: string, size: string, ground?: string) => ({
  backgroundImage: `var(--teeth), ${image}`,
  backgroundPosition: `0 100%, ${position}`,
  backgroundSize: `${TOOTH.width}px ${TOOTH.height}px, ${size}`,
  backgroundColor: ground,
})
const words = computed(() => {
  const more = [
    piece.doubtful && 'in doubt',
    piece.kept.verdict,
    piece.kept.set && `set ${piece.kept.set}`,
    piece.kept.other_face && 'one of two faces',
  ].filter(Boolean)
  return [pieceWords(piece), ...more].join(', ')
})
</script>

<template>
  <li class="hung" :class="{ chosen, shown, joined, far: distance.flat }" :style="{ width: px(HOOKS_APART) }">
    <button
      type="button"
      draggable="true"
      :aria-pressed="chosen"
      :aria-label="words"
      :data-piece="piece.id"
      @mouseenter="emit('show')"
      @focus="emit('show')"
      @click="emit('choose', $event)"
      @dragstart="emit('drag', $event)"
    >
      <span class="cloth" :style="cloth" aria-hidden="true" />
    </button>
    <span v-if="piece.doubtful" class="mark" aria-hidden="true">?</span>
    <span v-else-if="piece.kept.verdict && piece.kept.verdict !== 'keep'" class="mark" aria-hidden="true">{{
      piece.kept.verdict === 'let go' ? '×' : '~'
    }}</span>
  </li>
</template>

<style scoped>
.hung {
  flex: none;
  text-align: center;
}
button {
  display: block;
  width: 100%;
  padding: 14px 0 5px;
  border: 0;
  background: var(--hook) top center / 12px 14px no-repeat;
  cursor: grab;
}
.cloth {
  display: block;
  margin: 0 auto;
  background-repeat: repeat-x, no-repeat;
  forced-color-adjust: none;
}
/* from far away hooks are too small to see, and teeth */
.far button {
  background-image: none;
}
.shown button {
  transform: translateY(5px);
}
.chosen button {
  outline: 2.5px solid var(--on-cloth);
  outline-offset: -1px;
}
.joined {
  position: relative;
}
.joined::after {
  content: '';
  position: absolute;
  top: 11px;
  left: 50%;
  width: 100%;
  border-top: 2px dashed var(--on-cloth-soft);
}
.cloth[data-quiet] {
  background: none !important;
  outline: 1px solid var(--rule);
  outline-offset: -1px;
}
.mark {
  display: block;
  font-weight: 700;
  line-height: 1.1;
}
</style>
