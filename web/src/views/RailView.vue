<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { answered, api, asProblem, type Piece } from '@/api'
import KeysHelp from '@/components/base/KeysHelp.vue'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import BoltOfCloth from '@/components/rail/BoltOfCloth.vue'
import HangingPiece from '@/components/rail/HangingPiece.vue'
import PieceCard from '@/components/rail/PieceCard.vue'
import { useClient } from '@/composables/useClient'
import { useKeys } from '@/composables/useKeys'
import { useRail } from '@/composables/useRail'
import { baysOf, madeOf, type HangBy } from '@/lib/rail'
import { percent, plural } from '@/lib/words'

const WAYS: { by: HangBy; word: string }[] = [{ by: 'sort', word: 'sort' }, { by: 'category', word: 'kind' }, { by: 'lightness', word: 'lightness' }]
const router = useRouter()
const { id, client, reload } = useClient()
const { pieces, loaded, problem, load, say, takeOff } = useRail(id)
const by = ref<HangBy>('sort')
const chosen = ref<string[]>([])
const shownId = ref<string | null>(null)

const bays = computed(() => baysOf(pieces.value, by.value))
const order = computed(() => bays.value.flatMap((bay) => bay.pieces.map((piece) => piece.id)))
const doubtful = computed(() => pieces.value.filter((piece) => piece.doubtful))
const shown = computed(() => pieces.value.find((p) => p.id === shownId.value) ?? doubtful.value[0] ?? pieces.value[0])
const made = computed(() => madeOf(pieces.value))
const most = computed(() => made.value.slice(0, 4))
watch(() => pieces.value.length, () => void reload())

function choose(piece: Piece) {
  shownId.value = piece.id
  chosen.value = chosen.value.includes(piece.id) ? chosen.value.filter((one) => one !== piece.id) : [...chosen.value, piece.id]
}
function startLook() {
  void router.push({ name: 'looks', params: { client: id.value }, query: { start: chosen.value.join(',') } })
}
async function school(neutrals: 'broad' | 'strict') {
  try {
    await answered(api.PATCH('/api/clients/{client_id}', { params: { path: { client_id: id.value } }, body: { neutrals } }))
    await Promise.all([load(), reload()])
  } catch (error) {
    problem.value = asProblem(error)
  }
}
async function off(piece: Piece) {
  chosen.value = chosen.value.filter((one) => one !== piece.id)
  await takeOff(piece.id)
}
const rail = ref<HTMLElement | null>(null)
useEventListener(rail, 'keydown', (event: KeyboardEvent) => {
  const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
  if (!step) return
  const buttons = [...(rail.value?.querySelectorAll<HTMLElement>('.hung button') ?? [])]
  const at = buttons.indexOf(document.activeElement as HTMLElement)
  buttons[at + step]?.focus()
  event.preventDefault()
})
useKeys(() => ({
  l: () => chosen.value.length && startLook(),
  escape: () => (chosen.value = []),
}))
</script>

<template>
  <section class="view">
    <div class="title">
      <h1>The rail</h1>
      <p class="soft">
        {{ plural(pieces.length, 'piece') }} · hung dark to light inside each bay<template v-if="doubtful.length"> · <strong>{{ doubtful.length }} in doubt</strong></template>
      </p>
      <p class="by">
        hang by
        <button v-for="way in WAYS" :key="way.by" class="word" type="button" :aria-pressed="by === way.by" @click="by = way.by">{{ way.word }}</button>
      </p>
    </div>
    <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
    <div v-if="loaded && !pieces.length" class="tile empty">
      <p>Nothing hangs here yet. Photograph each piece on its own, on a plain ground, and take the photos in.</p>
      <RouterLink class="button firm" :to="{ name: 'intake', params: { client: id } }">Take photos in</RouterLink>
    </div>
    <div ref="rail" class="rail">
      <section v-for="bay in bays" :key="bay.title" class="bay" :aria-label="`${bay.title}, ${bay.pieces.length}`" :style="{ flexGrow: bay.pieces.length }">
        <h3><span class="count">{{ bay.pieces.length }}</span>{{ bay.title }}</h3>
        <ul>
          <HangingPiece
            v-for="piece in bay.pieces" :key="piece.id" :piece="piece" :chosen="chosen.includes(piece.id)" :shown="shown?.id === piece.id"
            @show="shownId = piece.id" @choose="choose(piece)"
          />
        </ul>
      </section>
    </div>
    <div v-if="chosen.length" class="start">
      <strong>{{ plural(chosen.length, 'piece') }} chosen</strong>
      <button class="button firm" type="button" @click="startLook">Start a look <kbd>L</kbd></button>
      <button class="button" type="button" @click="chosen = []">Put back <kbd>Esc</kbd></button>
    </div>
    <div v-if="pieces.length" class="below">
      <section class="tile">
        <h2>What this rail is made of</h2>
        <p class="soft">share of cloth, by the name of its colour</p>
        <BoltOfCloth class="bolt" :colours="made" :height="64" />
        <ul class="most">
          <li v-for="one in most" :key="one.name"><PinkedSwatch :hex="one.hex" :width="20" :height="20" /><span>{{ one.name }}</span><strong>{{ percent(one.share) }}</strong></li>
        </ul>
        <p class="school">
          neutrals
          <button class="word" type="button" :aria-pressed="client?.neutrals === 'broad'" @click="school('broad')">broad</button>
          <button class="word" type="button" :aria-pressed="client?.neutrals === 'strict'" @click="school('strict')">strict</button>
          <span class="soft">{{ client?.neutrals === 'strict' ? 'greys, whites, blacks, beiges and browns only' : 'with navy, denim, olive, khaki and metal' }}</span>
        </p>
      </section>
      <PieceCard v-if="shown" :piece="shown" @bin="(bin) => say(shown!.id, { bin })" @take-off="off(shown!)" />
      <section class="tile">
        <h2>In doubt</h2>
        <p class="soft">these hang close to a border: look and say</p>
        <ul v-if="doubtful.length" class="doubts">
          <li v-for="piece in doubtful.slice(0, 6)" :key="piece.id">
            <button type="button" @click="shownId = piece.id">
              <span class="chip"><PinkedSwatch :hex="piece.colours[0]?.hex ?? ''" :picture="piece.cloth" :width="24" :height="28" /></span>
              <span>{{ piece.label }}<br /><span class="soft">{{ piece.sort.bin }}, {{ percent(piece.sort.confidence) }} sure</span></span>
            </button>
            <button class="word" type="button" :aria-label="`${piece.label} hangs right as ${piece.sort.bin}`" @click="say(piece.id, { bin: piece.sort.bin })">hangs right</button>
          </li>
        </ul>
        <p v-else>Nothing is in doubt.</p>
      </section>
    </div>
    <KeysHelp class="keys" :keys="[['← →', 'along the rail'], ['Space', 'choose the piece'], ['L', 'start a look from what is chosen'], ['Esc', 'put all back'], ['?', 'these keys']]" />
    <span class="visually-hidden" aria-live="polite">{{ order.length ? `${order.length} pieces hang` : '' }}</span>
  </section>
</template>

<style scoped>
.view { height: 100%; overflow: auto; padding: 18px 24px 16px; display: flex; flex-direction: column; gap: 14px; }
.title { display: flex; align-items: baseline; gap: 16px; flex-wrap: wrap; }
.by { margin-left: auto; display: flex; gap: 8px; align-items: baseline; }
.rail { position: relative; display: flex; flex-wrap: wrap; row-gap: 16px; background: var(--cloth); color: var(--on-cloth); }
.bay { position: relative; padding: 0 14px 0 0; }
.bay h3 { font: 650 13px/1 'Atkinson Hyperlegible Next Variable', sans-serif; display: flex; align-items: flex-end; gap: 6px; height: 30px; margin: 0 0 -3px; position: relative; z-index: 1; padding-bottom: 14px; }
.bay::before { content: ''; position: absolute; left: 0; right: 0; top: 25px; height: 6px; background: var(--rule); }
.count { display: grid; place-items: center; min-width: 30px; height: 30px; border-radius: 50%; border: 1.6px solid var(--rule); background: var(--sheet); color: var(--ink); font-weight: 700; margin-bottom: -16px; }
.bay ul { display: flex; flex-wrap: wrap; list-style: none; margin: 4px 0 0; padding: 0 0 0 34px; row-gap: 10px; }
.start { display: flex; align-items: center; gap: 14px; position: sticky; bottom: 0; z-index: 5; background: var(--sheet); border: 1.2px solid var(--rule); border-radius: 8px; padding: 8px 14px; align-self: flex-start; }
.below { display: grid; grid-template-columns: minmax(0, 1.15fr) minmax(0, 1.2fr) minmax(0, 0.9fr); gap: 20px; margin-top: auto; }
@media (max-width: 1100px) { .below { grid-template-columns: 1fr 1fr; } }
.bolt { margin: 12px 0 10px; }
.most { list-style: none; margin: 0; padding: 0; display: grid; grid-template-columns: 1fr 1fr; gap: 5px 18px; }
.most li { display: grid; grid-template-columns: 20px 1fr auto; gap: 8px; align-items: center; }
.school { margin-top: 12px; display: flex; flex-wrap: wrap; gap: 2px 8px; align-items: baseline; }
.doubts { list-style: none; margin: 8px 0 0; padding: 0; display: grid; gap: 6px; }
.doubts li { display: flex; justify-content: space-between; align-items: center; gap: 8px; }
.doubts li > button:first-child { display: flex; gap: 10px; text-align: left; background: none; border: 0; padding: 2px; cursor: pointer; align-items: center; line-height: 1.25; }
.doubts .word { white-space: nowrap; text-decoration: underline; }
.chip { width: 24px; flex: none; }
.empty { display: flex; gap: 18px; align-items: center; justify-content: space-between; }
.keys { align-self: flex-end; }
</style>
