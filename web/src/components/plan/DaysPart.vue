<script setup lang="ts">
import { NButton, NInput, NProgress } from 'naive-ui'
import { computed, ref, toRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { Client, EventChange, Felt, KeptLook, Piece, Plan, PlanBody } from '@/api'
import KeysHelp from '@/components/base/KeysHelp.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import ChooseFile from '@/components/fields/ChooseFile.vue'
import NewPlan from '@/components/plan/NewPlan.vue'
import PlanHead from '@/components/plan/PlanHead.vue'
import RailOfDays from '@/components/plan/RailOfDays.vue'
import TheCase from '@/components/plan/TheCase.vue'
import TheOccasion from '@/components/plan/TheOccasion.vue'
import { useKeys } from '@/composables/useKeys'
import { hooksOf, shortDay, spanOfDays } from '@/lib/plan'
import { plural } from '@/lib/words'
import { firstProblem } from '@/server/firstProblem'
import { useCapsules } from '@/server/useCapsules'
import { useFigures } from '@/server/useFigure'
import { useOccasionWords, useOthers, usePlanList, usePlans } from '@/server/usePlans'

/** The days of a plan: read from a calendar, filled, swapped, locked, packed, worn. */
const { clientId, planId, client, rail, looks } = defineProps<{
  clientId: string
  planId: string
  client: Client
  rail: Piece[]
  looks: KeptLook[]
}>()
const router = useRouter()
const id = toRef(() => clientId)
const { plans, loaded, problem: listProblem } = usePlanList(id)
const asNew = computed(() => planId === 'new')
const open = computed(() => (asNew.value ? '' : planId || (plans.value[0]?.id ?? '')))
const {
  plan,
  told,
  problem: planProblem,
  ...deeds
} = usePlans(
  id,
  computed(() => open.value),
)
const { capsules, problem: capsuleProblem } = useCapsules(id)
const { words, problem: wordProblem, teach, forget } = useOccasionWords(id)
const hooks = computed(() => (plan.value ? hooksOf(plan.value) : []))
const shownId = ref<string | null>(null)
const shown = computed(() => hooks.value.find((hook) => hook.id === shownId.value) ?? hooks.value[0] ?? null)
const event = computed(() => shown.value?.event ?? null)
const always = computed(() => client.about.always_on)
const there = computed(() => new Set(rail.map((piece) => piece.id)))
const drawable = (ids: string[]) => [...new Set([...ids, ...always.value])].filter((one) => there.value.has(one))
const hung = computed(() => hooks.value.filter((hook) => hook.event?.pieces.some((one) => there.value.has(one))))
const { drawn: figures, problem: drawProblem } = useFigures(
  id,
  computed(() => hung.value.map((hook) => ({ pieces: drawable(hook.event!.pieces), worn: {} }))),
)
const drawn = computed(
  () => new Map(hung.value.flatMap((hook, place) => (figures.value[place] ? [[hook.id, figures.value[place]!]] : []))),
)
const { others, problem: otherProblem } = useOthers(
  id,
  plan,
  computed(() => event.value?.id ?? null),
)
const { drawn: otherDrawn } = useFigures(
  id,
  computed(() => (others.value?.looks ?? []).map((look) => ({ pieces: drawable(look.pieces), worn: {} }))),
)
const problem = firstProblem(listProblem, planProblem, capsuleProblem, wordProblem, drawProblem, otherProblem)
const busy = ref(false)
const askingFelt = ref(false)
watch(shownId, () => (askingFelt.value = false))
watch(open, () => (shownId.value = null))

const go = (plan: string) => router.replace({ name: 'plan', params: { client: clientId, part: 'days', id: plan } })
async function begin(body: PlanBody) {
  const made = await deeds.begin(body)
  if (made) await go(made.id)
}
async function calendar(file: File) {
  // a table holds a plan of its own, with its looks
  const joins = plan.value && !asNew.value && !/\.csv$/i.test(file.name)
  const read = joins ? await deeds.readIn(file) : await deeds.fromCalendar(file)
  if (!read) return
  told.value = [`${plural(read.added, 'occasion')} read.`, ...read.problems].join(' ')
  await go(read.plan.id)
}
/** A forecast may end before the days do. */
async function weathered(asked: Promise<Plan | null>) {
  const now = await asked
  if (!now) return
  const known = Object.keys(now.weather).length
  told.value =
    known < now.days
      ? `The forecast tells of ${known} of ${plural(now.days, 'day')}; the others are dressed for without it.`
      : 'The weather of every day is told.'
}
async function fill() {
  if (!plan.value || busy.value) return
  busy.value = true
  const filled = await deeds.fill()
  busy.value = false
  if (filled?.filling === null)
    told.value = filled.unmet.length
      ? `${plural(filled.unmet.length, 'occasion')} could not be dressed for.`
      : 'Every occasion is dressed for.'
}
async function change(said: EventChange) {
  if (event.value) await deeds.changeEvent(event.value.id, said)
}
const lock = () => event.value?.pieces.length && void change({ locked: !event.value.locked })
const takeLookOff = () => event.value?.pieces.length && void change({ pieces: [], locked: false })
async function wear(felt: Felt | null) {
  askingFelt.value = false
  if (event.value && (await deeds.wear(event.value.id, felt))) told.value = 'Written into the log.'
}
const ask = () => event.value?.pieces.length && !event.value.worn && (askingFelt.value = !askingFelt.value)
const hang = (place: number) => {
  const look = others.value?.looks[place]
  if (look) void change({ pieces: look.pieces })
}
/** The look of a hook goes to another: they change places, or it moves to a free day with its occasion. */
async function moveTo(one: string, other: string) {
  const to = hooks.value.find((hook) => hook.id === other)
  if (!to) return
  if (to.event) await deeds.swap(one, other)
  else await deeds.changeEvent(one, { on: to.on })
  shownId.value = to.event ? other : one
}
function walk(step: number) {
  const at = hooks.value.findIndex((hook) => hook.id === shown.value?.id)
  shownId.value = hooks.value[Math.min(hooks.value.length - 1, Math.max(0, at + step))]?.id ?? null
}
function carry(step: number) {
  const at = hooks.value.findIndex((hook) => hook.id === shown.value?.id)
  const to = hooks.value[at + step]
  if (shown.value?.event?.pieces.length && to) void moveTo(shown.value.id, to.id)
}
function openLook(hook: string) {
  const pieces = hooks.value.find((one) => one.id === hook)?.event?.pieces
  if (pieces?.length)
    void router.push({ name: 'looks', params: { client: clientId }, query: { start: pieces.join(',') } })
}
const happening = ref('')
const field = ref<InstanceType<typeof NInput> | null>(null)
async function write() {
  const name = happening.value.trim()
  if (!name || !shown.value) return
  const added = await deeds.addEvent(shown.value.on, name)
  if (!added) return
  happening.value = ''
  shownId.value = added
}
async function letGo() {
  if (await deeds.letGo()) await go('')
}
const felts: Record<string, Felt | null> = { 1: 'loved', 2: 'fine', 3: 'off', 0: null }
const digit = (key: string) => {
  if (askingFelt.value) void wear(felts[key] ?? null)
  else if (key !== '0') hang(Number(key) - 1)
}
useKeys(() => ({
  f: () => void fill(),
  l: lock,
  x: takeLookOff,
  w: ask,
  n: () => field.value?.focus(),
  ...Object.fromEntries(['0', '1', '2', '3', '4'].map((key) => [key, () => digit(key)])),
  enter: () => shown.value && openLook(shown.value.id),
  escape: () => (askingFelt.value = false),
  arrowright: () => walk(1),
  arrowleft: () => walk(-1),
  'shift+arrowright': () => carry(1),
  'shift+arrowleft': () => carry(-1),
  'ctrl+z': () => void deeds.undo(),
  'ctrl+y': () => void deeds.redo(),
}))
const KEYS: [string, string][] = [
  ['F', 'fill the days: what is locked stays'],
  ['← →', 'along the days'],
  ['Shift+← →', 'carry the look to the next hook'],
  ['1 2 3 4', 'hang another look that fits'],
  ['L', 'lock it, or unlock'],
  ['X', 'take the look off'],
  ['W', 'worn; then 1 right, 2 fine, 3 off'],
  ['N', 'write what happens on this day'],
  ['↵', 'open it in Looks'],
  ['Ctrl+Z', 'take back, Ctrl+Y do again'],
  ['?', 'these keys'],
]
</script>

<template>
  <div v-if="plan && !asNew" class="part">
    <div class="bar">
      <ChoiceList
        class="which"
        :value="plan.id"
        :options="[
          ...plans.map((one) => ({ value: one.id, label: `${one.name}, ${spanOfDays(one.first, one.days)}` })),
          { value: 'new', label: 'other days…' },
        ]"
        label="The plan"
        @change="go"
      />
      <PlanHead
        :key="plan.id"
        :plan="plan"
        :capsules="capsules"
        :words="words"
        :day="shown?.on ?? plan.first"
        :sky="plan.weather[shown?.on ?? plan.first] ?? null"
        @change="deeds.change"
        @forecast="(place) => weathered(deeds.forecast(place))"
        @forecast-file="(file) => weathered(deeds.forecastFile(file))"
        @weather="deeds.weather"
        @forget="forget"
        @let-go="letGo"
      />
      <span v-if="plan.filling !== null" class="making" role="status">
        <NProgress type="line" :percentage="Math.round(100 * plan.filling)" :show-indicator="false" />
        filling the days…
        <NButton size="small" @click="deeds.stop">Stop</NButton>
      </span>
      <span class="right">
        <ChooseFile
          accept=".ics,.csv,text/calendar,text/csv"
          label="Calendar in"
          @files="$event[0] && calendar($event[0])"
        />
        <NButton type="primary" :disabled="busy || !rail.length" @click="fill">Fill the days <kbd>F</kbd></NButton>
      </span>
    </div>
    <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
    <RailOfDays
      class="rail"
      :hooks="hooks"
      :plan="plan"
      :drawn="drawn"
      :client="client"
      :rail="rail"
      :shown="shown?.id ?? null"
      @show="shownId = $event"
      @open="openLook"
      @swap="moveTo"
    />
    <ul v-if="plan.unmet.length" class="unmet" aria-label="What could not be met">
      <li v-for="one in plan.unmet" :key="one">{{ one }}</li>
    </ul>
    <div class="below">
      <TheCase
        :plan="plan"
        :rail="rail"
        @tick="deeds.change({ ticked: $event })"
        @away="(piece, until) => deeds.change({ away: { [piece]: until } })"
      />
      <TheOccasion
        v-if="event"
        :event="event"
        :client="client"
        :rail="rail"
        :looks="looks"
        :others="others"
        :other-drawn="otherDrawn"
        :asking="askingFelt"
        @change="change"
        @take-off="deeds.takeOff(event.id)"
        @ask="ask"
        @wear="wear"
        @teach="teach"
      />
      <section v-else class="tile free" aria-label="The day">
        <h2>{{ shown ? shortDay(shown.on) : '' }}: nothing happens yet</h2>
        <p class="soft">Write what happens below, or read a calendar in.</p>
      </section>
    </div>
    <div class="foot">
      <NInput
        ref="field"
        v-model:value="happening"
        class="happens"
        size="small"
        :placeholder="`${shown ? shortDay(shown.on) : ''}: what happens`"
        :maxlength="120"
        :input-props="{ 'aria-label': 'What happens on this day' }"
        @keydown.enter="write"
      />
      <NButton size="small" :disabled="!happening.trim()" @click="write">Write it <kbd>N</kbd></NButton>
      <a :href="`/api/plans/${plan.id}/plan.ics`" download>to a calendar</a>
      <a :href="`/api/plans/${plan.id}/plan.csv`" download>as a table</a>
      <a :href="`/api/plans/${plan.id}/plan.pdf`" download>on paper</a>
      <NButton text class="word" @click="deeds.undo">undo</NButton>
      <span class="soft" role="status">{{ told }}</span>
      <KeysHelp class="keys" :keys="KEYS" />
    </div>
  </div>
  <div v-else-if="loaded" class="part start">
    <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
    <p v-if="told" class="soft" role="status">{{ told }}</p>
    <NewPlan @begin="begin" @calendar="calendar" />
    <p v-if="plans.length" class="back">
      <NButton text class="word" @click="go('')">back to {{ plans[0]?.name }}</NButton>
    </p>
  </div>
</template>

<style scoped>
.part {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.start {
  align-items: center;
  overflow: auto;
}
.bar {
  display: flex;
  align-items: center;
  gap: 16px;
  padding: 8px 20px;
  font-size: 13px;
}
.which {
  width: 320px;
}
.right {
  margin-left: auto;
  display: flex;
  gap: 8px;
}
.making {
  display: flex;
  align-items: center;
  gap: 10px;
  white-space: nowrap;
}
.making :deep(.n-progress) {
  width: 140px;
}
.rail {
  flex: 1;
  min-height: 0;
  background: var(--cloth);
  color: var(--on-cloth);
}
.unmet {
  margin: 0;
  padding: 6px 20px 6px 36px;
  font-size: 13px;
  background: var(--paper);
  max-height: 62px;
  overflow: auto;
}
.below {
  display: grid;
  grid-template-columns: minmax(0, 0.92fr) minmax(0, 1.5fr);
  gap: 12px;
  padding: 10px 20px;
  height: 236px;
  flex: none;
}
.below > * {
  min-height: 0;
  padding: 10px 14px;
}
.free {
  display: grid;
  align-content: start;
  gap: 6px;
}
.foot {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 14px;
  padding: 6px 20px;
  background: var(--paper);
  border-top: 1px solid var(--line);
  font-size: 13px;
}
.happens {
  width: 200px;
}
.keys {
  margin-left: auto;
}
</style>
