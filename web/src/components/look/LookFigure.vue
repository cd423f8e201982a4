<script setup lang="ts">
import { computed } from 'vue'
import type { Client, Figure, Judged, Light, Mend, Piece, Worn } from '@/api'
import FigureDrawing from '@/components/figure/FigureDrawing.vue'
import SeenAs from '@/components/figure/SeenAs.vue'
import { spread } from '@/lib/spread'
import { signed } from '@/lib/words'

type Point = [number, number]

/** A look on the client, with stitches, the lightness trace and the mends as swing tags. */
const {
  client,
  rail,
  worn,
  figure,
  judged,
  pointed,
  squint,
  light = null,
} = defineProps<{
  client: Client
  rail: Piece[]
  worn: Piece[]
  figure: Figure
  judged: Judged | null
  /** Pieces that a reason names, shown apart. */
  pointed: string[]
  squint: boolean
  /** The light it is seen in; none is as measured. */
  light?: Light | null
}>()
const emit = defineEmits<{ mend: [mend: Mend]; wear: [piece: Piece, how: Worn] }>()

/** The drawing in its own units; the body about a line, the crown below what hair and hats need. */
const WIDTH = 620
const HEIGHT = 690
const CENTRE = 290
const LABELS = CENTRE + 156
/** Room below the feet, for what is written under the trace. */
const BELOW = 32
const scale = computed(() => (HEIGHT - BELOW) / (figure.stature + figure.room))
const down = (y: number) => (y + figure.room) * scale.value
const place = ([x, y]: readonly number[]): Point => [CENTRE + (x ?? 0) * scale.value, down(y ?? 0)]
const byId = computed(() => new Map(worn.map((piece) => [piece.id, piece])))
/** The pieces that are drawn, with where stitches and threads are tied. */
const shapes = computed(() =>
  figure.shapes.flatMap((shape) => {
    const piece = byId.value.get(shape.piece)
    return piece ? [{ piece, anchor: place(shape.anchor) }] : []
  }),
)
type Shape = (typeof shapes.value)[number]
const anchors = computed(() => new Map(shapes.value.map((shape) => [shape.piece.id, shape.anchor])))
/** A layer is open or closed, a top is tucked in or loose. */
const ways = (piece: Piece): [Worn, Worn] | null =>
  piece.zone === 'layer'
    ? ['open', 'closed']
    : piece.zone === 'upper' && worn.some((one) => one.zone === 'lower')
      ? ['tucked', 'loose']
      : null
const how = (piece: Piece): Worn | null => piece.worn ?? (piece.zone === 'layer' ? 'open' : null)
const other = (piece: Piece): Worn =>
  ways(piece)?.[0] === how(piece) ? (ways(piece)?.[1] ?? 'open') : (ways(piece)?.[0] ?? 'open')
const notes = computed(() => {
  const mends = (judged?.mends ?? [])
    .slice(0, 3)
    .map((mend) => ({ mend, shape: null as Shape | null, y: mendAnchor(mend)[1] }))
  const labels = shapes.value.map((shape) => ({ mend: null as Mend | null, shape, y: shape.anchor[1] }))
  const every = [...labels, ...mends]
  const ys = spread(
    every.map((one) => one.y),
    45,
    60,
    HEIGHT - 26,
  )
  return every.map((one, index) => ({ ...one, y: ys[index] as number }))
})
const labels = computed(() => notes.value.filter((n): n is typeof n & { shape: Shape } => n.shape !== null))
const tags = computed(() =>
  notes.value
    .filter((n): n is typeof n & { mend: Mend } => n.mend !== null)
    .map((n) => ({ ...n, from: mendAnchor(n.mend) })),
)

function mendAnchor(mend: Mend): Point {
  return (mend.piece ? anchors.value.get(mend.piece) : undefined) ?? place(AT_THE_WAIST)
}
/** Where what is not worn yet is tied: centimetres from the middle and from the crown. */
const AT_THE_WAIST = [10, 68]

const stitches = computed(() =>
  (judged?.stitches ?? []).flatMap((stitch) => {
    const first = anchors.value.get(stitch.first)
    const second = anchors.value.get(stitch.second)
    if (!first || !second) return []
    const bow = first[0] + second[0] > CENTRE * 2 ? 46 : -46
    const middle: Point = [(first[0] + second[0]) / 2 + bow, (first[1] + second[1]) / 2]
    return [{ ...stitch, first, second, middle, path: `M${first} Q${middle} ${second}` }]
  }),
)

const TRACE_LEFT = 16
const TRACE_WIDTH = 92
/** From the neck to the sole of somebody who stands. */
const traceTop = computed(() => down(26))
const traceEnd = computed(() => down(figure.stature))
const traceX = (lightness: number) => TRACE_LEFT + (lightness / 100) * TRACE_WIDTH
const trace = computed(() =>
  figure.trace
    .map((step, i) => {
      const x = traceX(step.lightness).toFixed(1)
      return `${i ? 'L' : 'M'}${x},${down(step.top).toFixed(1)} L${x},${down(step.bottom).toFixed(1)}`
    })
    .join(' '),
)
const traceWords = computed(() => figure.trace.map((step) => `L* ${step.lightness.toFixed(0)}`).join(', '))

const act = (mend: Mend) => emit('mend', mend)
const label = (id: string | null | undefined) => {
  const name = rail.find((piece) => piece.id === id)?.label ?? ''
  return /^[A-Z][a-z]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name
}
const title = (one: Mend) =>
  ({ swap: `try ${label(one.with)}`, add: `add ${label(one.piece)}`, remove: `take off ${label(one.piece)}` })[
    one.do
  ] ?? one.text
const why = (text: string) => text.split(': ').slice(1).join(': ')
const rises = (one: Mend) =>
  Object.entries(one.rises ?? {})
    .map(([measure, by]) => `${measure} ${signed(by, 1)}`)
    .concat(one.then ? [`alone ${signed(one.alone ?? 0, 1)} and ${signed(one.then.gain, 1)}`] : [])
    .join(', ')
const short = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1).trimEnd()}…` : text)
</script>

<template>
  <svg class="figure" :viewBox="`0 -8 ${WIDTH} ${HEIGHT + 14}`" role="group" aria-label="The look on the figure">
    <g class="trace" aria-hidden="true">
      <text :x="TRACE_LEFT" :y="traceTop - 10">dark</text>
      <text :x="TRACE_LEFT + TRACE_WIDTH" :y="traceTop - 10" text-anchor="end">light</text>
      <rect
        v-if="judged?.band"
        :x="traceX(judged.band.dark)"
        :y="traceTop"
        :width="traceX(judged.band.light) - traceX(judged.band.dark)"
        :height="traceEnd - traceTop"
      />
      <line :x1="TRACE_LEFT" :x2="TRACE_LEFT" :y1="traceTop" :y2="traceEnd" />
      <line :x1="TRACE_LEFT + TRACE_WIDTH" :x2="TRACE_LEFT + TRACE_WIDTH" :y1="traceTop" :y2="traceEnd" />
      <path :d="trace" />
      <text :x="TRACE_LEFT" :y="traceEnd + 16">{{ judged?.band ? 'lightness, and the' : 'lightness' }}</text>
      <text v-if="judged?.band" :x="TRACE_LEFT" :y="traceEnd + 30">client’s own band</text>
    </g>
    <text class="visually-hidden">Lightness from top to foot: {{ traceWords }}</text>

    <g :transform="`translate(${CENTRE} ${figure.room * scale}) scale(${scale})`">
      <SeenAs :light="light" :squint="squint">
        <FigureDrawing :figure="figure" :client="client" :pieces="worn" :pointed="pointed" />
      </SeenAs>
    </g>

    <g v-if="!squint">
      <g
        v-for="stitch in stitches"
        :key="`${stitch.first}${stitch.second}`"
        class="stitch"
        role="img"
        :aria-label="stitch.competes ? 'these two compete' : 'this colour returns'"
      >
        <path class="under" :d="stitch.path" />
        <path :d="stitch.path" />
        <template v-if="stitch.competes">
          <path class="cross" :d="`M${stitch.middle[0] - 16},${stitch.middle[1] - 9} l18,18 m0,-18 l-18,18`" />
        </template>
        <circle v-for="(end, index) in [stitch.first, stitch.second]" :key="index" :cx="end[0]" :cy="end[1]" r="4" />
      </g>
      <g v-for="note in labels" :key="note.shape.piece.id" class="label">
        <line :x1="LABELS - 6" :y1="note.y - 4" :x2="LABELS - 16" :y2="note.y - 4" />
        <text :x="LABELS" :y="note.y" class="name">{{ short(note.shape.piece.label, 25) }}</text>
        <text v-if="!ways(note.shape.piece)" :x="LABELS" :y="note.y + 15">
          {{
            short(
              `${note.shape.piece.sort.name}${note.shape.piece.pattern === 'solid' ? ` · ${note.shape.piece.sort.bin}` : ''}`,
              27,
            )
          }}
        </text>
        <text v-else :x="LABELS" :y="note.y + 15">
          {{ short(note.shape.piece.sort.name, 12) }} ·
          <tspan
            class="way"
            role="button"
            tabindex="0"
            @click="emit('wear', note.shape.piece, other(note.shape.piece))"
            @keydown.enter="emit('wear', note.shape.piece, other(note.shape.piece))"
            @keydown.space.prevent.stop="emit('wear', note.shape.piece, other(note.shape.piece))"
          >
            wear it {{ other(note.shape.piece) }}
          </tspan>
        </text>
      </g>
      <g
        v-for="tag in tags"
        :key="tag.mend.text"
        class="tag"
        role="button"
        tabindex="0"
        :aria-label="`${tag.mend.text}, ${signed(tag.mend.gain, 1)}; ${rises(tag.mend)}`"
        :data-tip="rises(tag.mend)"
        @click="act(tag.mend)"
        @keydown.enter="act(tag.mend)"
        @keydown.space.prevent.stop="act(tag.mend)"
      >
        <path
          class="thread"
          :d="`M${tag.from[0]},${tag.from[1]} C${tag.from[0] + 50},${tag.from[1] - 14} ${LABELS - 60},${tag.y + 10} ${LABELS - 4},${tag.y}`"
        />
        <circle class="tied" :cx="tag.from[0]" :cy="tag.from[1]" r="2.6" />
        <path class="card" :d="`M${LABELS - 14},${tag.y - 8} l12,-13 h172 v40 h-172 l-12,-13 z`" />
        <circle class="eye" :cx="LABELS - 4" :cy="tag.y" r="3.2" />
        <text :x="LABELS + 6" :y="tag.y - 4" class="name">{{ short(title(tag.mend), 23) }}</text>
        <text :x="LABELS + 6" :y="tag.y + 11">
          {{ tag.mend.then ? short(`and ${title(tag.mend.then)}`, 26) : short(why(tag.mend.text), 26) }}
        </text>
        <text :x="LABELS + 164" :y="tag.y + 4" class="gain" text-anchor="end">{{ signed(tag.mend.gain) }}</text>
      </g>
    </g>
  </svg>
</template>

<style scoped>
.figure {
  display: block;
  width: 100%;
  height: 100%;
}
text {
  font:
    400 12px 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  fill: var(--on-cloth-soft);
}
.name {
  font-weight: 700;
  font-size: 12.5px;
  fill: var(--on-cloth);
}
.trace rect {
  fill: var(--sheet);
  opacity: 0.7;
}
.trace line {
  stroke: var(--rule);
  stroke-width: 1;
}
.trace path {
  fill: none;
  stroke: var(--on-cloth);
  stroke-width: 2.6;
  stroke-linejoin: round;
}
.stitch path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 7 5;
}
.stitch .under {
  stroke: var(--sheet);
  stroke-width: 3.6;
  stroke-dasharray: none;
  opacity: 0.55;
}
.stitch .cross {
  stroke-dasharray: none;
  stroke-width: 2.4;
}
.stitch circle {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.8;
}
.label line {
  stroke: var(--rule);
}
.tag {
  cursor: pointer;
  outline-offset: 3px;
}
.tag .card {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.3;
}
.tag:hover .card,
.tag:focus-visible .card {
  stroke-width: 2.6;
}
.tag text {
  fill: var(--soft);
}
.tag .name,
.tag .gain {
  fill: var(--ink);
}
.tag .gain {
  font-weight: 700;
  font-size: 15px;
}
.tag .eye {
  fill: var(--line);
  stroke: var(--ink);
}
.way {
  fill: var(--on-cloth);
  text-decoration: underline;
  cursor: pointer;
}
.thread {
  fill: none;
  stroke: var(--on-cloth);
  stroke-width: 1.2;
}
.tied {
  fill: var(--on-cloth);
}
</style>
