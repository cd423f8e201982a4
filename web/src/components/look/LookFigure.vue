<script setup lang="ts">
import { computed, useId } from 'vue'
import type { Client, Judged, Light, Mend, Piece, Worn } from '@/api'
import { breadth, CENTRE, figureOf, HEIGHT, spread, traceOf, WIDTH, type Shape } from '@/lib/figure'
import { pinkedOutline, type Point } from '@/lib/pinked'
import { signed } from '@/lib/words'

/** The client's own face over the worn colours, with stitches, the lightness trace and the mends as swing tags. */
const {
  client,
  rail,
  worn,
  judged,
  pointed,
  squint,
  seated = false,
  light = null,
  bare = false,
  name = 'The look on the figure',
} = defineProps<{
  client: Client
  rail: Piece[]
  worn: Piece[]
  judged: Judged | null
  /** Pieces that a reason names, shown apart. */
  pointed: string[]
  squint: boolean
  seated?: boolean
  /** The light it is seen in; none is as measured. */
  light?: Light | null
  /** The figure alone, without what is said about it. */
  bare?: boolean
  name?: string
}>()
const emit = defineEmits<{ mend: [mend: Mend]; wear: [piece: Piece, how: Worn] }>()

const LABELS = CENTRE + 130
const height = computed(() => client.about.height ?? null)
const shapes = computed(() => figureOf(worn, { height: height.value, seated }))
const face = computed(() => 100 * Math.min(breadth(height.value), 1.16))
const key = useId()
const byId = computed(() => new Map(shapes.value.map((shape) => [shape.piece.id, shape])))
const url = (shape: Shape) => `cloth-${key}-${shape.piece.id}`
/** Rows of the light's matrix as a filter wants them. */
const seen = computed(() =>
  light?.matrix
    .map((row) => [...row, 0, 0].join(' '))
    .concat('0 0 0 1 0')
    .join(' '),
)
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
/** Pictures are drawn over the whole shape, so that the weave runs through it. */
const box = (shape: Shape) => {
  const xs = shape.outlines.flat().map((p) => p[0])
  return {
    x: Math.min(...xs),
    y: shape.top,
    width: Math.max(...xs) - Math.min(...xs),
    height: shape.bottom - shape.top + 8,
  }
}

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
  const there = mend.piece ? byId.value.get(mend.piece) : undefined
  return there ? there.anchor : [CENTRE + 40, WAIST_TIE]
}
const WAIST_TIE = 300

const stitches = computed(() =>
  (judged?.stitches ?? []).flatMap((stitch) => {
    const first = byId.value.get(stitch.first)?.anchor
    const second = byId.value.get(stitch.second)?.anchor
    if (!first || !second) return []
    const bow = first[0] + second[0] > CENTRE * 2 ? 46 : -46
    const middle: Point = [(first[0] + second[0]) / 2 + bow, (first[1] + second[1]) / 2]
    return [{ ...stitch, first, second, middle, path: `M${first} Q${middle} ${second}` }]
  }),
)

const TRACE_LEFT = 16
const TRACE_WIDTH = 92
const traceX = (lightness: number) => TRACE_LEFT + (lightness / 100) * TRACE_WIDTH
const trace = computed(() =>
  traceOf(shapes.value)
    .map(
      (step, i) =>
        `${i ? 'L' : 'M'}${traceX(step.lightness).toFixed(1)},${step.top} L${traceX(step.lightness).toFixed(1)},${step.bottom}`,
    )
    .join(' '),
)
const traceWords = computed(() =>
  traceOf(shapes.value)
    .map((s) => `L* ${s.lightness.toFixed(0)}`)
    .join(', '),
)

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
    .join(', ')
const short = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1).trimEnd()}…` : text)
</script>

<template>
  <svg
    class="figure"
    :viewBox="bare ? `${CENTRE - 214} -8 428 ${HEIGHT + 14}` : `0 -8 ${WIDTH} ${HEIGHT + 14}`"
    role="group"
    :aria-label="name"
  >
    <defs>
      <clipPath v-for="shape in shapes" :id="url(shape)" :key="shape.piece.id">
        <polygon v-for="(outline, index) in shape.outlines" :key="index" :points="pinkedOutline(outline)" />
      </clipPath>
      <filter v-if="seen" :id="`light-${key}`" color-interpolation-filters="linearRGB" x="0" y="0" width="1" height="1">
        <feColorMatrix type="matrix" :values="seen" />
      </filter>
      <filter :id="`squint-${key}`" x="-10%" y="-10%" width="120%" height="120%">
        <feGaussianBlur stdDeviation="11" />
      </filter>
    </defs>

    <g v-if="!bare" class="trace" aria-hidden="true">
      <text :x="TRACE_LEFT" y="112">dark</text>
      <text :x="TRACE_LEFT + TRACE_WIDTH" y="112" text-anchor="end">light</text>
      <rect
        v-if="judged?.band"
        :x="traceX(judged.band.dark)"
        y="122"
        :width="traceX(judged.band.light) - traceX(judged.band.dark)"
        :height="HEIGHT - 146"
      />
      <line :x1="TRACE_LEFT" :x2="TRACE_LEFT" y1="122" :y2="HEIGHT - 24" />
      <line :x1="TRACE_LEFT + TRACE_WIDTH" :x2="TRACE_LEFT + TRACE_WIDTH" y1="122" :y2="HEIGHT - 24" />
      <path :d="trace" />
      <text :x="TRACE_LEFT" :y="HEIGHT - 8">
        lightness
        <template v-if="judged?.band">, and the</template>
      </text>
      <text v-if="judged?.band" :x="TRACE_LEFT" :y="HEIGHT + 5">client’s own band</text>
    </g>
    <text class="visually-hidden">Lightness from top to foot: {{ traceWords }}</text>

    <g :filter="seen ? `url(#light-${key})` : undefined">
      <g :filter="squint ? `url(#squint-${key})` : undefined">
        <svg :x="CENTRE - face / 2" :y="116 - face * 1.04" :width="face" :height="face * 1.04" viewBox="0 0 100 104">
          <image
            v-if="client.portrait"
            :href="client.portrait"
            width="100"
            height="104"
            preserveAspectRatio="xMidYMid slice"
          />
          <template v-else>
            <rect width="100" height="104" :fill="client.face.skin?.hex ?? 'var(--paper)'" />
            <rect width="100" height="34" :fill="client.face.hair?.hex ?? 'var(--line)'" />
            <circle cx="34" cy="56" r="5" :fill="client.face.eyes?.hex ?? 'var(--rule)'" />
            <circle cx="66" cy="56" r="5" :fill="client.face.eyes?.hex ?? 'var(--rule)'" />
          </template>
        </svg>
        <g
          v-for="shape in shapes"
          :key="shape.piece.id"
          class="worn"
          :class="{ faint: pointed.length && !pointed.includes(shape.piece.id) }"
          :clip-path="`url(#${url(shape)})`"
        >
          <rect v-bind="box(shape)" :fill="shape.piece.colours[0]?.hex" />
          <image
            v-if="shape.piece.cloth"
            v-bind="box(shape)"
            :href="shape.piece.cloth"
            preserveAspectRatio="xMidYMid slice"
          />
        </g>
      </g>
    </g>

    <g v-if="!squint && !bare">
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
        <title>{{ rises(tag.mend) }}</title>
        <text :x="LABELS + 6" :y="tag.y + 11">{{ short(why(tag.mend.text), 26) }}</text>
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
.worn {
  transition: opacity 100ms;
}
.faint {
  opacity: 0.3;
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
@media (prefers-reduced-motion: reduce) {
  .worn {
    transition: none;
  }
}
</style>
