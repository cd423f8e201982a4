<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import type { Portrait, Spots, Veil } from '@/api'
import EmptyStart from '@/components/base/EmptyStart.vue'
import LinkButton from '@/components/base/LinkButton.vue'
import ChooseFile from '@/components/fields/ChooseFile.vue'
import ForgottenNote from '@/components/base/ForgottenNote.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import TapeMeasure from '@/components/base/TapeMeasure.vue'
import FaceSource from '@/components/client/FaceSource.vue'
import PortraitSpots from '@/components/client/PortraitSpots.vue'
import SuitingCloth from '@/components/client/SuitingCloth.vue'
import { listed, sideWords, skinDepth, TAPES } from '@/lib/colouring'
import { percent, plural } from '@/lib/words'
import { useClient } from '@/server/useClient'
import { useColouring } from '@/server/useColouring'

const PARTS = ['skin', 'hair', 'eyes'] as const
const SIDES = ['as read', 'warm', 'balanced', 'cool'] as const
const VEILS: Veil[] = ['make-up', 'dyed hair', 'tinted glasses', 'flash']
const { id, client, problem: clientProblem } = useClient()
const {
  follows,
  trials,
  ready,
  busy,
  problem,
  send,
  read,
  veil,
  count,
  remove,
  byEye,
  byReader,
  say,
  forgotten,
  forget,
  remember,
} = useColouring(id)
const tapping = ref(false)
const openId = ref<string | null>(null)

const portraits = computed(() => client.value?.portraits.filter((one) => one.source === 'portrait') ?? [])
const others = computed(() => client.value?.portraits.filter((one) => one.source !== 'portrait') ?? [])
const portrait = computed<Portrait | null>(
  () => portraits.value.find((one) => one.id === openId.value) ?? portraits.value.at(-1) ?? null,
)
watch(portraits, (now, before) => {
  if (now.length > (before?.length ?? 0) && before) openId.value = now.at(-1)?.id ?? null
})
/** What was read of a face; a portrait on which nothing could be read is no source. */
const sources = computed(
  () => (client.value?.portraits ?? []).filter((one) => one.in_use && Object.keys(one.colours).length > 0).length,
)
const face = computed(() => client.value?.face)
const said = computed(() => face.value?.undertone ?? 'as read')
const doubt = (part: (typeof PARTS)[number]) => {
  const known = client.value?.portraits.filter((one) => one.in_use).flatMap((one) => one.doubts[part] ?? []) ?? []
  return known.length ? Math.min(...known) : null
}
const tapes = computed(() =>
  TAPES.flatMap((tape) => {
    const counts = face.value?.counts?.[tape.key]
    if (!counts) return []
    const photo = face.value?.held?.[tape.key] ? face.value.read?.[tape.key] : null
    const other = photo ? { value: photo.value, name: `the portraits alone: ${tape.told(photo.value)}` } : null
    return [{ ...tape, value: counts.value, doubt: counts.doubt * 1.64, other }]
  }),
)
const angle = computed(() => face.value?.counts?.typology_angle)
const newest = computed(() => trials.value.find((trial) => trial.held.length))

function choose([file]: File[]) {
  if (file) void send(file)
}
const moved = (spots: Spots) =>
  portrait.value && read(portrait.value.id, spots, portrait.value.neutral ?? null, portrait.value.veils)
function tapped(place: { x: number; y: number }) {
  tapping.value = false
  if (portrait.value) void read(portrait.value.id, portrait.value.spots, place, portrait.value.veils)
}
function turn(one: Veil) {
  if (!portrait.value) return
  const now = portrait.value.veils
  void veil(portrait.value.id, now.includes(one) ? now.filter((v) => v !== one) : [...now, one])
}
</script>

<template>
  <div class="colouring">
    <section class="stage" aria-label="Portrait">
      <PortraitSpots
        v-if="client && portrait?.pictures.portrait"
        :id="portrait.id"
        :key="portrait.id"
        :picture="portrait.pictures.portrait"
        :spots="portrait.spots"
        :name="client.name"
        :tapping="tapping"
        @moved="moved"
        @tapped="tapped"
      />
      <EmptyStart v-else-if="client" title="No portrait yet">
        Head and shoulders from the front, no make-up, daylight from the side, a white sheet of paper or the reference
        card in the picture.
        <template #start>
          <ChooseFile accept="image/*,.heic,.heif" label="Choose a portrait" firm @files="choose" />
        </template>
      </EmptyStart>
      <p v-if="portrait?.note" class="note" role="status">{{ portrait.note }}</p>
      <div v-if="portrait" class="under">
        <ul class="film" aria-label="Portraits">
          <li v-for="one in portraits" :key="one.id">
            <button
              type="button"
              :aria-current="one.id === portrait.id ? 'true' : undefined"
              :aria-label="`Portrait ${one.name}${one.in_use ? '' : ', does not count'}`"
              @click="openId = one.id"
            >
              <img :src="one.pictures.face" alt="" :class="{ out: !one.in_use }" />
            </button>
          </li>
          <li>
            <ChooseFile accept="image/*,.heic,.heif" label="Another portrait" @files="choose" />
          </li>
        </ul>
        <p class="acts">
          <NButton :aria-pressed="tapping" @click="tapping = !tapping">
            {{ tapping ? 'Tap something white or grey' : 'Relight' }}
          </NButton>
          <span class="soft">Seen through</span>
          <NButton
            text
            v-for="one in VEILS"
            :key="one"
            class="word"
            :aria-pressed="portrait.veils.includes(one)"
            :disabled="busy"
            @click="turn(one)"
          >
            {{ one }}
          </NButton>
          <NButton
            text
            class="word"
            :aria-pressed="portrait.in_use"
            :disabled="busy"
            @click="count(portrait.id, !portrait.in_use)"
          >
            {{ portrait.in_use ? 'counts' : 'does not count' }}
          </NButton>
          <NButton text class="word" :disabled="busy" @click="remove(portrait.id)">remove</NButton>
          <span v-if="busy" class="soft" role="status">reading…</span>
        </p>
      </div>
    </section>
    <aside v-if="client && face && ready" class="panel">
      <h1>Colouring</h1>
      <ProblemNote v-if="problem ?? clientProblem" :problem="(problem ?? clientProblem)!" />
      <p v-if="newest" class="soft">
        {{ plural(newest.held.length, 'pair') }} held to the face:
        {{ sideWords(newest.warm ?? 0.5, newest.balanced ?? 0) }}. The trial counts; open pins are the portraits alone.
      </p>
      <p v-else-if="face.counts && !face.held" class="soft">
        A starting point read from
        {{ sources === 1 ? 'one source' : plural(sources, 'source') }}. Holding cloth to the face settles it.
      </p>
      <p v-if="face.disagree.length" role="status">
        <strong>The portraits disagree</strong> on {{ listed(face.disagree) }}. Let the one in the better light count.
      </p>
      <div v-for="tape in tapes" :key="tape.key" class="tape">
        <h3>
          {{ tape.name
          }}<span v-if="tape.key === 'depth' && angle" class="soft"
            >skin: {{ skinDepth(angle.value) }}, typology angle {{ angle.value.toFixed(0) }}°</span
          >
        </h3>
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
        <LinkButton firm :to="{ name: 'hold', params: { client: id } }">Hold cloth to the face</LinkButton>
        <LinkButton :to="{ name: 'side-by-side', params: { client: id } }">Side by side</LinkButton>
      </p>
      <p class="acts">
        <span class="soft">Undertone by your word</span>
        <NButton
          text
          v-for="side in SIDES"
          :key="side"
          class="word"
          :aria-pressed="said === side"
          :disabled="busy"
          @click="say(side)"
        >
          {{ side }}
        </NButton>
        <span class="soft">trusted {{ percent(face.trust) }}</span>
      </p>
      <ul class="parts">
        <FaceSource
          v-for="part in PARTS"
          :key="part"
          :part="part"
          :colour="face[part] ?? null"
          :doubt="doubt(part)"
          @eye="byEye(part, $event)"
          @reader="byReader(part)"
        />
      </ul>
      <p v-for="one in others" :key="one.id" class="acts">
        <span class="soft">{{ one.source }}: {{ listed(Object.keys(one.colours)) }}</span>
        <NButton text class="word" :aria-pressed="one.in_use" @click="count(one.id, !one.in_use)">
          {{ one.in_use ? 'counts' : 'does not count' }}
        </NButton>
        <NButton text class="word" @click="remove(one.id)">remove</NButton>
      </p>
      <SuitingCloth v-if="follows" :follows="follows" :client-id="id" />
      <section v-if="trials.length || forgotten" aria-labelledby="trials" class="trials">
        <h2 id="trials">Trials</h2>
        <ForgottenNote v-if="forgotten" :told="forgotten.told" @back="remember" />
        <p v-for="trial in trials" :key="trial.id" class="acts">
          <span
            >{{
              new Date(trial.created_at).toLocaleDateString('en-GB', {
                day: 'numeric',
                month: 'long',
                year: 'numeric',
              })
            }}, {{ plural(trial.held.length, 'pair')
            }}<template v-if="trial.in_doubt.length">, {{ listed(trial.in_doubt) }} left in doubt</template></span
          >
          <RouterLink class="word" :to="{ name: 'hold', params: { client: id, trial: trial.id } }">{{
            trial.ended ? 'replay' : 'go on'
          }}</RouterLink>
          <NButton text class="word" @click="forget(trial)">forget</NButton>
        </p>
      </section>
    </aside>
  </div>
</template>

<style scoped>
.colouring {
  height: 100%;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 460px;
}
@media (max-width: 1150px) {
  .colouring {
    grid-template-columns: minmax(0, 1fr) 420px;
  }
}
.stage {
  background: var(--cloth);
  padding: 16px 18px 12px;
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.stage > :first-child {
  flex: 1;
  min-height: 0;
}
.panel {
  background: var(--paper);
  border-left: 1px solid var(--line);
  padding: 16px 22px 30px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 9px;
}
.note {
  background: var(--paper);
  color: var(--ink);
  border-radius: 5px;
  padding: 5px 12px;
  align-self: start;
}
.under {
  background: var(--paper);
  color: var(--ink);
  border-radius: 6px;
  padding: 8px 12px;
  display: grid;
  gap: 6px;
}
.film {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  gap: 8px;
  align-items: center;
  overflow-x: auto;
}
.film button {
  padding: 2px;
  border: 2px solid transparent;
  background: none;
  cursor: pointer;
  display: block;
}
.film button[aria-current] {
  border-color: var(--ink);
}
.film img {
  width: 46px;
  height: 46px;
  object-fit: cover;
  display: block;
}
.film img.out {
  opacity: 0.35;
}
.parts {
  list-style: none;
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 12px;
  margin: 4px 0;
  padding: 0;
}
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  display: flex;
  justify-content: space-between;
}
h3 .soft {
  font-weight: 400;
}
.tape {
  display: grid;
  gap: 2px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
}
.acts .button[aria-pressed='true'] {
  outline: 2.5px solid var(--ink);
}
.word {
  text-decoration: none;
}
.trials {
  display: grid;
  gap: 4px;
}
</style>
