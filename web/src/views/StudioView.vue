<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import ChooseFile from '@/components/fields/ChooseFile.vue'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import BackupsHere from '@/components/studio/BackupsHere.vue'
import KeptHere from '@/components/studio/KeptHere.vue'
import SetAside from '@/components/studio/SetAside.vue'
import YourTaste from '@/components/look/YourTaste.vue'
import { useKeys, type Keys } from '@/composables/useKeys'
import { useClients } from '@/server/useClients'
import { useSafekeeping } from '@/server/useSafekeeping'
import { useStudio } from '@/server/useStudio'

/** What belongs to the studio and to no client: what is kept and its backups, reference card, colour reader, watched folder. */
const PATCHES = 24
const server = useStudio()
const { studio, problem } = server
const { answer: book } = useClients()
const clients = computed(() => book.value ?? [])
const path = ref('')
const whose = ref('')
const next = ref<number | null>(null)
const said = ref('')
const safe = useSafekeeping()
/** All at once, or what is below moves away under the hand. */
const ready = computed(() => (safe.held.value && safe.backups.value) || safe.problem.value)

watch(
  [studio, clients],
  ([now, some]) => {
    path.value = now?.watched?.path ?? path.value
    whose.value = now?.watched?.client_id ?? (whose.value || some[0]?.id || '')
  },
  { immediate: true },
)

const row = computed(() => (next.value === null ? 0 : Math.floor(next.value / 6) + 1))
const column = computed(() => (next.value === null ? 0 : (next.value % 6) + 1))
async function begin() {
  if (!(await server.calibrate())) return
  next.value = 0
  said.value = ''
}
async function readPatch() {
  if (next.value === null) return
  const left = await server.readPatch(next.value)
  if (left === null) return
  next.value = left ? next.value + 1 : null
  if (!left) said.value = 'The card is measured. Its colours count from now on.'
}
useKeys((): Keys => (next.value === null ? {} : { enter: () => void readPatch(), escape: () => (next.value = null) }))
const forget = () => server.forgetCard()
async function takeCard([file]: File[]) {
  if (file && (await server.takeCard(file))) said.value = 'The card is taken over. Its colours count from now on.'
}
const watchIt = () => server.watchFolder(path.value, whose.value)
async function stop() {
  await server.stopWatching()
  path.value = ''
}
function putAway() {
  problem.value = null
  safe.problem.value = null
}
const hex = (lab: number[]) => `lab(${lab[0]} ${lab[1]} ${lab[2]})`
</script>

<template>
  <div class="studio">
    <h1>Studio</h1>
    <ProblemNote
      v-if="problem ?? safe.problem.value"
      :problem="(problem ?? safe.problem.value)!"
      closable
      @close="putAway()"
    />
    <p role="status" class="visually-hidden">{{ safe.said.value }}</p>
    <template v-if="ready">
      <SetAside
        v-if="safe.held.value?.aside.length"
        :aside="safe.held.value.aside"
        :clients="clients"
        @take="safe.take"
        @throw-away="safe.throwAway"
      />
      <p v-if="safe.said.value" class="said">{{ safe.said.value }}</p>
      <BackupsHere
        v-if="safe.backups.value && safe.held.value"
        :kept="safe.backups.value"
        :folder="safe.held.value.folder"
        @make="safe.make"
        @stop="safe.stop"
        @move="safe.move"
      />
      <KeptHere v-if="safe.held.value" :held="safe.held.value" />
      <section aria-labelledby="card">
        <h2 id="card">Reference card</h2>
        <p>
          Print it on matt white paper and lay it beside the garment: every photo that shows it is read in the right
          light. A home printer's greys are grey; its colours count once the card has been measured.
        </p>
        <p class="acts">
          <NButton tag="a" href="/api/card/A6.pdf">Card on A6 (PDF)</NButton>
          <NButton tag="a" href="/api/card/A4.pdf">Card on A4 (PDF)</NButton>
        </p>
        <template v-if="studio?.card">
          <ol class="patches" aria-label="The card as measured">
            <li v-for="(lab, index) in studio.card" :key="index" :data-tip="lab.join(', ')">
              <PinkedSwatch :hex="hex(lab)" :width="46" :height="30" />
            </li>
          </ol>
          <p class="acts">
            <span>Measured once.</span><NButton tag="a" href="/api/card/measured.json">Take it elsewhere (JSON)</NButton
            ><NButton @click="forget">Another card was printed</NButton>
          </p>
        </template>
        <p v-else class="soft">Not measured yet.</p>
        <p v-if="next !== null" class="acts" role="status">
          <strong>Hold the reader to row {{ row }}, patch {{ column }}.</strong>
          <span class="soft">{{ next }} of {{ PATCHES }} read</span>
          <NButton type="primary" @click="readPatch">Read it <kbd>↵</kbd></NButton>
          <NButton @click="next = null">Stop</NButton>
        </p>
        <p v-else class="acts">
          <NButton type="primary" :disabled="!studio?.reader" @click="begin">Measure the card</NButton
          ><ChooseFile accept=".json,application/json" label="Measured elsewhere" @files="takeCard" /><span class="soft"
            >Put the reader on its tile first.</span
          >
        </p>
        <p role="status">{{ said }}</p>
      </section>
      <section aria-labelledby="reader">
        <h2 id="reader">Colour reader</h2>
        <p>
          {{
            studio?.reader
              ? `Connected: ${studio.reader}.`
              : 'No colour reader answers. Switch it on and load the page again.'
          }}
        </p>
      </section>
      <section aria-labelledby="folder">
        <h2 id="folder">Watched folder</h2>
        <p>
          Photos that a phone or a camera puts there come into the intake by themselves. They are copied, the folder is
          left as it is.
        </p>
        <form class="acts" @submit.prevent="watchIt">
          <label
            >Folder
            <NInput
              v-model:value="path"
              class="path"
              placeholder="/home/…/phone"
              :input-props="{ spellcheck: false, 'aria-label': 'Folder' }"
          /></label>
          <span class="whose"
            >for
            <ChoiceList
              :value="whose || null"
              :options="clients.map((one) => ({ value: one.id, label: one.name }))"
              label="for"
              @change="whose = $event"
          /></span>
          <NButton attr-type="submit" :disabled="!path || !whose">Watch it</NButton>
          <NButton v-if="studio?.watched" @click="stop">Stop watching</NButton>
        </form>
        <p v-if="studio?.watched" role="status">{{ studio.watched.problem || `Watching ${studio.watched.path}.` }}</p>
      </section>
      <YourTaste />
    </template>
  </div>
</template>

<style scoped>
.studio {
  height: 100%;
  overflow: auto;
  padding: 22px 34px 40px;
  display: grid;
  gap: 22px;
  align-content: start;
  justify-items: start;
  max-width: 900px;
}
.studio :deep(section) {
  background: var(--paper);
  color: var(--ink);
  border-radius: 8px;
  padding: 18px 24px;
  display: grid;
  gap: 10px;
  justify-items: start;
  width: 100%;
}
.studio :deep(h2),
.studio :deep(p) {
  margin: 0;
}
.studio :deep(p) {
  max-width: 72ch;
}
.studio :deep(.acts) {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.said {
  font-weight: 650;
}
.acts .button {
  text-decoration: none;
}
.patches {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(6, auto);
  gap: 4px;
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
}
.path {
  width: 340px;
}
.whose {
  display: flex;
  gap: 8px;
  align-items: center;
  min-width: 200px;
}
.path {
  width: 260px;
}
</style>
