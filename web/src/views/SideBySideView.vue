<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { SideBySide } from '@/api'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import ChooseFile from '@/components/fields/ChooseFile.vue'
import ForgottenNote from '@/components/base/ForgottenNote.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import DrapedFace from '@/components/client/DrapedFace.vue'
import FramedPhoto from '@/components/client/FramedPhoto.vue'
import PhotoHandles from '@/components/client/PhotoHandles.vue'
import BareFigure from '@/components/figure/BareFigure.vue'
import { useKeys } from '@/composables/useKeys'
import { chinOf } from '@/lib/chin'
import { pairWords } from '@/lib/pair'
import { firstProblem } from '@/server/firstProblem'
import { useClient } from '@/server/useClient'
import { useComparedPhotos, usePhotoPair } from '@/server/useComparedPhotos'
import { useFigures } from '@/server/useFigure'
import { useKeptLooks } from '@/server/useKeptLooks'
import { usePieces } from '@/server/useRail'
import { useSideBySide } from '@/server/useSideBySide'

/** This against that at the face: pieces, looks, photos, or nothing, kept with the client. */
type Side = { kind: 'piece' | 'look' | 'photo' | 'nothing'; id: string }
type Better = 'left' | 'right' | 'no difference'
const { id, client } = useClient()
const server = useSideBySide(id)
const { kept, tried, forgotten } = server
const { pieces, loaded, problem: railProblem } = usePieces(id)
const { looks, problem: looksProblem } = useKeptLooks(id)
const sides = ref<[Side, Side]>([
  { kind: 'nothing', id: '' },
  { kind: 'nothing', id: '' },
])
const note = ref('')
const said = ref('')

const { photos, problem: photosProblem, send, rename, remove } = useComparedPhotos(id, tried)
const photoOn = (side: Side) =>
  side.kind === 'photo' ? (photos.value.find((one) => one.id === side.id) ?? null) : null
/** Both photos, where both sides hold one. */
const twoPhotos = computed<[string, string] | null>(() => {
  const [left, right] = sides.value
  return photoOn(left) && photoOn(right) && left.id !== right.id ? [left.id, right.id] : null
})
const { answer: pair, problem: pairProblem } = usePhotoPair(id, twoPhotos)
const lookOn = (side: Side) => (side.kind === 'look' ? (looks.value.find((one) => one.id === side.id) ?? null) : null)
/** Looks as they were kept: how their pieces are worn, and whether one sits in them. */
const shown = computed(() => sides.value.flatMap((side) => lookOn(side) ?? []))
const { drawn, problem: drawProblem } = useFigures(
  id,
  computed(() =>
    shown.value.map(({ pieces, kept }) => ({ pieces, worn: kept.worn ?? {}, seated: kept.seated ?? null })),
  ),
)
const figureOf = (side: Side) => drawn.value[shown.value.findIndex((one) => one.id === lookOn(side)?.id)]?.figure
const named = (side: Side) => lookOn(side)?.name ?? 'nothing'
const problem = firstProblem(server.problem, railProblem, looksProblem, photosProblem, pairProblem, drawProblem)
/** Two photos in one light, at one size; without it each as it was relit by itself. */
const together = ref(true)
const sending = ref(false)
const shownPhoto = (index: 0 | 1) => {
  const photo = photoOn(sides.value[index])
  if (!photo) return null
  const { rows, columns, name: label } = photo
  const both = together.value ? pair.value : null
  if (!both) return { picture: photo.picture, rows, columns, label, frame: together.value ? photo.frame : null }
  return {
    picture: index ? both.right_picture : both.left_picture,
    rows,
    columns,
    label,
    frame: index ? both.right : both.left,
  }
}
/** The first file goes to this side, a second one to the other. */
async function take(index: 0 | 1, files: File[]) {
  if (!files.length || sending.value) return
  sending.value = true
  for (const [k, file] of files.slice(0, 2).entries()) {
    const sent = await send(file)
    if (!sent) break
    choose((k ? 1 - index : index) as 0 | 1, `photo:${sent.id}`)
  }
  sending.value = false
}
async function removePhoto(photo: string) {
  if (await remove(photo))
    sides.value = sides.value.map((side) => (side.id === photo ? { kind: 'nothing', id: '' } : side)) as [Side, Side]
}

/** Two pieces near the face to begin with, unless something was chosen before the rail came. */
const untouched = computed(() => sides.value.every((side) => side.kind === 'nothing'))
watch(id, () => {
  sides.value = [
    { kind: 'nothing', id: '' },
    { kind: 'nothing', id: '' },
  ]
})
watch(
  [id, loaded],
  () => {
    if (!loaded.value || !untouched.value) return
    const near = pieces.value.filter((piece) => piece.nearness > 0.8)
    const at = (k: number): Side => (near[k] ? { kind: 'piece', id: near[k].id } : { kind: 'nothing', id: '' })
    sides.value = [at(0), at(1)]
  },
  { immediate: true },
)

const chin = computed(() => chinOf(client.value?.portraits ?? []))
const piece = (side: Side) => (side.kind === 'piece' ? (pieces.value.find((one) => one.id === side.id) ?? null) : null)
const value = (side: Side) => `${side.kind}:${side.id}`
const choices = computed(() => [
  { value: 'nothing:', label: 'nothing, the face alone' },
  {
    type: 'group',
    key: 'pieces',
    label: 'Pieces',
    children: pieces.value.map((one) => ({ value: `piece:${one.id}`, label: one.label })),
  },
  {
    type: 'group',
    key: 'looks',
    label: 'Looks',
    children: looks.value.map((one) => ({ value: `look:${one.id}`, label: one.name })),
  },
  ...(photos.value.length
    ? [
        {
          type: 'group',
          key: 'photos',
          label: 'Photos',
          children: photos.value.map((one) => ({ value: `photo:${one.id}`, label: one.name })),
        },
      ]
    : []),
])
function choose(index: 0 | 1, chosen: string) {
  const [kind, ...rest] = chosen.split(':') as [Side['kind'], ...string[]]
  const now: [Side, Side] = [...sides.value]
  now[index] = { kind, id: rest.join(':') }
  sides.value = now
  said.value = ''
}
async function keep(better: Better | null) {
  if (!loaded.value) return
  const [left, right] = sides.value
  if (!(await server.keep({ left, right, better, note: note.value }))) return
  note.value = ''
  said.value = 'Kept with the client.'
}
async function forget(one: SideBySide) {
  said.value = ''
  await server.forget(one)
}
const remember = () => server.remember()
function show(one: SideBySide) {
  sides.value = [
    { kind: one.left.kind, id: one.left.id },
    { kind: one.right.kind, id: one.right.id },
  ]
}
/** What was compared may have been let go since. */
const there = (side: SideBySide['left']) =>
  side.kind === 'nothing' ||
  [pieces.value, looks.value, photos.value][['piece', 'look', 'photo'].indexOf(side.kind)]!.some(
    (one) => one.id === side.id,
  )
const labelled = (side: SideBySide['left']) => (there(side) ? side.label : `${side.label}, no longer there,`)
useKeys(() => ({
  arrowleft: () => void keep('left'),
  arrowright: () => void keep('right'),
  arrowdown: () => void keep('no difference'),
}))
const told = (one: SideBySide) =>
  one.better === null
    ? ''
    : one.better === 'no difference'
      ? 'no difference'
      : `better: ${one.better === 'left' ? one.left.label : one.right.label}`
</script>

<template>
  <div class="side-by-side">
    <div class="faces">
      <section
        v-for="index in [0, 1] as const"
        :key="index"
        class="side"
        :aria-label="index ? 'Right' : 'Left'"
        @dragover.prevent
        @drop.prevent="take(index, [...($event.dataTransfer?.files ?? [])])"
      >
        <div class="shown">
          <BareFigure
            v-if="figureOf(sides[index]) && client"
            :figure="figureOf(sides[index])!"
            :client="client"
            :pieces="pieces"
            :name="named(sides[index])"
          />
          <FramedPhoto v-else-if="shownPhoto(index)" v-bind="shownPhoto(index)!" />
          <DrapedFace
            v-else
            :person="client?.person ?? null"
            :chin="chin"
            :hex="piece(sides[index])?.colours[0]?.hex ?? null"
            :picture="piece(sides[index])?.cloth ?? null"
            :label="piece(sides[index])?.label ?? 'nothing'"
          />
        </div>
        <div v-if="loaded" class="choice">
          <ChoiceList
            :value="value(sides[index])"
            :options="choices"
            :label="index ? 'What is on the right' : 'What is on the left'"
            @change="choose(index, $event)"
          />
          <ChooseFile
            accept="image/*,.heic,.heif"
            several
            :disabled="sending"
            :label="index ? 'A photo for the right' : 'A photo for the left'"
            @files="take(index, $event)"
            >Photo</ChooseFile
          >
          <PhotoHandles
            v-if="photoOn(sides[index])"
            :photo="photoOn(sides[index])!"
            @rename="rename(sides[index].id, $event)"
            @remove="removePhoto(sides[index].id)"
          />
        </div>
      </section>
    </div>
    <aside class="panel">
      <h1>Side by side</h1>
      <p class="soft">
        One garment against another at the face, one look against another, with and without; drawn, or as two photos
        taken a moment apart.
      </p>
      <p v-if="sending" role="status">Bringing the photo in and relighting it.</p>
      <template v-if="pair">
        <p role="status">{{ together ? pairWords(pair) : 'Each photo relit by itself and shown whole.' }}</p>
        <p class="acts">
          <NButton text class="word" :aria-pressed="together" @click="together = !together">
            one light, one size
          </NButton>
        </p>
      </template>
      <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
      <label class="note"
        >Note
        <NInput
          v-model:value="note"
          :maxlength="500"
          placeholder="what was seen"
          :input-props="{ 'aria-label': 'Note' }"
      /></label>
      <div class="acts" role="group" aria-label="Which is better?">
        <NButton @click="keep('left')"><kbd>←</kbd> left</NButton>
        <NButton @click="keep('no difference')"><kbd>↓</kbd> no difference</NButton>
        <NButton @click="keep('right')"><kbd>→</kbd> right</NButton>
      </div>
      <p role="status">{{ said }}</p>
      <h2 v-if="kept.length || forgotten">Kept</h2>
      <ForgottenNote v-if="forgotten" :told="forgotten.told" @back="remember" />
      <ul>
        <li v-for="one in kept" :key="one.id">
          <strong>{{ labelled(one.left) }}</strong> against <strong>{{ labelled(one.right) }}</strong>
          <span class="soft">{{ [told(one), one.note].filter(Boolean).join(' · ') }}</span>
          <span class="acts"
            ><NButton text v-if="there(one.left) && there(one.right)" class="word" @click="show(one)">
              show again</NButton
            ><NButton text class="word" @click="forget(one)">forget</NButton></span
          >
        </li>
      </ul>
    </aside>
  </div>
</template>

<style scoped>
.side-by-side {
  height: 100%;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
}
.faces {
  background: var(--cloth);
  display: grid;
  grid-template-columns: 1fr 1fr;
  min-height: 0;
}
.side {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.shown {
  flex: 1;
  min-height: 0;
  overflow: hidden;
  display: grid;
}
.choice {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  padding: 8px 12px 12px;
}
.panel {
  background: var(--paper);
  border-left: 1px solid var(--line);
  padding: 16px 20px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.note {
  display: grid;
  gap: 3px;
}
.acts {
  display: grid;
  grid-template-columns: repeat(3, auto);
  gap: 6px;
}
.acts .n-button {
  padding: 0 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 10px;
}
li {
  display: grid;
  gap: 1px;
}
.choice .choice-list {
  flex: 1 1 10em;
  min-width: 0;
}
</style>
