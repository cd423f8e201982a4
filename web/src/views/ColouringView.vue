<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { answered, api, asProblem, type Client, type Problem, type Spots } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import TapeMeasure from '@/components/base/TapeMeasure.vue'
import PortraitSpots from '@/components/client/PortraitSpots.vue'
import { useClient } from '@/composables/useClient'
import { capital, warmthWord } from '@/lib/words'

const PARTS = ['skin', 'hair', 'eyes'] as const
const SIDES = ['as read', 'warm', 'balanced', 'cool'] as const
const { id, client, reload, problem: clientProblem } = useClient()
const problem = ref<Problem | null>(null)
const busy = ref(false)
const tapping = ref(false)
const spots = ref<Spots | null>(null)
/** The address stays while the picture changes: a number of our own makes the browser ask again. */
const turn = ref(0)
watch(client, (now) => (spots.value = now?.spots ?? null), { immediate: true })

const face = computed(() => client.value?.face)
const contrast = computed(() => {
  const known = PARTS.flatMap((part) => face.value?.[part]?.lab[0] ?? [])
  return known.length > 1 ? Math.max(...known) - Math.min(...known) : null
})
const said = computed(() => face.value?.undertone ?? 'as read')

async function tried(act: () => Promise<Client>) {
  busy.value = true
  try {
    await act()
    problem.value = null
    turn.value++
    await reload()
  } catch (error) {
    problem.value = asProblem(error)
  }
  busy.value = false
}
const path = () => ({ params: { path: { client_id: id.value } } })
function send(files: FileList | null) {
  const file = files?.[0]
  if (!file) return
  const form = new FormData()
  form.append('portrait', file, file.name)
  void tried(() => answered(api.POST('/api/clients/{client_id}/portrait', { ...path(), body: form as never, bodySerializer: () => form })))
}
const read = (places: Spots, neutral: { x: number; y: number } | null = null) =>
  tried(() =>
    answered(
      api.PUT('/api/clients/{client_id}/colouring', {
        ...path(), body: { spots: places, neutral: neutral ? { ...neutral, lightness: null } : null },
      }),
    ),
  )
const say = (undertone: (typeof SIDES)[number]) => tried(() => answered(api.PATCH('/api/clients/{client_id}', { ...path(), body: { undertone } })))
function tapped(place: { x: number; y: number }) {
  tapping.value = false
  if (spots.value) void read(spots.value, place)
}
</script>

<template>
  <div class="colouring">
    <section class="stage" aria-label="Portrait">
      <PortraitSpots
        v-if="client?.whole_portrait && spots" :picture="`${client.whole_portrait}?turn=${turn}`" :spots="spots" :name="client.name" :tapping="tapping"
        @moved="read($event)" @tapped="tapped"
      />
      <div v-else-if="client" class="empty">
        <h2>No portrait yet</h2>
        <p>Head and shoulders, no make-up, daylight from the side, a white sheet of paper in the picture if there is one.</p>
        <label class="button firm">Choose a portrait<input class="visually-hidden" type="file" accept="image/*,.heic,.heif" @change="send(($event.target as HTMLInputElement).files)" /></label>
      </div>
    </section>
    <aside v-if="client && face" class="panel">
      <h1>Colouring</h1>
      <p class="soft">A starting point read from one portrait. It pulls less on the verdict than your own word does.</p>
      <ProblemNote v-if="problem ?? clientProblem" :problem="(problem ?? clientProblem)!" />
      <ul class="parts">
        <li v-for="part in PARTS" :key="part">
          <PinkedSwatch :hex="face[part]?.hex ?? 'transparent'" :width="100" :height="64" />
          <strong>{{ capital(part) }}</strong>
          <span v-if="face[part]" class="soft">L* {{ face[part]!.lab[0]!.toFixed(0) }}, a* {{ face[part]!.lab[1]!.toFixed(0) }}, b* {{ face[part]!.lab[2]!.toFixed(0) }}</span>
          <span v-else class="soft">not known</span>
        </li>
      </ul>
      <template v-if="face.read_undertone !== null">
        <h3>Undertone</h3>
        <TapeMeasure
          :value="face.read_undertone" :low="-1" :high="1" name="Undertone" :doubt="(1 - face.trust) * 0.9"
          :shown="warmthWord(face.read_undertone)" :ends="['cool', 'warm']"
        />
      </template>
      <p class="say">
        by your word
        <button v-for="side in SIDES" :key="side" class="word" type="button" :aria-pressed="said === side" :disabled="busy" @click="say(side)">{{ side }}</button>
      </p>
      <template v-if="face.skin">
        <h3>Depth of the skin</h3>
        <TapeMeasure :value="face.skin.lab[0]!" name="Depth of the skin" :doubt="5" :shown="`L* ${face.skin.lab[0]!.toFixed(0)}`" :ends="['deep', 'fair']" />
      </template>
      <template v-if="contrast !== null">
        <h3>Contrast among skin, hair and eyes</h3>
        <TapeMeasure :value="contrast" name="Contrast" :high="80" :doubt="5" :shown="`${contrast.toFixed(0)} L*`" :ends="['gentle', 'strong']" />
      </template>
      <div v-if="client.portrait" class="acts">
        <button class="button" type="button" :aria-pressed="tapping" @click="tapping = !tapping">{{ tapping ? 'Tap something white or grey' : 'Relight' }}</button>
        <label class="button">Another portrait<input class="visually-hidden" type="file" accept="image/*,.heic,.heif" @change="send(($event.target as HTMLInputElement).files)" /></label>
        <span v-if="busy" class="soft" role="status">reading…</span>
      </div>
      <p v-if="client.portrait" class="soft">Move the lenses onto bare skin, hair and iris: off lips, shine and red places. Arrow keys move the one in focus.</p>
    </aside>
  </div>
</template>

<style scoped>
.colouring { height: 100%; display: grid; grid-template-columns: minmax(0, 1fr) 440px; }
.stage { background: var(--cloth); padding: 18px; min-height: 0; display: grid; place-items: center; }
.panel { background: var(--paper); border-left: 1px solid var(--line); padding: 18px 22px; overflow: auto; display: flex; flex-direction: column; gap: 9px; }
.parts { list-style: none; display: grid; grid-template-columns: repeat(3, 1fr); gap: 12px; margin: 4px 0; padding: 0; }
.parts li { display: flex; flex-direction: column; font-size: 13px; }
h3 { font: 650 13.5px/1.2 'Atkinson Hyperlegible Next Variable', sans-serif; margin: 4px 0 0; }
.say, .acts { display: flex; flex-wrap: wrap; gap: 4px 12px; align-items: baseline; }
.acts .button[aria-pressed='true'] { outline: 2.5px solid var(--ink); }
.empty { background: var(--paper); color: var(--ink); border-radius: 8px; padding: 24px 30px; display: grid; gap: 12px; justify-items: start; max-width: 46ch; }
</style>
