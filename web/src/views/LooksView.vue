<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Asking, Intent, KeptLook, Mend, Piece, Schools, StageBody, Turned, Worn } from '@/api'
import EmptyStart from '@/components/base/EmptyStart.vue'
import LinkButton from '@/components/base/LinkButton.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import AboutLook from '@/components/look/AboutLook.vue'
import BesideVerdicts from '@/components/look/BesideVerdicts.vue'
import BySchool from '@/components/look/BySchool.vue'
import GoesHere from '@/components/look/GoesHere.vue'
import HoldBeside from '@/components/look/HoldBeside.vue'
import KeepLook from '@/components/look/KeepLook.vue'
import KeptLooks from '@/components/look/KeptLooks.vue'
import LookFoot from '@/components/look/LookFoot.vue'
import LookStage from '@/components/look/LookStage.vue'
import MeasureTapes from '@/components/look/MeasureTapes.vue'
import SenseNotes from '@/components/look/SenseNotes.vue'
import TheTheme from '@/components/look/TheTheme.vue'
import DayStages from '@/components/make/DayStages.vue'
import TurnTags from '@/components/make/TurnTags.vue'
import { useBeside } from '@/composables/useBeside'
import { useKeeping } from '@/composables/useKeeping'
import { useKeys } from '@/composables/useKeys'
import { EMPTY, useLookDraft } from '@/composables/useLookDraft'
import { useTurning } from '@/composables/useTurning'
import { mended } from '@/lib/beside'
import { capital } from '@/lib/words'
import { asWorn } from '@/lib/worn'
import { firstProblem } from '@/server/firstProblem'
import { useClient, useClientWords } from '@/server/useClient'
import { useFigures } from '@/server/useFigure'
import { usePieces } from '@/server/useRail'
import { useLights, useMissingColours, useVerdict } from '@/server/useVerdict'

const INTENTS: Intent[] = ['tonal', 'contrast', 'accent', 'statement']
const route = useRoute()
const router = useRouter()
const { id, client, problem: clientProblem } = useClient()
const { problem: sayProblem, follow } = useClientWords(id)
const { pieces: rail, loaded, problem: railProblem } = usePieces(id)
const { draft, canUndo, change, undo, redo, keepOnly } = useLookDraft(id)
const onRail = computed(() => draft.value.pieces.filter((one) => rail.value.some((p) => p.id === one)))
const keeping = useKeeping(id, { draft, onRail, change, undo })
const { looks, gone, said, openLook, problem: keepProblem, keepAs, letLookGo, takeBack, about, keepPhoto } = keeping
const intent = computed(() => draft.value.intent)
const rain = ref(false)
const asking = computed<Asking | null>(() => {
  const { worn, formality, warmth, conventions, meant, theme } = draft.value
  const here = Object.fromEntries(Object.entries(worn).filter(([one]) => onRail.value.includes(one)))
  return onRail.value.length
    ? {
        pieces: onRail.value,
        intent: intent.value,
        rain: rain.value,
        worn: here,
        formality,
        warmth,
        conventions,
        meant,
        theme,
      }
    : null
})
const { judged, judging, problem: judgeProblem, dismiss } = useVerdict(id, asking)
/** What is judged, whatever the school. */
const lookKey = computed(() => JSON.stringify({ ...asking.value, conventions: null }))
const seated = computed(() => draft.value.seated ?? client.value?.about.seated ?? false)
const { lights, problem: lightsProblem } = useLights()
const lightName = ref('')
const light = computed(() => lights.value.find((one, index) => index > 0 && one.name === lightName.value) ?? null)
/** What is always on joins every look that has begun. */
const always = computed(() =>
  onRail.value.length ? (client.value?.about.always_on ?? []).filter((one) => !onRail.value.includes(one)) : [],
)
const choosable = computed(() => rail.value.filter((one) => !always.value.includes(one.id)))
const worn = computed(() => asWorn(rail.value, [...onRail.value, ...always.value], draft.value.worn))
const squint = ref(false)
/** Laid out instead of on the figure. */
const flat = ref(false)
const { drawn: figures, problem: drawProblem } = useFigures(
  id,
  computed(() =>
    worn.value.length
      ? [{ pieces: worn.value.map((one) => one.id), worn: draft.value.worn, seated: seated.value }]
      : [],
  ),
  // the verdict is waited for, and both at once would take turns
  () => !judging.value,
)
const drawn = computed(() => figures.value[0] ?? null)
const pointed = ref<string[]>([])

watch(
  loaded,
  (now) => {
    if (!now) return
    keepOnly(rail.value.map((p) => p.id))
    const start = typeof route.query.start === 'string' ? route.query.start.split(',').filter(Boolean) : []
    if (start.length) {
      change({ ...EMPTY, pieces: start })
      void router.replace({ query: {} })
    }
  },
  { immediate: true },
)

function put(piece: Piece) {
  const after = judged.value?.effects[piece.id]?.pieces ?? [piece.id]
  change({ pieces: after })
}
function mend(one: Mend) {
  change({ pieces: mended(onRail.value, one) })
  beside.value = null
}
const firstMend = () => judged.value?.mends[0] && mend(judged.value.mends[0])
function open(look: KeptLook) {
  keeping.open(look)
  beside.value = null
}
const afresh = () => change(EMPTY)
const wear = (piece: Piece, how: Worn) => change({ worn: { ...draft.value.worn, [piece.id]: how } })
const { turningOpen, to, turns, turning, turnedName, problem: turnProblem } = useTurning(id, asking)
const keepTurned = ({ pieces }: Turned) =>
  keeping.keepTurned(pieces, intent.value, turnedName, `${capital(judged.value?.intent ?? '')} look`)
const makeLooks = () =>
  void router.push({
    name: 'make',
    params: { client: id.value },
    query: onRail.value.length === 1 ? { start: onRail.value[0] } : {},
  })
/** A day begins with three stages, so that there is something to change. */
const DAY: StageBody[] = [
  { when: 'morning', warmth: 3, wet: false, time: '' },
  { when: 'noon', warmth: 1, wet: false, time: '' },
  { when: 'evening', formality: 4, wet: false, time: 'evening' },
]
const dayOpen = ref(false)
function openDay() {
  dayOpen.value = !dayOpen.value
  if (dayOpen.value && !draft.value.stages.length) change({ stages: DAY })
}
const { missing, problem: missingProblem, find: findMissing } = useMissingColours(id, asking)

const {
  beside,
  held,
  others,
  findOthers,
  side,
  hereName,
  problem: besideProblem,
  othersProblem,
} = useBeside({ id, client, rail, always, asking, judged, looks, rain, seated })
const problem = firstProblem(
  clientProblem,
  sayProblem,
  railProblem,
  keepProblem,
  judgeProblem,
  lightsProblem,
  missingProblem,
  othersProblem,
  drawProblem,
  turnProblem,
)
/** A look that another screen sends here. */
watch(
  looks,
  (now) => {
    const sent = now.find((look) => look.id === route.query.look)
    if (!sent) return
    open(sent)
    void router.replace({ query: {} })
  },
  { immediate: true },
)
async function forAll(schools: Schools) {
  if (!(await follow(schools))) return
  change({ conventions: null })
  said.value = `${client.value?.name} follows this school now.`
}

useKeys(() => ({
  b: () => (beside.value = beside.value ? null : judged.value?.mends[0] ? { kind: 'mend' } : null),
  space: () => (squint.value = !squint.value),
  l: () => (flat.value = !flat.value),
  t: () => (turningOpen.value = !turningOpen.value),
  d: makeLooks,
  'ctrl+z': () => void takeBack(),
  'ctrl+y': redo,
  m: firstMend,
  n: afresh,
  k: () => document.getElementById('look-name')?.focus(),
}))
const KEYS: [string, string][] = [
  ['Space', 'squint: see what a room sees'],
  ['T', 'turn it for the day: a notch up, for the evening, for rain'],
  ['D', 'make looks: so many at once'],
  ['L', 'lay the pieces out, and back on the figure'],
  ['M', 'make the change that helps most'],
  ['B', 'hold the look beside that change, and back'],
  ['K', 'name and keep the look'],
  ['N', 'begin a new look'],
  ['Ctrl+Z', 'undo, Ctrl+Y redo'],
  ['← →', 'along the pieces'],
  ['?', 'these keys'],
]
</script>

<template>
  <div class="looks">
    <aside class="left">
      <p class="steps">
        <NButton text class="word" :disabled="!canUndo && !gone" @click="takeBack">undo</NButton>
        <NButton text class="word" @click="afresh">new look</NButton>
        <NButton text class="word" @click="makeLooks">make looks</NButton>
      </p>
      <GoesHere :rail="choosable" :worn="onRail" :judged="judged" @put="put" />
    </aside>
    <section class="middle" aria-label="Figure">
      <DayStages
        v-if="client && dayOpen && asking"
        :client-id="id"
        :client="client"
        :rail="rail"
        :always="always"
        :asking="asking"
        :stages="draft.stages"
        :squint="squint"
        @stages="change({ stages: $event })"
        @wear="change({ pieces: $event })"
      />
      <LookStage
        v-else-if="client && worn.length"
        :client="client"
        :rail="rail"
        :worn="worn"
        :judged="judged"
        :drawn="drawn"
        :beside="side"
        :name="hereName"
        :pointed="pointed"
        :squint="squint"
        :light="light"
        :flat="flat"
        @mend="mend"
        @wear="wear"
      />
      <EmptyStart v-else-if="loaded && rail.length">
        Begin with one piece from the left: a quiet base, or the one thing that shall speak.
      </EmptyStart>
      <EmptyStart v-else-if="loaded">
        The rail is empty, so there is nothing to build from yet.
        <template #start>
          <LinkButton firm :to="{ name: 'intake', params: { client: id } }">Take photos in</LinkButton>
        </template>
      </EmptyStart>
      <LookFoot
        :squint="squint"
        :flat="flat"
        :seated="seated"
        :day="dayOpen"
        :lights="lights"
        :light-name="lightName"
        :keys="KEYS"
        @squint="squint = !squint"
        @flat="flat = !flat"
        @seated="change({ seated: !seated })"
        @day="openDay"
        @light="lightName = $event"
      />
    </section>
    <aside class="right" aria-label="Verdict">
      <ProblemNote v-if="problem" :problem="problem" />
      <h2>{{ draft.name || (judged ? `${capital(judged.intent)} look` : 'A new look') }}</h2>
      <p class="going" role="group" aria-label="Going for">
        <NButton text class="word" :aria-pressed="!intent" @click="change({ intent: null })">
          {{ judged && !intent ? `as read: ${judged.intent}` : 'as read' }}
        </NButton>
        <NButton
          text
          v-for="one in INTENTS"
          :key="one"
          class="word"
          :aria-pressed="intent === one"
          @click="change({ intent: one })"
        >
          {{ one }}
        </NButton>
      </p>
      <HoldBeside
        v-if="judged"
        :mend="judged.mends[0] ?? null"
        :looks="looks.filter((one) => one.id !== draft.keptAs)"
        :clients="others"
        :beside="beside"
        @choosing="findOthers"
        @beside="beside = $event"
      />
      <ProblemNote v-if="besideProblem" :problem="besideProblem" />
      <template v-if="judged && side">
        <BesideVerdicts
          v-if="side.judged"
          :before="judged"
          :after="side.judged"
          :before-name="hereName"
          :after-name="side.name"
          @point="pointed = $event"
        />
        <NButton v-if="held" @click="mend(held)"><kbd>M</kbd> make this change</NButton>
      </template>
      <MeasureTapes
        v-else-if="judged"
        :judged="judged"
        :missing="missing"
        :meant="draft.meant"
        @point="pointed = $event"
        @why="findMissing"
        @mean="change({ meant: $event })"
      />
      <TurnTags
        v-if="judged && turningOpen"
        :to="to"
        :turns="turns"
        :turning="turning"
        :overall="judged.overall"
        @to="to = $event"
        @wear="change({ pieces: $event.pieces })"
        @keep="keepTurned"
        @point="pointed = $event"
      />
      <TheTheme
        v-if="judged"
        :theme="draft.theme"
        :carried="judged.theme"
        :rail="rail"
        @theme="change({ theme: $event })"
        @point="pointed = $event"
      />
      <SenseNotes
        v-if="judged"
        :notes="judged.notes"
        :rain="rain"
        :formality="draft.formality"
        :warmth="draft.warmth"
        @rain="rain = $event"
        @formality="change({ formality: $event })"
        @warmth="change({ warmth: $event })"
        @dismiss="dismiss"
        @point="pointed = $event"
      />
      <BySchool
        v-if="judged && client"
        :judged="judged"
        :own="draft.conventions"
        :look="lookKey"
        :client="client.name"
        @school="change({ conventions: $event })"
        @for-all="forAll"
        @point="pointed = $event"
      />
      <AboutLook
        v-if="openLook"
        :look="openLook"
        :looks="looks"
        @kept="about"
        @open="open"
        @photo="openLook && keepPhoto(openLook.id, $event)"
      />
      <KeptLooks :looks="looks" :rail="rail" :open="draft.keptAs" @open="open" @let-go="letLookGo" />
      <div class="keeping">
        <KeepLook
          :name="draft.name"
          :kept="!!openLook"
          :empty="!onRail.length"
          @keep="keepAs($event)"
          @another="keepAs($event, true)"
        />
        <p class="soft" role="status">{{ said }}</p>
      </div>
    </aside>
  </div>
</template>

<style scoped>
.looks {
  height: 100%;
  display: grid;
  grid-template-columns: 288px minmax(0, 1fr) 362px;
}
@media (max-width: 1150px) {
  .looks {
    grid-template-columns: 216px minmax(0, 1fr) 300px;
  }
}
.left {
  position: relative;
  background: var(--panel);
  border-right: 1px solid var(--line);
  overflow: auto;
}
.middle {
  background: var(--cloth);
  color: var(--on-cloth);
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.middle > :first-child {
  flex: 1;
  min-height: 0;
}
.right {
  background: var(--paper);
  border-left: 1px solid var(--line);
  overflow: auto;
  padding: 14px 18px 0;
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.going {
  display: flex;
  flex-wrap: wrap;
  gap: 0 9px;
  align-items: baseline;
  font-size: 13px;
  color: var(--soft);
}
.going .word {
  padding-inline: 0;
}
.steps {
  display: flex;
  justify-content: flex-end;
  gap: 14px;
  padding: 8px 16px 0 20px;
  font-size: 13px;
}
.keeping {
  position: sticky;
  bottom: 0;
  margin: auto -18px 0;
  padding: 10px 18px 8px;
  border-top: 1px solid var(--line);
  background: var(--paper);
  z-index: 2;
}
.keeping .soft {
  min-height: 18px;
  font-size: 13px;
}
</style>
