<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { Client, Mark, Piece, What, Word } from '@/api'
import FigureDrawing from '@/components/figure/FigureDrawing.vue'
import { percent } from '@/lib/words'

/** The piece on the figure, with marks that are pulled to say how it is cut. */
const {
  what,
  client,
  piece,
  near = false,
} = defineProps<{
  what: What
  client: Client
  piece: Pick<Piece, 'id' | 'colours' | 'cloth'>
  /** Whether only the piece is shown, and of the body what is round it: large, however small the drawing. */
  near?: boolean
}>()
const emit = defineEmits<{ say: [word: Word] }>()

const NAMES = { length: 'Hem', sleeve: 'Sleeve', volume: 'Fullness' } as const
type Pulls = Mark['pulls']
const drawing = ref<SVGSVGElement | null>(null)
/** The mark that is being pulled, and where it stands meanwhile. */
const pulled = ref<{ pulls: Pulls; at: number } | null>(null)
watch(
  () => what,
  () => (pulled.value = null),
)

const wordOf = (pulls: Pulls): string | null => (pulls === 'sleeve' ? what.cut.sleeve : what[pulls]) ?? null
const chanceOf = (pulls: Pulls, word: string): number | null =>
  (what.seen[pulls] ?? []).find((one) => (one as unknown as Record<string, string>)[pulls] === word)?.confidence ?? null
/** What the photo thinks likeliest, for a mark of which nothing is sure. */
const likeliest = (pulls: Pulls): string | undefined =>
  (what.seen[pulls]?.[0] as unknown as Record<string, string> | undefined)?.[pulls]

const AROUND = 9
const view = computed(() => {
  const { figure } = what
  const stops = what.marks.flatMap((mark) => mark.stops.map((stop) => stop.y))
  const box = figure.shapes[0]?.box ?? [0, 0, 0, figure.height]
  const [low, high] = [Math.min(box[1]!, ...stops) - AROUND, Math.max(box[3]!, ...stops) + AROUND]
  const top = near ? Math.max(-figure.room, low) : -figure.room
  const bottom = near ? Math.min(figure.height + 2, high) : figure.height + 2
  return { x: -figure.half_width, y: top, width: 2 * figure.half_width, height: bottom - top }
})
const { width, height } = useElementSize(drawing)
/** A pixel of the screen in centimetres of the drawing. */
const pixel = computed(() =>
  width.value && height.value ? Math.max(view.value.width / width.value, view.value.height / height.value) : 0.6,
)
/** Beside its pin, and off the word of the hem. */
function wordAt(pulls: Pulls, y: number): number {
  const hem = marks.value.find((mark) => mark.pulls === 'length')?.stop.y ?? Infinity
  if (pulls === 'length') return y - 3 * pixel.value
  const below = y >= hem && y - hem < 26 * pixel.value
  return below ? y + 17 * pixel.value : y - 8 * pixel.value
}

const marks = computed(() =>
  what.marks.map(({ pulls, stops }) => {
    const word = wordOf(pulls)
    const stands = stops.findIndex((stop) => stop.word === (word ?? likeliest(pulls)))
    const at = pulled.value?.pulls === pulls ? pulled.value.at : Math.max(0, stands)
    const stop = stops[at]!
    const said = word !== null && !what.unsaid.includes(pulls)
    const chance = said || at !== stands ? null : chanceOf(pulls, stop.word)
    const told = word === null && at === stands ? `${stop.word}?` : stop.word
    return { pulls, stops, at, stop, said, told: chance === null ? told : `${told} ${percent(chance)}` }
  }),
)

const say = (pulls: Pulls, word: string) => {
  emit('say', pulls === 'sleeve' ? { cut: { sleeve: word as 'long' } } : { [pulls]: word })
}
function nearest(mark: (typeof marks.value)[number], event: PointerEvent): number {
  const turned = drawing.value?.getScreenCTM()?.inverse()
  if (!turned) return mark.at
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(turned)
  const far = mark.stops.map((stop) => (mark.pulls === 'volume' ? Math.abs(stop.x - x) : Math.abs(stop.y - y)))
  return far.indexOf(Math.min(...far))
}
function take(mark: (typeof marks.value)[number], event: PointerEvent) {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  pulled.value = { pulls: mark.pulls, at: mark.at }
}
function pull(mark: (typeof marks.value)[number], event: PointerEvent) {
  if (pulled.value?.pulls === mark.pulls) pulled.value = { pulls: mark.pulls, at: nearest(mark, event) }
}
function leave(mark: (typeof marks.value)[number]) {
  if (pulled.value?.pulls === mark.pulls) say(mark.pulls, mark.stops[pulled.value.at]!.word)
}
const STEPS: Record<string, number> = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }
function key(mark: (typeof marks.value)[number], event: KeyboardEvent) {
  const step = STEPS[event.key]
  if (!step && event.key !== 'Enter') return
  event.preventDefault()
  event.stopPropagation()
  const next = mark.stops[Math.min(mark.stops.length - 1, Math.max(0, mark.at + (step ?? 0)))]
  if (next) say(mark.pulls, next.word)
}
</script>

<template>
  <svg
    ref="drawing"
    class="cut"
    :viewBox="`${view.x} ${view.y} ${view.width} ${view.height}`"
    role="group"
    aria-label="How it is cut"
  >
    <FigureDrawing :figure="what.figure" :client="client" :pieces="[piece]" />
    <g
      v-for="mark in marks"
      :key="mark.pulls"
      class="mark"
      :class="{ said: mark.said, pulled: pulled?.pulls === mark.pulls }"
      role="slider"
      tabindex="0"
      :aria-label="NAMES[mark.pulls]"
      :aria-valuemin="0"
      :aria-valuemax="mark.stops.length - 1"
      :aria-valuenow="mark.at"
      :aria-valuetext="mark.said ? mark.stop.word : `${mark.told}, as seen`"
      :aria-orientation="mark.pulls === 'volume' ? 'horizontal' : 'vertical'"
      @pointerdown="take(mark, $event)"
      @pointermove="pull(mark, $event)"
      @pointerup="leave(mark)"
      @pointercancel="pulled = null"
      @keydown="key(mark, $event)"
    >
      <line
        v-if="mark.pulls === 'length'"
        :x1="view.x"
        :x2="-view.x"
        :y1="mark.stop.y"
        :y2="mark.stop.y"
        :stroke-width="pixel"
        :stroke-dasharray="mark.said ? undefined : `${4 * pixel} ${3 * pixel}`"
      />
      <circle class="hit" :cx="mark.stop.x" :cy="mark.stop.y" :r="13 * pixel" :stroke-width="2 * pixel" />
      <circle class="pin" :cx="mark.stop.x" :cy="mark.stop.y" :r="5.5 * pixel" :stroke-width="2 * pixel" />
      <text
        :x="(mark.pulls === 'volume' ? view.x : -view.x) * 0.99"
        :y="wordAt(mark.pulls, mark.stop.y)"
        :text-anchor="mark.pulls === 'volume' ? 'start' : 'end'"
        :font-size="12 * pixel"
        :stroke-width="3 * pixel"
      >
        {{ mark.told }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.cut {
  display: block;
  width: 100%;
  height: 100%;
  overflow: hidden;
}
.mark {
  touch-action: none;
  cursor: grab;
  outline: none;
}
.mark.pulled {
  cursor: grabbing;
}
.hit {
  fill: transparent;
}
.pin {
  fill: var(--paper);
  stroke: var(--ink);
}
.said .pin,
.pulled .pin {
  fill: var(--ink);
  stroke: var(--paper);
}
.mark:focus-visible .hit {
  stroke: var(--ink);
}
line {
  stroke: var(--ink);
}
text {
  font-family: 'Atkinson Hyperlegible Next Variable', sans-serif;
  font-weight: 600;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-linejoin: round;
}
</style>
