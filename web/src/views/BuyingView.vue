<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useDropZone } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Candidate, CandidateBody, Gap, NeutralMark, Word } from '@/api'
import EmptyStart from '@/components/base/EmptyStart.vue'
import KeysHelp from '@/components/base/KeysHelp.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import TabRow from '@/components/base/TabRow.vue'
import AtTheFace from '@/components/buying/AtTheFace.vue'
import ByEye from '@/components/buying/ByEye.vue'
import CandidateForm from '@/components/buying/CandidateForm.vue'
import EmptyHooks from '@/components/buying/EmptyHooks.vue'
import LooksWithIt from '@/components/buying/LooksWithIt.vue'
import TheWord from '@/components/buying/TheWord.vue'
import TwoTogether from '@/components/buying/TwoTogether.vue'
import WishList from '@/components/buying/WishList.vue'
import ChooseFile from '@/components/fields/ChooseFile.vue'
import PhotoStage, { type Tool } from '@/components/intake/PhotoStage.vue'
import ColourPlaces from '@/components/rail/ColourPlaces.vue'
import { useKeys } from '@/composables/useKeys'
import { candidateName, knownWithin } from '@/lib/buying'
import { firstProblem } from '@/server/firstProblem'
import { useCandidates, useConsidered, useJudgedAnew, useTogether } from '@/server/useCandidates'
import { useClient } from '@/server/useClient'
import { KINDS, useColourMap, useGaps } from '@/server/useGaps'
import { usePieces } from '@/server/useRail'

type Tab = 'candidate' | 'missing' | 'map'
const TABS: { name: Tab; word: string }[] = [
  { name: 'candidate', word: 'The candidate' },
  { name: 'missing', word: 'What is missing' },
  { name: 'map', word: 'The map' },
]
const route = useRoute()
const router = useRouter()
const { id, client, problem: clientProblem } = useClient()
const { pieces: rail, problem: railProblem } = usePieces(id)
const { candidates, loaded, refused, problem: listProblem, ...deeds } = useCandidates(id)

const openId = computed(() => String(route.params.candidate ?? ''))
const open = computed<Candidate | null>(
  () => candidates.value.find((one) => one.id === openId.value) ?? candidates.value[0] ?? null,
)
const besideId = ref<string | null>(null)
const beside = computed(
  () => candidates.value.find((one) => one.id === besideId.value && one.id !== open.value?.id) ?? null,
)
const tab = ref<Tab>(route.query.show === 'missing' ? 'missing' : 'candidate')
const eye = ref(false)
const seeing = ref(false)
const tool = ref<Tool>('look')
const squint = ref(false)
const said = ref('')
/** The candidate that goes at the next press of the same key. */
const going = ref<string | null>(null)

/** What decides what is said, beside the candidates themselves. */
const stamp = computed(() =>
  JSON.stringify([
    rail.value.map((one) => [one.id, one.kept.verdict, one.kept.fits, one.sort, one.colours.map((c) => c.lab)]),
    client.value?.about,
    client.value?.neutrals,
    client.value?.face,
  ]),
)
const { considered, problem: judgeProblem, asking } = useConsidered(id, open)
const { considered: other, problem: otherProblem } = useConsidered(id, beside)
useJudgedAnew(id, candidates, stamp)
const { together, problem: togetherProblem } = useTogether(id, open, beside)
const {
  found: gaps,
  pair,
  done,
  busy,
  problem: gapProblem,
  stop,
} = useGaps(
  id,
  computed(() => tab.value !== 'candidate' && rail.value.length > 0),
  stamp,
)
const { map, problem: mapProblem } = useColourMap(id, () => tab.value === 'map')
const problem = firstProblem(
  clientProblem, railProblem, listProblem, judgeProblem, otherProblem, togetherProblem, gapProblem, mapProblem,
) // prettier-ignore
const noted = computed(
  () =>
    new Set(
      candidates.value.filter((one) => one.source === 'gap').map((one) => (one.piece?.label ?? '').toLowerCase()),
    ),
)

watch(openId, () => {
  tool.value = 'look'
  seeing.value = false
  going.value = null
})
function show(candidate: string) {
  tab.value = 'candidate'
  if (candidate === besideId.value) besideId.value = null
  void router.replace({ name: 'before-buying', params: { client: id.value, candidate } })
}
function walk(step: number) {
  const at = candidates.value.findIndex((one) => one.id === open.value?.id)
  const next = candidates.value[at + step]
  if (next) show(next.id)
}
function hold(candidate: string | null = null) {
  const free = candidates.value.filter((one) => one.piece && one.id !== open.value?.id)
  const next = candidate ?? free[0]?.id ?? null
  besideId.value = besideId.value === next ? null : next
  tab.value = 'candidate'
  seeing.value = false
}

const photos = ref<InstanceType<typeof ChooseFile> | null>(null)
const screens = ref<InstanceType<typeof ChooseFile> | null>(null)
const page = ref<HTMLElement | null>(null)
const { isOverDropZone } = useDropZone(page, { onDrop: (files) => void take([...(files ?? [])], false) })
async function take(files: File[], off_a_screen: boolean) {
  if (!files.length) return
  const first = await deeds.send(files, off_a_screen)
  if (first) show(first)
}
async function note(body: CandidateBody) {
  const one = await deeds.note(body)
  if (!one) return
  eye.value = false
  show(one.id)
}
async function byReader(word: Word) {
  const one = await deeds.byReader(word)
  if (one) show(one.id)
}
async function lookFor(gap: Gap) {
  const label = gap.name.charAt(0).toUpperCase() + gap.name.slice(1)
  const { category, pattern, finish, colours, within: uncertainty } = gap
  const word = { category, label, ...(pattern === 'solid' ? {} : { pattern }), ...(finish.length ? { finish } : {}) }
  const one = await deeds.note({ source: 'gap', word, colours, uncertainty, seen_at: '' })
  if (one) said.value = `${label} is on the wish list.`
}
async function buy() {
  const one = open.value
  if (!one?.piece) return
  const piece = await deeds.buy(one.id)
  if (piece) said.value = `${piece.label} hangs on the rail, with the ${piece.sort.bin}s. Ctrl+Z takes it back.`
}
async function letGo() {
  const one = open.value
  if (!one) return
  if (going.value !== one.id) {
    going.value = one.id
    said.value = `Nothing of ${candidateName(one)} will be left. Once more to let it go.`
    return
  }
  if (await deeds.letGo(one.id)) said.value = `${candidateName(one)} is let go, with its picture and all that was said.`
}
async function step(way: 'undo' | 'redo') {
  if (way === 'undo' && tool.value !== 'look' && open.value?.photo?.strokes) {
    await deeds.undoStroke(open.value.photo.id)
    return
  }
  const done = await deeds[way]()
  if (done) said.value = `${way === 'undo' ? 'Taken back' : 'Done again'}: ${done.told}.`
}
function see() {
  if (open.value?.photo?.pictures.as_shot) seeing.value = !seeing.value
  tool.value = 'look'
}
function pick(wanted: Tool) {
  if (!open.value?.photo?.pictures.as_shot) return
  seeing.value = true
  tool.value = tool.value === wanted ? 'look' : wanted
}
function tapped(neutral: NeutralMark) {
  if (open.value?.photo) void deeds.relight(open.value.photo.id, neutral)
  tool.value = 'look'
}
async function tile() {
  if (await deeds.calibrate()) said.value = 'The reader is calibrated on its tile.'
}
useKeys(() => ({
  a: () => photos.value?.ask(),
  s: () => screens.value?.ask(),
  y: () => (eye.value = !eye.value),
  b: () => hold(),
  v: see,
  l: () => pick('neutral'),
  o: () => pick('cloth'),
  e: () => pick('not cloth'),
  q: () => pick('box'),
  g: () => (tab.value = tab.value === 'missing' ? 'candidate' : 'missing'),
  m: () => (tab.value = tab.value === 'map' ? 'candidate' : 'map'),
  space: () => (squint.value = !squint.value),
  enter: () => void buy(),
  x: () => void letGo(),
  arrowdown: () => walk(1),
  arrowup: () => walk(-1),
  escape: () => {
    if (tool.value !== 'look') tool.value = 'look'
    else if (seeing.value) seeing.value = false
    else if (tab.value !== 'candidate') tab.value = 'candidate'
    else besideId.value = null
  },
  'ctrl+z': () => void step('undo'),
  'ctrl+y': () => void step('redo'),
}))
const KEYS: [string, string][] = [
  ['A', 'a photo of a piece that may be bought'],
  ['S', 'a picture off a screen'],
  ['Y', 'by eye, or with the colour reader'],
  ['↑ ↓', 'along the wish list'],
  ['B', 'hold the next one beside'],
  ['V', 'its photo: L relight, O cloth, E not cloth, Q box'],
  ['G', 'what is missing on the rail'],
  ['M', 'the map of colours'],
  ['↵', 'bought: it hangs'],
  ['X', 'twice: let it go, with its picture'],
  ['Space', 'squint'],
  ['Ctrl+Z', 'take back, Ctrl+Y do again'],
  ['?', 'these keys'],
]
const HINTS: Partial<Record<Tool, string>> = {
  neutral: 'Tap something white or grey in the photo.',
  cloth: 'Draw over cloth that was left out.',
  'not cloth': 'Draw over what is not cloth.',
  box: 'Draw a box round the piece.',
}
</script>

<template>
  <div ref="page" class="buying" :class="{ over: isOverDropZone }">
    <aside class="left">
      <div class="head">
        <h2>Before buying</h2>
        <KeysHelp :keys="KEYS" />
      </div>
      <div class="add" role="group" aria-label="Add a candidate">
        <ChooseFile ref="photos" accept="image/*,.heic,.heif" several label="Add a photo" @files="take($event, false)"
          >Photo <kbd>A</kbd></ChooseFile
        >
        <ChooseFile
          ref="screens"
          accept="image/*"
          several
          label="Add a picture off a screen"
          @files="take($event, true)"
          >Screen <kbd>S</kbd></ChooseFile
        >
        <NButton :aria-expanded="eye" @click="eye = !eye">By eye <kbd>Y</kbd></NButton>
      </div>
      <ByEye v-if="eye" @note="note" @reader="byReader" @close="eye = false" />
      <h3 v-if="candidates.length">Wish list</h3>
      <WishList
        :candidates="candidates"
        :open="open?.id ?? null"
        :beside="beside?.id ?? null"
        @open="show"
        @beside="hold"
      />
    </aside>
    <section class="middle" aria-label="The candidate">
      <TabRow class="tabs" :tabs="TABS" :shown="tab" label="Before buying" @show="tab = $event" />
      <EmptyHooks
        v-if="tab === 'missing'"
        :gaps="gaps"
        :pair="pair"
        :share="done / KINDS.length"
        :busy="busy"
        :noted="noted"
        @look="lookFor"
        @stop="stop"
      />
      <ColourPlaces
        v-else-if="tab === 'map' && map"
        class="map"
        :map="map"
        :rail="rail"
        :candidates="candidates"
        :gaps="gaps.slice(0, 8)"
        :shown="open?.id ?? null"
        @show="candidates.some((one) => one.id === $event) && show($event)"
      />
      <template v-else-if="tab === 'candidate' && open && client">
        <div v-if="seeing && open.photo" class="photo">
          <PhotoStage
            :photo="open.photo"
            shown="as shot"
            :tool="tool"
            @neutral="tapped"
            @stroke="deeds.stroke(open.photo.id, $event)"
          />
          <p class="tools">
            <NButton text class="word" :aria-pressed="tool === 'neutral'" @click="pick('neutral')"
              >relight <kbd>L</kbd></NButton
            >
            <NButton text class="word" :aria-pressed="tool === 'cloth'" @click="pick('cloth')"
              >cloth <kbd>O</kbd></NButton
            >
            <NButton text class="word" :aria-pressed="tool === 'not cloth'" @click="pick('not cloth')"
              >not cloth <kbd>E</kbd></NButton
            >
            <NButton text class="word" :aria-pressed="tool === 'box'" @click="pick('box')">box <kbd>Q</kbd></NButton>
            <span>{{ HINTS[tool] ?? '' }}</span>
          </p>
        </div>
        <TwoTogether
          v-else-if="beside"
          :client="client"
          :one="open"
          :other="beside"
          :of-one="considered"
          :of-other="other"
          :together="together"
        />
        <template v-else>
          <AtTheFace class="face" :candidate="open" :client="client" :considered="considered" :brief="false" />
          <LooksWithIt
            v-if="considered?.looks.length"
            :key="open.id"
            class="looks"
            :client-id="id"
            :client="client"
            :candidate="open"
            :considered="considered"
            :rail="rail"
            :squint="squint"
            @squint="squint = !squint"
          />
        </template>
      </template>
      <EmptyStart v-else-if="tab === 'candidate' && loaded" title="What may be bought?">
        A photo from the shop, a picture off a screen, or its colour by eye: what it opens on this rail is counted, and
        said in a plain word.
        <template #start>
          <NButton type="primary" @click="photos?.ask()">Choose a photo <kbd>A</kbd></NButton>
          <NButton @click="tab = 'missing'">What is missing? <kbd>G</kbd></NButton>
        </template>
      </EmptyStart>
    </section>
    <aside class="right" aria-label="The word">
      <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
      <NButton v-if="problem?.where === 'reader'" type="primary" @click="tile()">It is on its tile: calibrate</NButton>
      <ProblemNote
        v-for="(one, index) in refused"
        :key="index"
        :problem="one.problem!"
        closable
        @close="refused.splice(index, 1)"
      />
      <p class="soft said" role="status">{{ said }}</p>
      <template v-if="open">
        <h2>{{ candidateName(open) }}</h2>
        <p class="soft">
          {{ open.source
          }}<template v-if="open.photo?.pictures.as_shot">
            · <NButton text class="word" :aria-pressed="seeing" @click="see">its photo <kbd>V</kbd></NButton></template
          >
        </p>
        <p v-if="open.piece" class="soft">{{ knownWithin(open) }}</p>
        <ProblemNote v-if="open.photo?.problem" :problem="open.photo.problem" />
        <p v-else-if="open.photo && !open.photo.reading" role="status">{{ open.photo.stage || 'waits to be read' }}…</p>
        <p v-else-if="!open.piece" role="status">Say what it is, then it is weighed.</p>
        <p v-else-if="!considered" role="status">{{ asking ? 'Counting the looks it opens…' : '' }}</p>
        <TheWord v-else :candidate="open" :considered="considered" :rail="rail" @seen="deeds.seen(open.id)" />
        <p v-if="open.piece" class="acts">
          <NButton type="primary" @click="buy">Bought: hang it <kbd>↵</kbd></NButton>
          <NButton @click="letGo">{{ going === open.id ? 'Really let it go' : 'Let it go' }} <kbd>X</kbd></NButton>
        </p>
        <p v-else class="acts">
          <NButton @click="letGo">{{ going === open.id ? 'Really let it go' : 'Let it go' }} <kbd>X</kbd></NButton>
        </p>
        <p v-if="open.piece" class="soft">
          To take to the shops: <a :href="`/api/candidates/${open.id}/card.pdf`" download>a card to print</a>,
          <a :href="`/api/candidates/${open.id}/card.png`" download>a picture for the telephone</a>
        </p>
        <CandidateForm :key="open.id" :candidate="open" @say="deeds.say(open.id, $event)" />
      </template>
    </aside>
  </div>
</template>

<style scoped>
.buying {
  height: 100%;
  display: grid;
  grid-template-columns: 232px minmax(0, 1fr) 340px;
  position: relative;
}
@media (max-width: 1150px) {
  .buying {
    grid-template-columns: 204px minmax(0, 1fr) 300px;
  }
}
.over::after {
  content: 'Let go to weigh it';
  position: absolute;
  inset: 10px;
  border: 3px dashed var(--ink);
  display: grid;
  place-content: center;
  background: var(--paper);
  opacity: 0.9;
  pointer-events: none;
}
.left,
.right {
  overflow: auto;
  padding: 14px 16px;
  display: flex;
  flex-direction: column;
  gap: 8px;
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
}
.add {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
}
.add > :last-child {
  grid-column: 1 / -1;
}
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin-top: 4px;
}
.middle {
  background: var(--cloth);
  color: var(--on-cloth);
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.tabs {
  padding: 4px 18px 0;
  background: var(--paper);
  color: var(--ink);
  border-bottom: 1px solid var(--line);
}
.face {
  flex: 1;
  padding: 0 18px;
}
.looks {
  flex: 1.2;
  padding: 0 18px 6px;
}
.map {
  flex: 1;
  background: var(--paper);
  color: var(--ink);
  padding: 6px 18px 10px;
}
.photo {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
  padding: 12px 18px;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.said:empty {
  display: none;
}
</style>
