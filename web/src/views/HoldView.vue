<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Held } from '@/api'
import LinkButton from '@/components/base/LinkButton.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import TapeMeasure from '@/components/base/TapeMeasure.vue'
import DrapedFace from '@/components/client/DrapedFace.vue'
import { useKeys, type Keys } from '@/composables/useKeys'
import { chinOf } from '@/lib/chin'
import { listed, sideWords, TAPES } from '@/lib/colouring'
import { plural } from '@/lib/words'
import { useClient } from '@/server/useClient'
import { useTrial } from '@/server/useTrial'

/** Two drapes under the same face and nothing else: left, right, or no difference, until it is settled. */
const route = useRoute()
const router = useRouter()
const { id, client } = useClient()
const server = useTrial(id)
const { trial, problem } = server
/** While replaying: the pair that is shown, counted from 0. */
const shown = ref<number | null>(null)
const busy = ref(false)

async function begin() {
  const wanted = String(route.params.trial ?? '')
  const found = await (wanted ? server.open(wanted) : server.begin())
  if (!found) return
  if (!wanted) await router.replace({ name: 'hold', params: { client: id.value, trial: found.id } })
  else if (found.ended) shown.value = found.held.length
}
watch(
  id,
  () => {
    if (id.value && !trial.value) void begin()
  },
  { immediate: true },
)

const person = computed(() => client.value?.person ?? null)
const chin = computed(() => chinOf(client.value?.portraits ?? []))
const pair = computed<[number, number] | null>(() => {
  const now = trial.value
  if (!now) return null
  if (shown.value !== null) {
    const one = now.held[shown.value]
    return one ? [one.left, one.right] : null
  }
  return now.pair ? [now.pair[0]!, now.pair[1]!] : null
})
const sides = computed(() => pair.value?.map((k) => trial.value!.drapes[k]!) ?? [])
const replayed = computed(() => (shown.value === null ? null : trial.value?.held[shown.value]))
const over = computed(() => trial.value !== null && pair.value === null)
const last = computed(() => trial.value?.held.at(-1))

async function say(held: Held) {
  if (!pair.value || busy.value || shown.value !== null) return
  busy.value = true
  const [left, right] = pair.value
  await server.say(left, right, held)
  if (trial.value?.ended) shown.value = trial.value.held.length
  busy.value = false
}
async function undo() {
  if (!busy.value && (await server.undo())) shown.value = null
}
async function stop() {
  const left = await server.stop()
  if (left === false) await leave()
  else if (left && trial.value) shown.value = trial.value.held.length
}
const leave = () => router.push({ name: 'colouring', params: { client: id.value } })
const step = (by: number) => {
  if (shown.value === null || !trial.value) return
  shown.value = Math.min(trial.value.held.length, Math.max(0, shown.value + by))
}
useKeys((): Keys =>
  shown.value === null
    ? {
        arrowleft: () => void say('left'),
        arrowright: () => void say('right'),
        arrowdown: () => void say('no difference'),
        'ctrl+z': () => void undo(),
        escape: () => void stop(),
      }
    : { arrowleft: () => step(-1), arrowright: () => step(1), 'ctrl+z': () => void undo(), escape: () => void leave() },
)
const tapes = computed(() =>
  TAPES.flatMap((tape) => {
    const told = last.value?.colouring[tape.key]
    const photo = client.value?.face.read?.[tape.key]
    if (!told) return []
    return [
      {
        ...tape,
        value: told.value,
        doubt: told.doubt * 1.64,
        other: photo ? { value: photo.value, name: `the portraits alone: ${tape.told(photo.value)}` } : null,
      },
    ]
  }),
)
</script>

<template>
  <div class="hold">
    <ProblemNote v-if="problem" class="problem" :problem="problem" closable @close="problem = null" />
    <template v-if="pair && trial">
      <div class="faces">
        <button
          v-for="(drape, index) in sides"
          :key="`${index}${drape.name}`"
          type="button"
          class="side"
          :class="{ chosen: replayed?.held === (index ? 'right' : 'left') }"
          :aria-label="`${index ? 'Right' : 'Left'}: ${drape.name}`"
          @click="say(index ? 'right' : 'left')"
        >
          <DrapedFace :person="person" :chin="chin" :hex="drape.hex" :picture="drape.picture" :label="drape.name" />
        </button>
      </div>
      <p v-if="replayed" class="foot" role="status">
        Pair {{ shown! + 1 }} of {{ trial.held.length }}: {{ sides[0]!.name }} or {{ sides[1]!.name }}.
        {{ replayed.held === 'no difference' ? 'No difference' : `The ${replayed.held} one` }}; after it
        {{ sideWords(replayed.warm, 0) }}.
        <NButton text class="word" @click="step(-1)"><kbd>←</kbd> before</NButton>
        <NButton text class="word" @click="step(1)"><kbd>→</kbd> next</NButton>
        <NButton text class="word" @click="leave"><kbd>Esc</kbd> leave</NButton>
      </p>
      <p v-else class="foot">
        <NButton text class="word" @click="say('left')"><kbd>←</kbd> left</NButton>
        <NButton text class="word" @click="say('no difference')"><kbd>↓</kbd> no difference</NButton>
        <NButton text class="word" @click="say('right')"><kbd>→</kbd> right</NButton>
        <NButton text v-if="trial.held.length" class="word" @click="undo"><kbd>Ctrl+Z</kbd> undo</NButton>
        <NButton text class="word" @click="stop"><kbd>Esc</kbd> enough</NButton>
        <span class="visually-hidden" role="status">{{ trial.held.length }} held</span>
      </p>
    </template>
    <section v-else-if="over && trial" class="end" aria-labelledby="end">
      <h1 id="end">{{ sideWords(trial.warm ?? 0.5, trial.balanced ?? 0) }}</h1>
      <p>
        {{ plural(trial.held.length, 'pair') }} held.
        {{ trial.in_doubt.length ? `Left in doubt: ${listed(trial.in_doubt)}.` : 'Nothing is left in doubt.' }} The
        trial counts from now on; open pins are the portraits alone.
      </p>
      <div v-for="tape in tapes" :key="tape.key" class="tape">
        <h3>{{ tape.name }}</h3>
        <TapeMeasure
          :value="tape.value"
          :low="tape.low"
          :high="tape.high"
          :name="tape.name"
          :doubt="tape.doubt"
          :shown="tape.told(tape.value)"
          :ends="tape.ends"
          :other="tape.other"
        />
      </div>
      <p class="acts">
        <LinkButton firm :to="{ name: 'colouring', params: { client: id } }">To the colouring</LinkButton>
        <NButton @click="shown = 0">Replay <kbd>←</kbd></NButton>
        <NButton @click="undo">Undo the last verdict <kbd>Ctrl+Z</kbd></NButton>
      </p>
    </section>
  </div>
</template>

<style scoped>
.hold {
  height: 100%;
  background: var(--cloth);
  display: flex;
  flex-direction: column;
  position: relative;
}
.faces {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
}
.side {
  background: none;
  border: 0;
  padding: 0;
  min-height: 0;
  min-width: 0;
  cursor: pointer;
  overflow: hidden;
  outline-offset: -6px;
}
.side.chosen {
  box-shadow: inset 0 -6px 0 var(--ink);
}
.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  justify-content: center;
  align-items: baseline;
  background: var(--paper);
  color: var(--ink);
  padding: 5px 16px;
  font-size: 13px;
}
.problem {
  position: absolute;
  top: 12px;
  left: 50%;
  transform: translateX(-50%);
  z-index: 2;
}
.end {
  margin: auto;
  background: var(--paper);
  color: var(--ink);
  border-radius: 8px;
  padding: 26px 34px;
  width: min(620px, 92%);
  display: grid;
  gap: 12px;
}
.end h1::first-letter {
  text-transform: uppercase;
}
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
