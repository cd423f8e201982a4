<script setup lang="ts">
import { NButton, NTable } from 'naive-ui'
import { computed, ref, toRef, watch } from 'vue'
import type { Felt, KeptLook, Piece, Wear } from '@/api'
import KeysHelp from '@/components/base/KeysHelp.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import TabRow from '@/components/base/TabRow.vue'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import ChooseFile from '@/components/fields/ChooseFile.vue'
import DayField from '@/components/fields/DayField.vue'
import TextField from '@/components/fields/TextField.vue'
import ClothCalendar from '@/components/plan/ClothCalendar.vue'
import { useKeys } from '@/composables/useKeys'
import { FELT, later, longDay, monthsUntil } from '@/lib/plan'
import { dayOf, plural } from '@/lib/words'
import { useWears } from '@/server/useWears'

/** What was really worn: written down, seen as a calendar of cloth, and what it tells of the pieces. */
const { clientId, rail, looks } = defineProps<{ clientId: string; rail: Piece[]; looks: KeptLook[] }>()
const today = dayOf(new Date())
const until = ref(today.slice(0, 7))
const months = computed(() => monthsUntil(until.value, 3))
const lastOf = (month: string) => new Date(Number(month.slice(0, 4)), Number(month.slice(5)), 0).getDate()
const span = computed<[string, string]>(() => [`${months.value[0]}-01`, `${until.value}-${lastOf(until.value)}`])
const { wears, wearing, told, problem, add, change, takeOut, takeIn, undo, redo } = useWears(
  toRef(() => clientId),
  span,
)
const byId = computed(() => new Map(rail.map((piece) => [piece.id, piece])))
const day = ref(today)
const lines = computed(() => wears.value.filter((wear) => wear.on === day.value))
const named = (wear: Wear) =>
  wear.pieces.flatMap((id) => byId.value.get(id)?.label ?? []).join(', ') || 'pieces that have gone'
/** The photo of a look, where it was taken on the day on which the look was worn. */
function photoOf(wear: Wear): string | null {
  const photo = looks.find((one) => one.id === wear.look)?.kept.photo
  return photo && photo.on === wear.on ? `/api/looks/${wear.look}/photo.jpg?number=${photo.number}` : null
}
const turn = (step: number) => {
  const at = new Date(Number(until.value.slice(0, 4)), Number(until.value.slice(5)) - 1 + step, 15)
  until.value = dayOf(at).slice(0, 7)
  if (!months.value.includes(day.value.slice(0, 7))) day.value = `${until.value}-01`
}
/** What is told of a day is told of one that is shown. */
watch(day, (now) => {
  if (!months.value.includes(now.slice(0, 7))) until.value = now.slice(0, 7)
})

const worn = ref<string[]>([])
const choices = computed(() => [
  { value: '', label: worn.value.length ? 'and another piece' : 'what was worn: a look or a piece' },
  ...(worn.value.length ? [] : looks.map((look) => ({ value: `look ${look.id}`, label: `‘${look.name}’` }))),
  ...rail.filter((piece) => !worn.value.includes(piece.id)).map((piece) => ({ value: piece.id, label: piece.label })),
])
const look = ref<string | null>(null)
function wore(value: string) {
  const found = value.startsWith('look ') ? looks.find((one) => `look ${one.id}` === value) : null
  if (found) {
    look.value = found.id
    worn.value = found.pieces
  } else if (value) worn.value = [...worn.value, value]
}
const off = (id: string) => {
  worn.value = worn.value.filter((one) => one !== id)
  look.value = null
}
const felt = ref<Felt | null>(null)
const note = ref('')
async function write() {
  if (!worn.value.length) return
  const body = { on: day.value, pieces: worn.value, look: look.value, occasion: '', felt: felt.value, note: note.value }
  if (!(await add(body))) return
  worn.value = []
  look.value = felt.value = null
  note.value = ''
}
const feel = (wear: Wear, now: Felt) =>
  change(wear.id, {
    on: wear.on,
    pieces: wear.pieces,
    look: wear.look,
    occasion: wear.occasion,
    felt: wear.felt === now ? null : now,
    note: wear.note,
    weather: wear.weather,
  })
async function file(sent: File) {
  const taken = await takeIn(sent)
  if (!taken) return
  const left = taken.refused.length
    ? ` ${plural(taken.refused.length, 'line')} could not be taken: ${taken.refused[0]}`
    : ''
  told.value = `${plural(taken.added, 'line')} came, ${taken.same} were there.${left}`
}

const TABS = [
  { name: 'pieces', word: 'by piece' },
  { name: 'families', word: 'by family' },
  { name: 'seasons', word: 'by season' },
  { name: 'left', word: 'left hanging' },
] as const
const by = ref<(typeof TABS)[number]['name']>('pieces')
const rows = computed(() =>
  rail
    .map((piece) => ({ piece, told: wearing.value?.pieces[piece.id] ?? { days: 0, last: null, loved: 0, off: 0 } }))
    .sort((one, other) => other.told.days - one.told.days || one.piece.label.localeCompare(other.piece.label)),
)
const left = computed(() => rows.value.filter((row) => !row.told.days || row.told.last! < later(today, -60)))
const shownRows = computed(() => (by.value === 'left' ? left.value : rows.value.filter((row) => row.told.days)))
const groups = computed(() => (by.value === 'families' ? wearing.value?.families : wearing.value?.seasons) ?? [])
const money = (value: number | null) => (value === null ? '' : value.toFixed(2))
const leans = (id: string) => {
  const points = wearing.value?.leaning[id] ?? 0
  return points > 0 ? 'comes sooner' : points < 0 ? 'comes later' : ''
}
const two = computed(() =>
  (wearing.value?.of_two ?? []).flatMap((one) => {
    const [chosen, other] = [byId.value.get(one.chosen), byId.value.get(one.left)]
    return chosen && other
      ? [`${chosen.label} is chosen, and ${other.label.toLowerCase()}, which is nearly the same, is left.`]
      : []
  }),
)
useKeys(() => ({
  arrowleft: () => (day.value = later(day.value, -1)),
  arrowright: () => day.value < today && (day.value = later(day.value, 1)),
  enter: () => void write(),
  '1': () => (felt.value = 'loved'),
  '2': () => (felt.value = 'fine'),
  '3': () => (felt.value = 'off'),
  'ctrl+z': () => void undo(),
  'ctrl+y': () => void redo(),
}))
const KEYS: [string, string][] = [
  ['← →', 'the day before, the day after'],
  ['1 2 3', 'felt right, was fine, felt off'],
  ['↵', 'write it down'],
  ['Ctrl+Z', 'take back, Ctrl+Y do again'],
  ['?', 'these keys'],
]
</script>

<template>
  <div class="part">
    <section class="cloth" aria-label="A calendar of cloth">
      <div class="turn">
        <NButton text class="word" @click="turn(-1)">earlier</NButton>
        <NButton text class="word" :disabled="until >= today.slice(0, 7)" @click="turn(1)">later</NButton>
        <span class="soft">{{ wearing ? plural(wearing.lines, 'line') + ' in the log' : '' }}</span>
        <a :href="`/api/clients/${clientId}/wears.csv`" download>take the log out</a>
        <ChooseFile
          word
          accept=".csv,.json,text/csv,application/json"
          label="take a log in"
          @files="$event[0] && file($event[0])"
        />
      </div>
      <ClothCalendar :months="months" :wears="wears" :by-id="byId" :shown="day" @show="day = $event" />
    </section>
    <section class="side">
      <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
      <div class="tile" role="group" aria-label="The day">
        <h2>{{ longDay(day) }}</h2>
        <ul class="lines">
          <li v-for="wear in lines" :key="wear.id">
            <strong v-if="wear.occasion">{{ wear.occasion }}: </strong>{{ named(wear) }}
            <span v-if="wear.note" class="soft">“{{ wear.note }}”</span>
            <img v-if="photoOf(wear)" :src="photoOf(wear)!" alt="As it was worn" />
            <span class="row">
              <NButton
                v-for="one in FELT"
                :key="one.felt"
                text
                class="word"
                :aria-pressed="wear.felt === one.felt"
                @click="feel(wear, one.felt)"
                >{{ one.word }}</NButton
              >
              <NButton text class="word soft" @click="takeOut(wear.id)">not worn after all</NButton>
            </span>
          </li>
        </ul>
        <p v-if="!lines.length" class="soft">Nothing is written on this day.</p>
        <div class="write">
          <DayField small :value="day" @change="$event && (day = $event)" />
          <ChoiceList value="" :options="choices" label="What was worn" @change="wore" />
        </div>
        <p v-if="worn.length" class="row">
          <NButton
            v-for="id in worn"
            :key="id"
            text
            class="word"
            :aria-label="`${byId.get(id)?.label} was not worn`"
            @click="off(id)"
          >
            {{ byId.get(id)?.label }} ×
          </NButton>
        </p>
        <template v-if="worn.length">
          <p class="row" role="group" aria-label="How it felt">
            <NButton
              v-for="one in FELT"
              :key="one.felt"
              text
              class="word"
              :aria-pressed="felt === one.felt"
              @click="felt = felt === one.felt ? null : one.felt"
              ><kbd>{{ one.key }}</kbd> {{ one.word }}</NButton
            >
          </p>
          <TextField
            small
            label="The client's word"
            placeholder="the client's word"
            :value="note"
            :maxlength="2000"
            @change="note = $event"
          />
          <NButton type="primary" size="small" @click="write">Write it down <kbd>↵</kbd></NButton>
        </template>
      </div>
      <div class="tile tells">
        <TabRow :tabs="[...TABS]" :shown="by" label="What the log tells" @show="by = $event" />
        <p v-if="by === 'left'" class="soft">Not worn for two months, or never.</p>
        <NTable v-if="by === 'pieces' || by === 'left'" size="small" :bordered="false" :single-line="false">
          <thead>
            <tr>
              <th>piece</th>
              <th>days</th>
              <th>last</th>
              <th>a wear</th>
              <th>felt</th>
              <th>by the log</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in shownRows" :key="row.piece.id">
              <td>{{ row.piece.label }}</td>
              <td>{{ row.told.days }}</td>
              <td>{{ row.told.last ?? 'never' }}</td>
              <td>{{ money(row.piece.cost_per_wear) }}</td>
              <td>{{ row.told.loved > row.told.off ? 'right' : row.told.off > row.told.loved ? 'off' : '' }}</td>
              <td class="soft">{{ leans(row.piece.id) }}</td>
            </tr>
          </tbody>
        </NTable>
        <NTable v-else size="small" :bordered="false" :single-line="false">
          <thead>
            <tr>
              <th>{{ by === 'families' ? 'family' : 'season' }}</th>
              <th>pieces</th>
              <th>worn</th>
              <th>days</th>
              <th>a wear</th>
              <th>right</th>
              <th>off</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in groups" :key="one.name">
              <td>{{ one.name }}</td>
              <td>{{ one.pieces }}</td>
              <td>{{ one.worn }}</td>
              <td>{{ one.days }}</td>
              <td>{{ money(one.cost) }}</td>
              <td>{{ one.loved }}</td>
              <td>{{ one.off }}</td>
            </tr>
          </tbody>
        </NTable>
        <p v-for="one in by === 'pieces' ? two : []" :key="one" class="soft">{{ one }}</p>
      </div>
      <div class="foot">
        <NButton text class="word" @click="undo">undo</NButton>
        <span class="soft" role="status">{{ told }}</span>
        <KeysHelp class="keys" :keys="KEYS" />
      </div>
    </section>
  </div>
</template>

<style scoped>
.part {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  flex: 1;
  min-height: 0;
}
.cloth {
  background: var(--cloth);
  color: var(--on-cloth);
  padding: 10px 20px;
  overflow: auto;
}
.turn {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  align-items: center;
  margin-bottom: 10px;
  font-size: 13px;
}
.turn .soft {
  color: inherit;
}
.side {
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 12px 20px 0;
  overflow: auto;
  font-size: 13px;
}
.lines {
  list-style: none;
  margin: 6px 0;
  padding: 0;
}
.lines li {
  padding: 3px 0;
}
.lines img {
  display: block;
  max-height: 120px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
}
.row .word {
  padding-inline: 0;
}
.write {
  display: grid;
  grid-template-columns: 140px minmax(0, 1fr);
  gap: 8px;
  margin: 6px 0;
}
.tells {
  overflow: auto;
  min-height: 120px;
  flex: 1;
}
.tells :deep(td:not(:first-child)) {
  white-space: nowrap;
}
.foot {
  position: sticky;
  bottom: 0;
  display: flex;
  gap: 14px;
  align-items: center;
  margin: 0 -20px;
  padding: 6px 20px;
  background: var(--paper);
  border-top: 1px solid var(--line);
}
.keys {
  margin-left: auto;
}
</style>
