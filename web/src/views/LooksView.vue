<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Intent, KeptLook, LookKept, Mend, Piece } from '@/api'
import KeysHelp from '@/components/base/KeysHelp.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import AboutLook from '@/components/look/AboutLook.vue'
import GoesHere from '@/components/look/GoesHere.vue'
import KeepLook from '@/components/look/KeepLook.vue'
import KeptLooks from '@/components/look/KeptLooks.vue'
import LookFigure from '@/components/look/LookFigure.vue'
import MeasureTapes from '@/components/look/MeasureTapes.vue'
import SenseNotes from '@/components/look/SenseNotes.vue'
import { useClient } from '@/composables/useClient'
import { useKeptLooks } from '@/composables/useKeptLooks'
import { useKeys } from '@/composables/useKeys'
import { useLookDraft } from '@/composables/useLookDraft'
import { useRail } from '@/composables/useRail'
import { useSurround } from '@/composables/useSurround'
import { useVerdict } from '@/composables/useVerdict'
import type { Surround } from '@/theme'
import { capital } from '@/lib/words'

const INTENTS: Intent[] = ['tonal', 'contrast', 'accent', 'statement']
const SURROUNDS: Surround[] = ['day', 'judging', 'evening']
const route = useRoute()
const router = useRouter()
const surround = useSurround()
const { id, client, problem: clientProblem } = useClient()
const { pieces: rail, loaded, problem: railProblem } = useRail(id)
const { draft, canUndo, change, undo, redo, keepOnly } = useLookDraft(id)
const { looks, problem: keepProblem, keep, keepAbout, letGo } = useKeptLooks(id)
const onRail = computed(() => draft.value.pieces.filter((one) => rail.value.some((p) => p.id === one)))
const intent = computed(() => draft.value.intent)
const rain = ref(false)
const { judged, problem: judgeProblem, dismiss } = useVerdict(id, onRail, intent, rain)
/** What is always on joins every look that has begun. */
const always = computed(() => (onRail.value.length ? (client.value?.about.always_on ?? []).filter((one) => !onRail.value.includes(one)) : []))
const choosable = computed(() => rail.value.filter((one) => !always.value.includes(one.id)))
const worn = computed(() => [...onRail.value, ...always.value].flatMap((one) => rail.value.find((p) => p.id === one) ?? []))
const squint = ref(false)
const pointed = ref<string[]>([])
const said = ref('')
const problem = computed(() => clientProblem.value ?? railProblem.value ?? keepProblem.value ?? judgeProblem.value)

watch(loaded, (now) => {
  if (!now) return
  keepOnly(rail.value.map((p) => p.id))
  const start = typeof route.query.start === 'string' ? route.query.start.split(',').filter(Boolean) : []
  if (start.length) {
    change({ pieces: start, name: '', keptAs: null, intent: null })
    void router.replace({ query: {} })
  }
}, { immediate: true })

function put(piece: Piece) {
  const after = judged.value?.effects[piece.id]?.pieces ?? [piece.id]
  change({ pieces: after })
}
function mend(one: Mend) {
  const target = one.do === 'swap' ? one.with : one.piece
  const piece = rail.value.find((p) => p.id === target)
  if (one.do === 'remove') change({ pieces: onRail.value.filter((p) => p !== one.piece) })
  else if (piece && one.do === 'swap') change({ pieces: onRail.value.map((p) => (p === one.piece ? piece.id : p)) })
  else if (piece) change({ pieces: [...onRail.value, piece.id] })
}
const firstMend = () => judged.value?.mends[0] && mend(judged.value.mends[0])
const open = (look: KeptLook) => change({ pieces: look.pieces, intent: look.intent, name: look.name, keptAs: look.id })
const afresh = () => change({ pieces: [], intent: null, name: '', keptAs: null })
const openLook = computed(() => looks.value.find((look) => look.id === draft.value.keptAs) ?? null)
/** Another one is a variation of the look that is open. */
async function keepAs(name: string, another = false) {
  const parent = another && openLook.value ? { parent: openLook.value.kept.parent ?? openLook.value.id } : undefined
  const kept = await keep({ ...draft.value, pieces: onRail.value, name, keptAs: another ? null : draft.value.keptAs }, parent)
  if (kept) {
    change({ name: kept.name, keptAs: kept.id })
    said.value = `Kept as ${kept.name}.`
  }
}
const about = (what: LookKept) => openLook.value && void keepAbout(openLook.value.id, what)
useKeys(() => ({
  space: () => (squint.value = !squint.value),
  'ctrl+z': undo,
  'ctrl+y': redo,
  m: firstMend,
  n: afresh,
  k: () => document.getElementById('look-name')?.focus(),
}))
const KEYS: [string, string][] = [
  ['Space', 'squint: see what a room sees'], ['M', 'make the change that helps most'], ['K', 'name and keep the look'], ['N', 'begin a new look'],
  ['Ctrl+Z', 'undo, Ctrl+Y redo'], ['← →', 'along the pieces'], ['?', 'these keys'],
]
</script>

<template>
  <div class="looks">
    <aside class="left">
      <GoesHere :rail="choosable" :worn="onRail" :judged="judged" @put="put" />
    </aside>
    <section class="middle" aria-label="Figure">
      <LookFigure v-if="client && worn.length" :client="client" :rail="rail" :worn="worn" :judged="judged" :pointed="pointed" :squint="squint" @mend="mend" />
      <div v-else-if="loaded" class="empty">
        <p v-if="rail.length">Begin with one piece from the left: a quiet base, or the one thing that shall speak.</p>
        <template v-else>
          <p>The rail is empty, so there is nothing to build from yet.</p>
          <RouterLink class="button firm" :to="{ name: 'intake', params: { client: id } }">Take photos in</RouterLink>
        </template>
      </div>
      <div class="foot">
        <button class="word" type="button" :aria-pressed="squint" @click="squint = !squint"><kbd>Space</kbd> squint</button>
        <button class="word" type="button" :disabled="!canUndo" @click="undo"><kbd>Ctrl+Z</kbd> undo</button>
        <button class="word" type="button" @click="afresh"><kbd>N</kbd> new look</button>
        <span class="around">surround <button v-for="one in SURROUNDS" :key="one" class="word" type="button" :aria-pressed="surround === one" @click="surround = one">{{ one }}</button></span>
        <KeysHelp :keys="KEYS" />
      </div>
    </section>
    <aside class="right" aria-label="Verdict">
      <ProblemNote v-if="problem" :problem="problem" />
      <h2>{{ draft.name || (judged ? `${capital(judged.intent)} look` : 'A new look') }}</h2>
      <p class="going">
        going for
        <button class="word" type="button" :aria-pressed="!intent" @click="change({ intent: null })">{{ judged && !intent ? `as read: ${judged.intent}` : 'as read' }}</button>
        <button v-for="one in INTENTS" :key="one" class="word" type="button" :aria-pressed="intent === one" @click="change({ intent: one })">{{ one }}</button>
      </p>
      <MeasureTapes v-if="judged" :judged="judged" @point="pointed = $event" />
      <SenseNotes v-if="judged" :notes="judged.notes" :rain="rain" @rain="rain = $event" @dismiss="dismiss" @point="pointed = $event" />
      <AboutLook v-if="openLook" :look="openLook" :looks="looks" @kept="about" @open="open" />
      <KeptLooks :looks="looks" :rail="rail" :open="draft.keptAs" @open="open" @let-go="letGo" />
      <div class="keeping">
        <KeepLook :name="draft.name" :kept="!!draft.keptAs" :empty="!onRail.length" @keep="keepAs($event)" @another="keepAs($event, true)" />
        <p class="soft" role="status">{{ said }}</p>
      </div>
    </aside>
  </div>
</template>

<style scoped>
.looks { height: 100%; display: grid; grid-template-columns: 288px minmax(0, 1fr) 362px; }
@media (max-width: 1150px) { .looks { grid-template-columns: 216px minmax(0, 1fr) 300px; } }
.left { background: var(--panel); border-right: 1px solid var(--line); overflow: auto; }
.middle { background: var(--cloth); color: var(--on-cloth); display: flex; flex-direction: column; min-height: 0; min-width: 0; }
.middle > :first-child { flex: 1; min-height: 0; }
.right { background: var(--paper); border-left: 1px solid var(--line); overflow: auto; padding: 14px 18px 0; display: flex; flex-direction: column; gap: 2px; }
.going { display: flex; flex-wrap: wrap; gap: 0 9px; align-items: baseline; font-size: 13px; color: var(--soft); }
.foot { display: flex; flex-wrap: wrap; align-items: center; gap: 2px 16px; padding: 6px 16px; background: var(--paper); color: var(--ink); border-top: 1px solid var(--line); font-size: 13px; }
.around { margin-left: auto; display: flex; gap: 8px; align-items: baseline; }
.keeping { position: sticky; bottom: 0; margin: auto -18px 0; padding: 10px 18px 8px; border-top: 1px solid var(--line); background: var(--paper); z-index: 2; }
.keeping .soft { min-height: 18px; font-size: 13px; }
.empty { display: grid; place-content: center; justify-items: center; gap: 14px; text-align: center; padding: 40px; }
.empty p { max-width: 34ch; background: var(--paper); color: var(--ink); padding: 10px 16px; border-radius: 6px; }
</style>
