<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { Candidate, ColourMap, Gap, Piece } from '@/api'
import SlideField from '@/components/fields/SlideField.vue'
import { candidateName } from '@/lib/buying'
import { pinkedOutline } from '@/lib/pinked'
import { nextThatWay, spotOf, type Plane } from '@/lib/places'
import { capital, plural } from '@/lib/words'

/** A rail as places of colour among those that the client may wear; what may be bought and what is missing with it. */
const {
  map,
  rail,
  candidates = [],
  gaps = [],
  shown = null,
} = defineProps<{
  map: ColourMap
  rail: Piece[]
  candidates?: Candidate[]
  gaps?: Gap[]
  /** The piece or candidate that is open. */
  shown?: string | null
}>()
const emit = defineEmits<{ show: [id: string] }>()
const PLANES: Plane[] = ['from above', 'from the side']
const plane = ref<Plane>('from above')
const turn = ref(60)
const at = ref<string | null>(shown)
watch(
  () => shown,
  (now) => (at.value = now),
)

const above = computed(() => plane.value === 'from above')
/** A chip at its place; cut large and drawn small, so that its teeth stay fine. */
const FINE = 2
const outline = pinkedOutline(
  [
    [-FINE, -FINE],
    [FINE, -FINE],
    [FINE, FINE],
    [-FINE, FINE],
  ].map(([x = 0, y = 0]): [number, number] => [4 * x, 4 * y]),
)
const placed = (x: number, y: number, half: number) => `translate(${x} ${y}) scale(${half / (4 * FINE)})`
const spot = (lab: number[]) => spotOf(lab, plane.value, turn.value)
const range = computed(() => map.wanted.map((one) => ({ ...spot(one.lab), hex: one.hex })))
const pieces = computed(() =>
  map.pieces.flatMap((one) => {
    const piece = rail.find((other) => other.id === one.piece_id)
    return piece ? [{ id: piece.id, ...spot(one.lab), hex: one.hex, piece, alone: one.alone }] : []
  }),
)
const wishes = computed(() =>
  candidates.flatMap((one) => {
    const colour = one.piece?.colours[0]
    return colour ? [{ id: one.id, ...spot(colour.lab), hex: colour.hex, name: candidateName(one) }] : []
  }),
)
const missing = computed(() => gaps.map((gap) => ({ ...spot(gap.lab), hex: gap.hex, gap })))
const empty = computed(() => map.empty.map((one) => ({ ...spot(one.lab), name: one.name })))
/** As far out as anything lies. */
const reach = computed(
  () =>
    10 +
    Math.max(
      40,
      ...[...range.value, ...pieces.value, ...wishes.value, ...missing.value].flatMap(({ x, y }) =>
        above.value ? [Math.abs(x), Math.abs(y)] : [Math.abs(x)],
      ),
    ),
)
const box = computed(() =>
  above.value
    ? `${-1.1 * reach.value} ${-reach.value} ${2.2 * reach.value} ${2 * reach.value}`
    : `${-1.1 * reach.value} -6 ${2.2 * reach.value} 114`,
)
const spots = computed(() => [...pieces.value, ...wishes.value].map(({ id, x, y }) => ({ id, x, y })))
const here = computed(() => {
  const wish = wishes.value.find((one) => one.id === at.value)
  const found = pieces.value.find((one) => one.id === at.value)
  if (wish) return `${wish.name}: may be bought`
  if (!found) return ''
  const { piece } = found
  return `${piece.label}: lightness ${piece.lightness.toFixed(0)}, chroma ${piece.chroma.toFixed(0)}, hue angle ${piece.hue.toFixed(0)}°`
})
const called = (id: string) => rail.find((one) => one.id === id)?.label ?? ''
const told = computed(() =>
  [
    ...map.clusters.slice(0, 3).map((one) => `${plural(one.pieces.length, 'piece')} crowd round ${one.name}.`),
    map.pieces.some((one) => one.alone)
      ? `Alone, with nothing near: ${map.pieces
          .filter((one) => one.alone)
          .slice(0, 4)
          .map((one) => called(one.piece_id))
          .join(', ')}.`
      : '',
    map.empty.length
      ? `Nothing hangs in ${map.empty.map((one) => one.name).join(', ')}, though the client may wear it.`
      : '',
  ]
    .filter(Boolean)
    .join(' '),
)
function pressed(event: KeyboardEvent) {
  const key = event.key.toLowerCase()
  if (key === 'enter' && at.value) emit('show', at.value)
  else {
    const next = nextThatWay(spots.value, at.value, key)
    if (!key.startsWith('arrow')) return
    if (next) at.value = next
  }
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <div class="places">
    <div class="head">
      <span role="group" aria-label="Seen">
        <NButton
          v-for="one in PLANES"
          :key="one"
          text
          class="word"
          :aria-pressed="plane === one"
          @click="plane = one"
          >{{ one }}</NButton
        >
      </span>
      <label v-if="!above" class="turn">
        <span>turned by {{ turn }}°</span>
        <SlideField :value="turn" :max="180" label="Turned by" @change="turn = $event" />
      </label>
      <span role="status">{{ here }}</span>
    </div>
    <svg
      class="plane"
      :viewBox="box"
      role="listbox"
      tabindex="0"
      aria-label="Colours of the rail"
      :aria-activedescendant="at ? `place-${at}` : undefined"
      @keydown="pressed"
    >
      <g class="grid" aria-hidden="true">
        <template v-if="above">
          <circle
            v-for="ring in [20, 40, 60, 80].filter((one) => one < reach)"
            :key="ring"
            r="0"
            :style="{ r: `${ring}px` }"
          />
          <path :d="`M${-reach} 0H${reach}M0 ${-reach}V${reach}`" />
          <text :x="reach" y="-1.5" text-anchor="end">red</text>
          <text x="2" :y="-reach + 5">yellow</text>
          <text :x="-reach" y="-1.5">green</text>
          <text x="2" :y="reach - 2">blue</text>
        </template>
        <template v-else>
          <path v-for="level in [0, 25, 50, 75, 100]" :key="level" :d="`M${-reach} ${level}H${reach}`" />
          <path d="M0 0V100" />
          <text :x="-reach" y="4">light</text>
          <text :x="-reach" y="99">dark</text>
          <text x="2" y="105">grey</text>
          <text :x="reach" y="105" text-anchor="end">hue {{ turn }}°</text>
          <text :x="-reach" y="105">hue {{ turn + 180 }}°</text>
        </template>
      </g>
      <g class="range" aria-hidden="true">
        <rect v-for="(one, k) in range" :key="k" :x="one.x - 1" :y="one.y - 1" width="2" height="2" :fill="one.hex" />
      </g>
      <g aria-hidden="true">
        <g v-for="one in missing" :key="one.gap.name + one.gap.category" class="gap">
          <path :d="`M${one.x} ${one.y - 2.6}v-1.6a1.4 1.4 0 1 0 -1.4 -1.4`" />
          <polygon :points="outline" :transform="placed(one.x, one.y, 2.6)" :fill="one.hex" />
        </g>
      </g>
      <g
        v-for="one in pieces"
        :id="`place-${one.id}`"
        :key="one.id"
        class="piece"
        :class="{ at: one.id === at, alone: one.alone }"
        role="option"
        :aria-selected="one.id === at"
        :aria-label="`${capital(one.piece.label)}${one.alone ? ', alone' : ''}`"
        @click="emit('show', one.id)"
        @pointerenter="at = one.id"
      >
        <polygon :points="outline" :transform="placed(one.x, one.y, one.id === at ? 4 : 2.8)" :fill="one.hex" />
        <circle v-if="one.id === at" :cx="one.x" :cy="one.y" r="6.4" />
      </g>
      <g
        v-for="one in wishes"
        :id="`place-${one.id}`"
        :key="one.id"
        class="piece wish"
        role="option"
        :aria-selected="one.id === at"
        :aria-label="`${one.name}, may be bought`"
        @click="emit('show', one.id)"
        @pointerenter="at = one.id"
      >
        <rect :x="one.x - 5" :y="one.y - 5" width="10" height="10" />
        <polygon :points="outline" :transform="placed(one.x, one.y, one.id === at ? 4 : 3.4)" :fill="one.hex" />
      </g>
      <g aria-hidden="true">
        <g v-for="one in empty" :key="one.name" class="empty">
          <circle :cx="one.x" :cy="one.y" r="5" />
          <text :x="one.x" :y="one.y + 8.5" text-anchor="middle">{{ one.name }}</text>
        </g>
      </g>
    </svg>
    <p class="told">
      {{ told }}
      <span class="soft">
        Small squares: cloth in the client’s range<template v-if="!map.wanted.length"
          >, once the colouring is known</template
        >; chips: the rail<template v-if="candidates.length">; framed: what may be bought</template
        ><template v-if="gaps.length">; on a hook: what is missing</template>; rings: where nothing hangs.
      </span>
    </p>
  </div>
</template>

<style scoped>
.places {
  height: 100%;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  align-items: center;
  min-height: 28px;
  font-size: 13px;
}
.head > span:first-child {
  display: flex;
  gap: 12px;
}
.turn {
  display: grid;
  grid-template-columns: 108px 140px;
  align-items: center;
}
.plane {
  flex: 1;
  min-height: 200px;
  width: 100%;
  background: var(--cloth);
  color: var(--on-cloth);
  forced-color-adjust: none;
}
.grid circle,
.grid path {
  fill: none;
  stroke: var(--on-cloth);
  stroke-width: 0.25;
  opacity: 0.55;
}
text {
  font-size: 3.4px;
  fill: var(--on-cloth);
}
.empty circle {
  fill: none;
  stroke: var(--on-cloth);
  stroke-width: 0.6;
  stroke-dasharray: 2 1.4;
}
.gap path {
  fill: none;
  stroke: var(--on-cloth);
  stroke-width: 0.8;
}
.piece {
  cursor: pointer;
}
.piece circle,
.wish rect {
  fill: none;
  stroke: var(--on-cloth);
  stroke-width: 0.9;
}
.told {
  font-size: 13px;
  padding-top: 6px;
}
</style>
