<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Bin, Kept, Word } from '@/api'
import TabRow from '@/components/base/TabRow.vue'
import LinkButton from '@/components/base/LinkButton.vue'
import type { InputInst } from 'naive-ui'
import SlideField from '@/components/fields/SlideField.vue'
import KeysHelp from '@/components/base/KeysHelp.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import ColourPlaces from '@/components/rail/ColourPlaces.vue'
import FewColours from '@/components/rail/FewColours.vue'
import InAndOut from '@/components/rail/InAndOut.vue'
import InDoubt from '@/components/rail/InDoubt.vue'
import MadeOf from '@/components/rail/MadeOf.vue'
import OwnBorders from '@/components/rail/OwnBorders.vue'
import PastChanges from '@/components/rail/PastChanges.vue'
import PieceCard from '@/components/rail/PieceCard.vue'
import RailWall from '@/components/rail/RailWall.vue'
import WhatTheyAre from '@/components/rail/WhatTheyAre.vue'
import WorkingHard from '@/components/rail/WorkingHard.vue'
import { RAIL_KEYS, useRailKeys } from '@/composables/useRailKeys'
import { found, wordsOf } from '@/lib/find'
import { baysOf, WAYS, ZOOMS, type HangBy, type Move } from '@/lib/rail'
import { dayOf, plural } from '@/lib/words'
import { firstProblem } from '@/server/firstProblem'
import { useClient, useClientWords } from '@/server/useClient'
import { useRail } from '@/server/useRail'
import { useColourMap } from '@/server/useGaps'
import { useAudit } from '@/server/useRailPanels'
import { useCapsules } from '@/server/useCapsules'

const PANELS = [
  { name: 'made', word: 'made of' },
  { name: 'work', word: 'what works' },
  { name: 'map', word: 'the map' },
  { name: 'few', word: 'five colours' },
  { name: 'doubt', word: 'in doubt' },
  { name: 'what', word: 'what they are' },
  { name: 'borders', word: 'your borders' },
  { name: 'inout', word: 'in and out' },
  { name: 'past', word: 'changes' },
] as const
const router = useRouter()
const route = useRoute()
const { id, client } = useClient()
const { problem: sayProblem, say: sayOfClient } = useClientWords(id)
const { pieces, byId, loaded, told, problem: railProblem, change, wear, takeOff, joinFaces, undo, redo } = useRail(id)
const problem = firstProblem(railProblem, sayProblem)
const by = ref<HangBy>('sort')
const zoom = ref(2)
const typed = ref('')
const chosen = ref(new Set<string>())
const shownId = ref<string | null>(null)
const panel = ref<(typeof PANELS)[number]['name']>('made')
const tabs = computed(() =>
  PANELS.map(({ name, word }) => ({
    name,
    word: name === 'doubt' && doubtful.value.length ? `${word} · ${doubtful.value.length}` : word,
  })),
)
const inPalette = ref<Set<string> | null>(null)
const wall = ref<InstanceType<typeof RailWall> | null>(null)
const search = ref<InputInst | null>(null)

/** The capsule through which the rail is seen. */
const throughIt = computed(() => String(route.query.capsule ?? ''))
const { capsules } = useCapsules(id, () => throughIt.value !== '')
const capsule = computed(() => capsules.value.find((one) => one.id === throughIt.value) ?? null)
const inCapsule = computed(() => {
  const here = capsule.value?.curve.find((one) => one.number === capsule.value?.number)
  return here ? new Set([...here.pieces, ...(capsule.value?.bags ?? [])]) : null
})
const foundIn = computed(() =>
  typed.value.trim() ? 'found' : inCapsule.value ? `in ‘${capsule.value?.name}’` : 'in the palette',
)
const wholeRail = () => router.replace({ query: {} })

const bays = computed(() => baysOf(pieces.value, by.value))
const words = computed(() => new Map(pieces.value.map((piece) => [piece.id, wordsOf(piece)])))
const foundIds = computed(
  () =>
    found(pieces.value, typed.value, words.value) ??
    inCapsule.value ??
    (panel.value === 'few' ? inPalette.value : null),
)
const doubtful = computed(() => pieces.value.filter((piece) => piece.doubtful))
const shown = computed(() => byId.value.get(shownId.value ?? '') ?? doubtful.value[0] ?? pieces.value[0])
const { audit, auditProblem, work, workProblem } = useAudit(id, (name) => loaded.value && panel.value === name)
const { map, problem: mapProblem } = useColourMap(id, () => loaded.value && panel.value === 'map')
watch(pieces, () => (chosen.value = new Set([...chosen.value].filter((one) => byId.value.has(one)))))

/** What a key or a word is meant for: what is chosen, or the piece that is shown. */
const meant = () => (chosen.value.size ? [...chosen.value] : shown.value ? [shown.value.id] : [])
async function deed(what: { word?: Word; kept?: Kept }, ids = meant()) {
  if (!ids.length) return
  const done = await change(ids, what)
  if (done) told.value = `${plural(ids.length, 'piece')} changed. Ctrl+Z takes it back.`
}
async function sayAndGoOn(ids: string[], word: Word) {
  const wasInDoubt = shown.value?.doubtful === true && ids.length === 1 && ids[0] === shown.value.id
  await deed({ word }, ids)
  if (wasInDoubt && doubtful.value.length) nextInDoubt()
}
function nextInDoubt() {
  const all = doubtful.value
  const at = all.findIndex((piece) => piece.id === shown.value?.id)
  const next = all[(at + 1) % all.length]
  if (!next) return
  shownId.value = next.id
  void nextTick(() => wall.value?.focusOn(next.id))
}
function choose(ids: string[], add: boolean) {
  const next = new Set(chosen.value)
  for (const one of ids) if (add || !next.delete(one)) next.add(one)
  chosen.value = next
  shownId.value = ids.at(-1) ?? shownId.value
}
function move(ids: string[], to: Move) {
  if ('bin' in to) void deed({ word: { bin: to.bin } }, ids)
  else if ('verdict' in to) void deed({ kept: { verdict: to.verdict } }, ids)
  else if ('season' in to) void deed({ kept: { seasons: [to.season] } }, ids)
  else void deed({ kept: { uses: [to.use] } }, ids)
}
function makeSet() {
  const some = [...chosen.value].flatMap((one) => byId.value.get(one) ?? [])
  const first = some[0]
  if (!first) return
  const parted = some.every((piece) => piece.kept.set && piece.kept.set === first.kept.set)
  void deed({
    kept: {
      set: parted
        ? ''
        : (some.find((piece) => piece.kept.set)?.kept.set ?? `with the ${first.label.toLowerCase()}`.slice(0, 80)),
    },
  })
}
function twoFaces() {
  const [first, second, ...more] = [...chosen.value]
  if (first && second && byId.value.get(first)?.kept.other_face === second)
    void deed({ kept: { other_face: null } }, [first, second])
  else if (first && second && !more.length) void joinFaces(first, second)
  else told.value = 'Choose the two faces of one piece first.'
}
function startLook() {
  if (chosen.value.size)
    void router.push({ name: 'looks', params: { client: id.value }, query: { start: [...chosen.value].join(',') } })
}
const sendToWall = (query: Record<string, string>) =>
  void router.push({ name: 'make', params: { client: id.value }, query })
const makeLooks = () => sendToWall({ start: [...chosen.value].join(',') })
const manyWays = () => shown.value && sendToWall({ start: shown.value.id, ways: '1' })
const school = (neutrals: 'broad' | 'strict') => sayOfClient({ neutrals })
const say = (one: string, bin: Bin) => void sayAndGoOn([one], { bin })
const nearer = (step: number) => (zoom.value = Math.min(ZOOMS.length - 1, Math.max(0, zoom.value + step)))
useRailKeys({
  say: (word) => void sayAndGoOn(meant(), word),
  keep: (kept) => void deed({ kept }),
  startLook,
  makeLooks,
  manyWays,
  makeSet,
  joinFaces: twoFaces,
  nextInDoubt,
  whatTheyAre: () => (panel.value = 'what'),
  hangsRight: () => shown.value && say(shown.value.id, shown.value.sort.bin),
  find: () => search.value?.focus(),
  zoom: nearer,
  chooseAll: () => (chosen.value = new Set(foundIds.value ?? byId.value.keys())),
  putBack: () => {
    chosen.value = new Set()
    typed.value = ''
  },
  undo: () => void undo(),
  redo: () => void redo(),
})
function goThroughDoubtful() {
  panel.value = 'doubt'
  nextInDoubt()
}
function show(one: string) {
  shownId.value = one
  wall.value?.focusOn(one)
}
</script>

<template>
  <section class="view">
    <div class="title">
      <h1>The rail</h1>
      <p v-if="loaded" class="soft">
        {{ plural(pieces.length, 'piece')
        }}<template v-if="foundIds">
          · <strong>{{ foundIds.size }} {{ foundIn }}</strong
          ><template v-if="inCapsule">
            <NButton text class="word link" @click="wholeRail">the whole rail</NButton></template
          ></template
        ><template v-if="doubtful.length">
          ·
          <NButton text class="word link" @click="goThroughDoubtful()">
            {{ doubtful.length }} in doubt
          </NButton></template
        >
      </p>
      <label class="find"
        ><span class="visually-hidden">Find by words</span
        ><NInput ref="search" v-model:value="typed" clearable placeholder="navy not print" @keydown.escape="typed = ''"
      /></label>
      <span class="zoom" role="group" aria-label="Distance">
        <NButton text class="word" aria-label="Farther: the whole wall" :disabled="zoom === 0" @click="nearer(-1)">
          wall
        </NButton>
        <SlideField
          class="near"
          :value="zoom"
          :max="ZOOMS.length - 1"
          label="From the wall to the cloth"
          @change="zoom = $event"
        />
        <NButton
          text
          class="word"
          aria-label="Nearer: the cloth"
          :disabled="zoom === ZOOMS.length - 1"
          @click="nearer(1)"
        >
          cloth
        </NButton>
      </span>
      <p class="by">
        hang by
        <NButton text v-for="way in WAYS" :key="way.by" class="word" :aria-pressed="by === way.by" @click="by = way.by">
          {{ way.word }}
        </NButton>
      </p>
    </div>
    <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
    <div v-if="loaded && !pieces.length" class="tile empty">
      <p>Nothing hangs here yet. Photograph each piece on its own, on a plain ground, and take the photos in.</p>
      <LinkButton firm :to="{ name: 'intake', params: { client: id } }">Take photos in</LinkButton>
    </div>
    <div class="room" :class="{ bare: !pieces.length }">
      <RailWall
        v-if="pieces.length"
        ref="wall"
        class="wall"
        :bays="bays"
        :chosen="chosen"
        :shown-id="shown?.id ?? null"
        :found-ids="foundIds"
        :zoom="ZOOMS[zoom] ?? 1"
        @show="shownId = $event"
        @choose="choose"
        @move="move"
        @stuck="told = 'What is measured cannot be moved by hand. Hang by sort, use, season or verdict to move pieces.'"
      />
      <PieceCard
        v-if="shown"
        class="card"
        :piece="shown"
        :client="client"
        @word="deed({ word: $event }, [shown.id])"
        @kept="deed({ kept: $event }, [shown.id])"
        @show="show"
        @take-off="takeOff([shown.id])"
        @worn-today="wear(shown.id, dayOf(new Date()))"
      />
      <section class="tile below" aria-label="The audit">
        <TabRow class="panels" :tabs="tabs" :shown="panel" label="Audit" @show="panel = $event" />
        <div class="panel">
          <template v-if="panel === 'made'"
            ><ProblemNote v-if="auditProblem" :problem="auditProblem" /><MadeOf
              v-if="audit && pieces.length"
              :audit="audit"
              :by-id="byId"
              @show="shownId = $event"
              @find="typed = $event"
          /></template>
          <template v-else-if="panel === 'work'"
            ><ProblemNote v-if="workProblem" :problem="workProblem" /><WorkingHard
              v-if="work"
              :work="work"
              :pieces="pieces"
              :client-id="id"
              @show="shownId = $event"
            />
            <p v-else role="status" class="soft">Counting the looks…</p></template
          >
          <template v-else-if="panel === 'map'"
            ><ProblemNote v-if="mapProblem" :problem="mapProblem" /><ColourPlaces
              v-if="map && pieces.length"
              :map="map"
              :rail="pieces"
              :shown="shown?.id ?? null"
              @show="shownId = $event"
          /></template>
          <FewColours
            v-else-if="panel === 'few'"
            :key="id"
            :client-id="id"
            :by-id="byId"
            @show="shownId = $event"
            @inside="inPalette = $event"
          />
          <InDoubt
            v-else-if="panel === 'doubt'"
            :pieces="doubtful"
            :shown-id="shown?.id ?? null"
            @show="shownId = $event"
            @say="say"
          />
          <WhatTheyAre
            v-else-if="panel === 'what'"
            :key="id"
            :client-id="id"
            :by-id="byId"
            :chosen="[...chosen]"
            @show="show"
            @word="(ids, word) => deed({ word }, ids)"
            @kept="(ids, kept) => deed({ kept }, ids)"
          />
          <OwnBorders v-else-if="panel === 'borders' && client" :client="client" @school="school" />
          <InAndOut v-else-if="panel === 'inout'" :client-id="id" />
          <PastChanges v-else-if="panel === 'past'" :client-id="id" @undo="undo" @redo="redo" />
        </div>
      </section>
    </div>
    <footer class="foot">
      <template v-if="chosen.size">
        <strong>{{ plural(chosen.size, 'piece') }} chosen</strong>
        <NButton type="primary" @click="startLook">Start a look <kbd>L</kbd></NButton>
        <NButton @click="makeLooks">Make looks <kbd>D</kbd></NButton>
        <NButton @click="makeSet">A set <kbd>S</kbd></NButton>
        <NButton @click="panel = 'what'">One word <kbd>I</kbd></NButton>
        <NButton @click="chosen = new Set()">Put back <kbd>Esc</kbd></NButton>
      </template>
      <span role="status" class="soft">{{ told }}</span>
      <KeysHelp class="keys" :keys="RAIL_KEYS" />
    </footer>
  </section>
</template>

<style scoped>
.view {
  height: 100%;
  padding: 14px 24px 8px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.title {
  display: flex;
  align-items: baseline;
  gap: 6px 16px;
  flex-wrap: wrap;
}
.by {
  display: flex;
  gap: 0 10px;
  align-items: baseline;
  flex-wrap: wrap;
  margin-left: auto;
}
.zoom {
  display: flex;
  align-items: center;
  gap: 6px;
}
.room {
  flex: 1;
  min-height: 0;
  display: grid;
  gap: 12px 20px;
  grid-template: 'wall wall' minmax(210px, 1fr) 'below card' 362px / minmax(0, 1.9fr) minmax(330px, 1fr);
}
.room.bare {
  display: block;
}
.wall {
  grid-area: wall;
}
.card {
  grid-area: card;
}
.below {
  grid-area: below;
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
  padding: 8px 16px 10px;
}
.panel {
  overflow: auto;
  min-height: 0;
}
.foot {
  display: flex;
  align-items: center;
  gap: 14px;
  min-height: 34px;
}
.foot .keys {
  margin-left: auto;
}
.foot .button {
  min-height: 32px;
  padding: 3px 12px;
}
.link {
  text-decoration: underline;
  padding: 0;
}
@media (max-width: 1100px) {
  .room {
    grid-template-columns: minmax(0, 1.4fr) minmax(320px, 1fr);
  }
}
@media (max-height: 700px) {
  .room {
    grid-template-rows: minmax(170px, 1fr) 270px;
  }
}
.find .n-input {
  width: 152px;
}
.zoom .near {
  width: 64px;
}
</style>
