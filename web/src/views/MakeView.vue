<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Asking, Turned, Wall, WallInList, WallLook } from '@/api'
import EmptyStart from '@/components/base/EmptyStart.vue'
import KeysHelp from '@/components/base/KeysHelp.vue'
import LinkButton from '@/components/base/LinkButton.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import TextField from '@/components/fields/TextField.vue'
import TurnTags from '@/components/make/TurnTags.vue'
import UseStrips from '@/components/make/UseStrips.vue'
import WallList from '@/components/make/WallList.vue'
import WallOfLooks from '@/components/make/WallOfLooks.vue'
import WallVerdict from '@/components/make/WallVerdict.vue'
import WantedForm from '@/components/make/WantedForm.vue'
import { useKeys } from '@/composables/useKeys'
import { NINE, useQuestion } from '@/composables/useQuestion'
import { useTurning } from '@/composables/useTurning'
import { baysOf, nameOf, usesOf, walked } from '@/lib/making'
import { capital, plural } from '@/lib/words'
import { firstProblem } from '@/server/firstProblem'
import { useClient } from '@/server/useClient'
import { useFiguresOfMany } from '@/server/useFigure'
import { useKeptLooks } from '@/server/useKeptLooks'
import { usePieces } from '@/server/useRail'
import { useNeed, useWalls } from '@/server/useWalls'

const route = useRoute()
const router = useRouter()
const { id, client, problem: clientProblem } = useClient()
const { pieces: rail, loaded, problem: railProblem } = usePieces(id)
const wallId = computed(() => String(route.params.wall ?? ''))
const { walls, wall, told, problem: wallProblem, ...deeds } = useWalls(id, wallId)
const { body, change } = useQuestion(id, wall)
const { keep, problem: keepProblem } = useKeptLooks(id)

const looks = computed(() => wall.value?.looks ?? [])
const bays = computed(() => (wall.value ? baysOf(wall.value, rail.value) : []))
const order = computed(() => bays.value.flatMap((bay) => bay.looks))
const uses = computed(() => (wall.value ? usesOf(wall.value, rail.value) : []))
const shownId = ref<string | null>(null)
const shown = computed(() => looks.value.find((look) => look.id === shownId.value) ?? order.value[0] ?? null)
const always = computed(() => client.value?.about.always_on ?? [])
const { drawn: figures, problem: drawProblem } = useFiguresOfMany(
  id,
  computed(() => looks.value.map(({ pieces, drawn }) => ({ pieces: [...pieces, ...always.value], worn: {}, drawn }))),
  computed(() => (loaded.value ? rail.value : null)),
)
const drawn = computed(
  () => new Map(looks.value.flatMap((look, place) => (figures.value[place] ? [[look.id, figures.value[place]]] : []))),
)
const squint = ref(false)
const pointed = ref<string[]>([])
const asking = computed<Asking | null>(() =>
  shown.value ? { pieces: shown.value.pieces, intent: wall.value?.wanted.intent ?? null } : null,
)
const { turningOpen, to, turns, turning, turnedName, problem: turnProblem } = useTurning(id, asking)
const askedPiece = ref<string | null>(null)
const { need, problem: needProblem } = useNeed(id, wallId, askedPiece)
const problem = firstProblem(
  clientProblem, railProblem, wallProblem, keepProblem, drawProblem, turnProblem, needProblem,
) // prettier-ignore
const asked = ref(false)
/** Asked again while they are being made, the looks of one question would hang there for the other. */
const busy = computed(() => asked.value || wall.value?.making != null)
/** Nothing is said of looks that are still being made. */
const hanging = (made: Wall) =>
  made.making === null ? `${plural(made.looks.length, 'look hangs', 'looks hang')} there.` : ''
watch(wall, (now, before) => {
  if (now && before?.making != null && now.id === before.id) told.value = hanging(now)
})

async function make() {
  if (busy.value || !rail.value.length) return
  asked.value = true
  const made = await deeds.make({ ...body.value, name: body.value.name.trim() || nameOf(body.value, rail.value) })
  asked.value = false
  if (!made) return
  told.value = hanging(made)
  shownId.value = null
  await router.replace({ name: 'make', params: { client: id.value, wall: made.id } })
}
/** Asks the wall that is open again: what is kept stays. */
async function again() {
  if (!wall.value) return make()
  if (busy.value) return
  asked.value = true
  const made = await deeds.makeAgain({ ...body.value, name: wall.value.name })
  asked.value = false
  if (made) told.value = hanging(made)
}
function afresh() {
  change(NINE)
  void router.push({ name: 'make', params: { client: id.value, wall: '' } })
}
async function tie() {
  const look = shown.value
  if (!look) return
  if (!(await deeds.tie(look.id, !look.kept_as))) return
  told.value = look.kept_as ? 'Kept no longer.' : 'Kept among the looks.'
}
async function drop() {
  const look = shown.value
  if (!look || look.kept_as) return
  if (wall.value?.making != null) {
    told.value = 'The looks are still being made: another can come once all hang there.'
    return
  }
  const place = order.value.findIndex((one) => one.id === look.id)
  const now = await deeds.drop(look.id)
  if (!now) return
  shownId.value = order.value[Math.min(place, order.value.length - 1)]?.id ?? null
  told.value = now.lack || 'Another one hangs there.'
}
function open(one: string) {
  const look = looks.value.find((other) => other.id === one)
  if (look) void router.push({ name: 'looks', params: { client: id.value }, query: opened(look) })
}
const opened = (look: WallLook) => (look.kept_as ? { look: look.kept_as } : { start: look.pieces.join(',') })
async function keepTurned(turned: Turned) {
  const look = shown.value
  if (!look) return
  const kept = look.kept_as ? wall.value : await deeds.tie(look.id, true)
  const parent = kept?.looks.find((one) => one.id === look.id)?.kept_as
  const child = await keep(
    {
      name: turnedName(`${capital(look.intent)} look`),
      pieces: turned.pieces,
      intent: wall.value?.wanted.intent ?? null,
      keptAs: null,
    },
    parent ? { parent } : undefined,
  )
  if (child) told.value = `Kept as ${child.name}.`
}
function wear(turned: Turned) {
  void router.push({ name: 'looks', params: { client: id.value }, query: { start: turned.pieces.join(',') } })
}
async function letGo(one: WallInList) {
  await deeds.letGo(one)
  if (one.id === wallId.value) await router.replace({ name: 'make', params: { client: id.value, wall: '' } })
}
function makeWith(piece: string) {
  change({ ...NINE, start: [piece] })
  void make()
}
/** What was chosen on the rail is what looks start from; one key there makes them at once. */
watch(
  loaded,
  (now) => {
    const start = typeof route.query.start === 'string' ? route.query.start.split(',').filter(Boolean) : []
    if (!now || !start.length) return
    const many = start.length > 1 ? ({ share: 'even' } as const) : {}
    change({ ...NINE, ...many, start, ...(route.query.ways ? { spread: true, number: 8 } : {}) })
    if (route.query.ways) void make()
    else void router.replace({ query: {} })
  },
  { immediate: true },
)

const COLUMN = 116
const middle = ref<HTMLElement | null>(null)
const across = () => Math.max(1, Math.floor(((middle.value?.clientWidth ?? 0) - 36) / COLUMN))
const walk = (step: number) => (shownId.value = walked(order.value, shown.value?.id ?? null, step))
useKeys(() => ({
  m: () => void again(),
  n: afresh,
  k: () => void tie(),
  x: () => void drop(),
  t: () => (turningOpen.value = !turningOpen.value),
  space: () => (squint.value = !squint.value),
  enter: () => shown.value && open(shown.value.id),
  arrowright: () => walk(1),
  arrowleft: () => walk(-1),
  arrowdown: () => walk(across()),
  arrowup: () => walk(-across()),
  'ctrl+z': () => void deeds.undo(),
  'ctrl+y': () => void deeds.redo(),
}))
const KEYS: [string, string][] = [
  ['M', 'make the looks, or ask again: what is kept stays'],
  ['N', 'begin another wall'],
  ['← → ↑ ↓', 'along the wall'],
  ['K', 'keep the look, or no longer'],
  ['X', 'drop it: another comes'],
  ['T', 'turn it for the day'],
  ['↵', 'open it in Looks'],
  ['Space', 'squint: see the whole wall as a room does'],
  ['Ctrl+Z', 'take back, Ctrl+Y do again'],
  ['?', 'these keys'],
]
</script>

<template>
  <div class="make">
    <aside class="left">
      <div class="head">
        <h2>Make looks</h2>
        <NButton v-if="wall" text class="word" @click="afresh">new wall</NButton>
      </div>
      <WantedForm :body="body" :rail="rail" :wall="wall" @change="change" />
      <h3>Called</h3>
      <p>
        <TextField
          small
          :value="body.name"
          :maxlength="200"
          :placeholder="nameOf(body, rail)"
          label="Name of the wall"
          @change="wall ? deeds.rename($event || wall.name) : change({ name: $event })"
        />
      </p>
      <WallList :walls="walls" :open="wallId" :client="id" @let-go="letGo" />
      <p class="go">
        <NButton type="primary" :disabled="busy || !rail.length" @click="again">
          {{ wall ? 'Make again' : 'Make' }} <kbd>M</kbd>
        </NButton>
      </p>
    </aside>
    <section ref="middle" class="middle" aria-label="The wall">
      <WallOfLooks
        v-if="client && looks.length"
        class="wall"
        :bays="bays"
        :drawn="drawn"
        :client="client"
        :rail="rail"
        :shown="shown?.id ?? null"
        :squint="squint"
        @show="shownId = $event"
        @open="open"
        @squint="squint = !squint"
      />
      <EmptyStart v-else-if="loaded && !rail.length">
        The rail is empty, so there is nothing to make looks of yet.
        <template #start>
          <LinkButton firm :to="{ name: 'intake', params: { client: id } }">Take photos in</LinkButton>
        </template>
      </EmptyStart>
      <EmptyStart v-else-if="loaded && !wall">
        Say how many looks you want, from which pieces and for what. Each will be whole, and each worn in clothes of its
        own.
        <template #start>
          <NButton type="primary" :disabled="busy" @click="make">Make {{ body.number }} looks</NButton>
        </template>
      </EmptyStart>
      <EmptyStart v-else-if="wall && wall.making === null">{{ wall.lack || 'No look hangs here.' }}</EmptyStart>
      <div v-else class="wall" />
      <p v-if="wall && looks.length && (wall.lack || wall.lost)" class="lack">
        {{ wall.lack }}
        <template v-if="wall.lost"> {{ wall.lost }} of its looks hold pieces that no longer hang here.</template>
      </p>
      <div v-if="wall?.making != null" class="making" role="status">
        <NProgress type="line" :percentage="Math.round(100 * wall.making)" :show-indicator="false" />
        <span>Making looks…</span>
        <NButton size="small" @click="deeds.stop">Stop</NButton>
      </div>
      <UseStrips
        v-else-if="wall && looks.length"
        :uses="uses"
        :asked="askedPiece"
        :need="need"
        :pointed="pointed"
        @ask="askedPiece = $event"
        @make-with="makeWith"
        @point="pointed = $event"
      />
      <div class="foot">
        <NButton text class="word" :aria-pressed="squint" @click="squint = !squint"><kbd>Space</kbd> squint</NButton>
        <NButton text class="word" @click="deeds.undo">undo</NButton>
        <a v-if="wall" class="out" :href="`/api/walls/${wall.id}/looks.json`" download>take out as looks</a>
        <span class="soft" role="status">{{ told }}</span>
        <KeysHelp class="keys" :keys="KEYS" />
      </div>
    </section>
    <aside class="right" aria-label="The look">
      <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
      <template v-if="shown">
        <WallVerdict
          :look="shown"
          :rail="rail"
          :spread="rail.find((piece) => piece.id === wall?.wanted.start[0])?.label ?? 'piece'"
          :brief="turningOpen"
          @keep="tie"
          @drop="drop"
          @open="open(shown.id)"
          @turn="turningOpen = !turningOpen"
          @point="pointed = $event"
        />
        <TurnTags
          v-if="turningOpen"
          :to="to"
          :turns="turns"
          :turning="turning"
          :overall="shown.overall"
          @to="to = $event"
          @wear="wear"
          @keep="keepTurned"
          @point="pointed = $event"
        />
      </template>
    </aside>
  </div>
</template>

<style scoped>
.make {
  height: 100%;
  display: grid;
  grid-template-columns: 246px minmax(0, 1fr) 300px;
}
@media (max-width: 1150px) {
  .make {
    grid-template-columns: 216px minmax(0, 1fr) 250px;
  }
}
.left,
.right {
  overflow: auto;
  padding: 14px 16px 0;
  display: flex;
  flex-direction: column;
}
.left {
  background: var(--panel);
  border-right: 1px solid var(--line);
}
.right {
  background: var(--paper);
  border-left: 1px solid var(--line);
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  font-size: 13px;
}
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 10px 0 4px;
}
.go {
  position: sticky;
  bottom: 0;
  margin: auto -16px 0;
  padding: 10px 16px;
  display: flex;
  gap: 8px;
  background: var(--panel);
  border-top: 1px solid var(--line);
  z-index: 2;
}
.middle {
  background: var(--cloth);
  color: var(--on-cloth);
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.wall {
  flex: 1;
  min-height: 0;
}
.middle > :deep(.empty-start) {
  flex: 1;
}
.making {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 18px;
  background: var(--paper);
  color: var(--ink);
}
.making span {
  white-space: nowrap;
}
.lack {
  padding: 6px 18px;
  font-size: 13px;
  background: var(--paper);
  color: var(--ink);
  border-top: 1px solid var(--line);
}
.foot {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 14px;
  padding: 6px 18px;
  background: var(--paper);
  color: var(--ink);
  border-top: 1px solid var(--line);
  font-size: 13px;
}
.foot .word {
  padding-inline: 0;
}
.keys {
  margin-left: auto;
}
</style>
