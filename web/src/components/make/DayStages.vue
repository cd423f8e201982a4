<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Asking, Client, Drawn, Piece, StageBody } from '@/api'
import ProblemNote from '@/components/base/ProblemNote.vue'
import BareFigure from '@/components/figure/BareFigure.vue'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import TextField from '@/components/fields/TextField.vue'
import { FORMALITY, WARMTH } from '@/lib/making'
import { firstProblem } from '@/server/firstProblem'
import { useDay } from '@/server/useDay'
import { useFigures } from '@/server/useFigure'

/** A look over a day: a figure a stage under one line, stitches through what stays on, the weakest stage speaking. */
const { clientId, client, rail, always, asking, stages, squint } = defineProps<{
  clientId: string
  client: Client
  rail: Piece[]
  /** What is always on. */
  always: string[]
  asking: Asking
  stages: StageBody[]
  squint: boolean
}>()
const emit = defineEmits<{ stages: [stages: StageBody[]]; wear: [pieces: string[]] }>()
const MOST = 6
const WHEN = ['morning', 'noon', 'evening', 'night', 'later', 'last']
const { day, problem: dayProblem } = useDay(
  computed(() => clientId),
  computed(() => asking),
  computed(() => stages),
)
const { drawn, problem: drawProblem } = useFigures(
  computed(() => clientId),
  computed(
    () => day.value?.stages.map((one) => ({ pieces: [...one.pieces, ...always], worn: asking.worn ?? {} })) ?? [],
  ),
)
const problem = firstProblem(dayProblem, drawProblem)
const byId = computed(() => new Map(rail.map((piece) => [piece.id, piece])))
const piecesOf = (one: Drawn) => one.figure.shapes.flatMap((shape) => byId.value.get(shape.piece) ?? [])
/** How high a piece lies on its figure, as a share of the drawing. */
function high(one: Drawn, piece: string): number | null {
  const box = one.figure.shapes.find((shape) => shape.piece === piece)?.box
  const { room, stature } = one.figure
  return box ? ((box[1]! + box[3]!) / 2 + room) / (stature + room + 2) : null
}
/** What stays on from each stage to the next: where its stitch begins and ends, as shares of the height. */
const stitches = computed(() =>
  drawn.value.slice(1).map((after, place) => {
    const before = drawn.value[place]
    const stay = after.figure.shapes.map((shape) => shape.piece)
    return stay.flatMap((piece) => {
      const [from, to] = [before ? high(before, piece) : null, high(after, piece)]
      return from === null || to === null ? [] : [{ piece, from: 100 * from, to: 100 * to }]
    })
  }),
)
const changes = (place: number) => {
  const before = new Set(day.value?.stages[place - 1]?.pieces ?? asking.pieces)
  const now = day.value?.stages[place]?.pieces ?? []
  const named = (id: string) => byId.value.get(id)?.label ?? 'a piece'
  const off = [...before].filter((id) => !now.includes(id)).map((id) => `${named(id)} off`)
  return [...off, ...now.filter((id) => !before.has(id)).map((id) => `${named(id)} on`)]
}
const say = (place: number, what: Partial<StageBody>) =>
  emit(
    'stages',
    stages.map((one, k) => (k === place ? { ...one, ...what } : one)),
  )
const more = () => emit('stages', [...stages, { when: WHEN[stages.length] ?? 'later', wet: false, time: '' }])
const out = (place: number) =>
  emit(
    'stages',
    stages.filter((_, k) => k !== place),
  )
const choices = (words: string[], first: number) => [
  { value: '', label: 'any' },
  ...words.map((label, k) => ({ value: String(k + first), label })),
]
const number = (told: string) => (told === '' ? null : Number(told))
const chosen = (value: number | null | undefined) => (value == null ? '' : String(Math.round(value)))
const shown = ref<number | null>(null)
</script>

<template>
  <div class="day">
    <ProblemNote v-if="problem" :problem="problem" />
    <p v-if="day" class="speaks" role="status">
      {{ stages.length > 1 ? `The ${day.weakest} speaks for the day: ${day.overall.toFixed(0)}.` : '' }}
    </p>
    <ol>
      <li v-for="(stage, place) in stages" :key="place" @mouseenter="shown = place" @mouseleave="shown = null">
        <div class="asked">
          <TextField
            small
            :value="stage.when"
            :maxlength="60"
            :label="`Stage ${place + 1}`"
            @change="$event.trim() && say(place, { when: $event.trim() })"
          />
          <ChoiceList
            :value="chosen(stage.warmth)"
            :options="choices(WARMTH, 0)"
            :label="`Weather, ${stage.when}`"
            @change="say(place, { warmth: number($event) })"
          />
          <ChoiceList
            :value="chosen(stage.formality)"
            :options="choices(FORMALITY, 1)"
            :label="`Occasion, ${stage.when}`"
            @change="say(place, { formality: number($event) })"
          />
          <p>
            <NButton text class="word" :aria-pressed="!!stage.wet" @click="say(place, { wet: !stage.wet })"
              >wet</NButton
            >
            <NButton
              text
              class="word"
              :aria-pressed="stage.time === 'evening'"
              @click="say(place, { time: stage.time === 'evening' ? '' : 'evening' })"
            >
              evening
            </NButton>
            <NButton text class="word" :aria-label="`Leave ${stage.when} out`" @click="out(place)">out</NButton>
          </p>
        </div>
        <div class="drawing">
          <BareFigure
            v-if="drawn[place] && day?.stages[place]"
            :figure="drawn[place].figure"
            :client="client"
            :pieces="piecesOf(drawn[place])"
            :name="`${stage.when}: ${day.stages[place].overall.toFixed(0)}`"
            :squint="squint"
          />
          <svg
            v-if="stitches[place]"
            class="stitches"
            viewBox="0 0 100 100"
            preserveAspectRatio="none"
            aria-hidden="true"
          >
            <line v-for="one in stitches[place]" :key="one.piece" x1="0" :y1="one.from" x2="100" :y2="one.to" />
          </svg>
        </div>
        <div class="under">
          <strong :class="{ weakest: stages.length > 1 && day?.weakest === stage.when }">{{
            day?.stages[place]?.overall.toFixed(0)
          }}</strong>
          <span v-for="one in changes(place)" :key="one">{{ one }}</span>
          <span v-for="one in day?.stages[place]?.amiss" :key="one" class="amiss">{{ one }}</span>
          <NButton v-if="day?.stages[place]" text class="word" @click="emit('wear', day.stages[place].pieces)">
            wear this
          </NButton>
        </div>
      </li>
    </ol>
    <NButton v-if="stages.length < MOST" text class="word more" @click="more">another stage</NButton>
  </div>
</template>

<style scoped>
.day {
  display: flex;
  flex-direction: column;
  min-height: 0;
  padding: 8px 14px;
}
.speaks {
  min-height: 20px;
  font-size: 13px;
}
ol {
  list-style: none;
  flex: 1;
  min-height: 0;
  margin: 0;
  padding: 0;
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(130px, 1fr);
  overflow-x: auto;
}
li {
  display: grid;
  grid-template-rows: auto minmax(180px, 1fr) auto;
  min-height: 0;
  padding: 0 6px;
}
.asked {
  display: grid;
  gap: 3px;
  padding: 6px;
  background: var(--paper);
  color: var(--ink);
  border-bottom: 5px solid var(--rule);
  margin: 0 -6px;
}
.asked p {
  display: flex;
  gap: 10px;
}
.asked .word {
  padding: 0;
  font-size: 12.5px;
}
.drawing {
  position: relative;
  min-height: 0;
}
.drawing > :deep(.bare) {
  position: absolute;
  inset: 0;
}
.stitches {
  position: absolute;
  left: 72%;
  width: 56%;
  top: 0;
  height: 100%;
  pointer-events: none;
}
.stitches line {
  stroke: var(--on-cloth);
  stroke-width: 1.4;
  stroke-dasharray: 5 4;
  vector-effect: non-scaling-stroke;
}
.under {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  font-size: 12.5px;
  line-height: 1.3;
  min-height: 84px;
}
.under strong {
  font:
    600 19px/1.2 'Petrona Variable',
    serif;
}
.weakest {
  text-decoration: underline;
  text-underline-offset: 4px;
}
.amiss::first-letter {
  text-transform: uppercase;
}
.amiss {
  font-weight: 650;
}
.more {
  align-self: flex-start;
}
</style>
