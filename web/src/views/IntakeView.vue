<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useDropZone, useLocalStorage } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import type { NeutralMark, Photo, Word } from '@/api'
import ChooseFile from '@/components/fields/ChooseFile.vue'
import KeysHelp from '@/components/base/KeysHelp.vue'
import EmptyStart from '@/components/base/EmptyStart.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import AlikeNote from '@/components/intake/AlikeNote.vue'
import FilmStrip from '@/components/intake/FilmStrip.vue'
import PhotoStage, { type Shown, type Tool } from '@/components/intake/PhotoStage.vue'
import PhotoTools from '@/components/intake/PhotoTools.vue'
import ReadingPanel from '@/components/intake/ReadingPanel.vue'
import RereadPanel from '@/components/intake/RereadPanel.vue'
import RoomNote from '@/components/intake/RoomNote.vue'
import WhatCard from '@/components/intake/WhatCard.vue'
import { useKeys } from '@/composables/useKeys'
import { KEYS, PATTERNS } from '@/lib/intakeKeys'
import { roomOf } from '@/lib/stitches'
import { inOrder, isOpen } from '@/lib/strip'
import { chosenFinish, over } from '@/lib/what'
import { useClient } from '@/server/useClient'
import { useIntake } from '@/server/useIntake'
import { useRooms } from '@/server/useRooms'
import { useWhatOfPhoto } from '@/server/useWhat'
import { BINS, categoryOf, METALS, plural } from '@/lib/words'

const HINTS: Record<Tool, string> = {
  look: '',
  neutral: 'Tap something white or grey in the photo.',
  cloth: 'Draw over cloth that was left out.',
  'not cloth': 'Draw over what is not cloth.',
  box: 'Draw a box round the piece.',
}
const SHOWN: Shown[] = ['as shot', 'relit', 'cloth only']
const { id, client } = useClient()
const {
  photos,
  loaded,
  refused,
  sending,
  problem,
  reading,
  send,
  relight,
  stroke,
  undoStroke,
  shareLight,
  holdReader,
  calibrate,
  keepApart,
  another,
  notNow,
  remove,
  hang,
  takeOff,
} = useIntake(id)

const {
  rooms,
  problem: roomProblem,
  join,
  leave,
  begin,
  sayPaper,
} = useRooms(
  () => id.value,
  () => photos.value,
)
const order = computed(() => inOrder(photos.value))
const openId = ref<string | null>(null)
const photo = computed<Photo | null>(() => photos.value.find((p) => p.id === openId.value) ?? null)
const waiting = computed(() => photos.value.filter((p) => p.state !== 'hung').length)
const done = computed(() => photos.value.filter((p) => p.state !== 'waiting' && p.state !== 'reading').length)
const underWay = computed(() => {
  if (done.value < photos.value.length) return `reading photos: ${done.value} of ${photos.value.length} done`
  const again = photos.value.filter((p) => p.changing).length
  return `reading ${plural(again, 'photo')} again in another light`
})
const shown = ref<Shown>('as shot')
const tool = ref<Tool>('look')
const choosing = ref(false)
const said = ref('')
const lastHung = ref<{ piece: string; photo: string }[]>([])
const words = useLocalStorage<Record<string, Word>>('intake-words', {})
const word = computed<Word>(() => {
  if (!photo.value) return {}
  const { reading, name, category, id: of } = photo.value
  return {
    category: categoryOf(name) ?? category,
    metal: reading?.hardware?.metal ?? null,
    ...words.value[of],
  }
})

const { what } = useWhatOfPhoto(
  () => id.value,
  () => {
    const one = photo.value
    return one?.reading && (one.state === 'read' || one.state === 'not now')
      ? { id: one.id, read: one.pictures.relit ?? '' }
      : null
  },
  // until she says what it is, it is shown as what it likely is
  () => ({ ...word.value, category: word.value.category ?? photo.value?.guesses[0]?.category ?? null }),
)

watch([order, loaded], () => {
  if (!photo.value) openId.value = order.value[0]?.id ?? null
})
watch(openId, () => {
  tool.value = 'look'
  choosing.value = false
})

const say = (now: Word) => {
  if (photo.value) words.value = { ...words.value, [photo.value.id]: over(words.value[photo.value.id] ?? {}, now) }
}
function pick(files: File[] | null) {
  const found = [...(files ?? [])].filter((file) => !file.name.startsWith('.'))
  if (found.length) void send(found)
}
const adding = ref<InstanceType<typeof ChooseFile> | null>(null)
const page = ref<HTMLElement | null>(null)
const { isOverDropZone } = useDropZone(page, { onDrop: (files) => pick(files) })

function next(step = 1) {
  const at = order.value.findIndex((p) => p.id === openId.value)
  openId.value = order.value[(at + step + order.value.length) % order.value.length]?.id ?? null
}
/** Photos on their way to the rail, each with its answer still to come. */
const goingUp = new Map<string, Promise<void>>()
/** The next photo that still wants a look, after the one that was just dealt with. */
function goOn(from: Photo[]) {
  const at = from.findIndex((p) => p.id === openId.value)
  const rest = [...from.slice(at + 1), ...from.slice(0, at)].filter((p) => !goingUp.has(p.id))
  openId.value = rest.find(isOpen)?.id ?? rest[0]?.id ?? openId.value
}
/** The next key is meant for the next photo, however long this one takes; what cannot be hung comes back. */
async function hangIt() {
  const one = photo.value
  if (!one?.reading || (one.state !== 'read' && one.state !== 'not now') || goingUp.has(one.id)) return
  if (!word.value.category) {
    said.value = photo.value?.guesses.length ? 'Say what it is first: 1, 2, 3, or K.' : 'Say what it is first: press K.'
    if (!photo.value?.guesses.length) focusKind()
    return
  }
  goingUp.set(one.id, hangUp(one.id, word.value))
  goOn(order.value)
  await goingUp.get(one.id)
}
async function hangUp(photo: string, word: Word) {
  const piece = await hang(photo, word)
  goingUp.delete(photo)
  if (piece) {
    lastHung.value = [...lastHung.value, { piece: piece.id, photo }]
    said.value = `${piece.label} hangs with the ${piece.sort.bin}s. Ctrl+Z takes it off again.`
  } else openId.value = photo
}
async function undo() {
  if (tool.value !== 'look' && photo.value?.strokes) {
    await undoStroke(photo.value.id)
    return
  }
  await Promise.all(goingUp.values())
  const last = lastHung.value.at(-1)
  if (last && (await takeOff(last.piece, last.photo))) {
    lastHung.value = lastHung.value.slice(0, -1)
    openId.value = last.photo
    said.value = 'Taken off the rail again.'
  }
}
async function setAside() {
  if (!photo.value) return
  const before = order.value
  await notNow(photo.value.id)
  goOn(before)
}
async function drop(one: Photo) {
  const before = order.value
  goOn(before)
  await remove(one.id)
}
async function giveLight() {
  if (!photo.value?.reading) return
  const count = await shareLight(photo.value.id)
  if (count !== null)
    said.value = count ? `${plural(count, 'photo')} will be read in this light.` : 'No other photo waits.'
}
async function read() {
  if (!photo.value?.reading) return
  const done = await holdReader(photo.value.id)
  if (done) said.value = 'Read with the colour reader.'
}
async function onTile() {
  if (await calibrate()) said.value = 'The reader is calibrated on its tile.'
}
async function sameAgain() {
  if (photo.value?.alike) await drop(photo.value)
}
async function different() {
  const one = photo.value
  if (one?.alike) await keepApart(one.id, one.alike.photo_id)
}
async function onePieceMore() {
  const copy = photo.value && (await another(photo.value.id))
  if (copy) {
    openId.value = copy.id
    await nextTick() // opening another photo puts every tool away
    tool.value = 'box'
    said.value = 'Draw a box round the other piece.'
  }
}
const turnMetal = () => say({ metal: METALS[(METALS.indexOf(word.value.metal ?? 'none') + 1) % METALS.length] })
const anew = ref(false)
/** The photos whose change is being shown; none for all. */
const changing = ref<string[] | null>(null)
function closeAnew() {
  anew.value = false
  changing.value = null
}
function readAll() {
  const open = anew.value
  closeAnew()
  anew.value = !open
}
const room = computed(() => (photo.value ? roomOf(rooms.value, photo.value.id) : null))
/** The photo before this one that could share its room. */
const beside = computed(() => {
  const all = rooms.value.flatMap((one) => one.photos)
  const at = photo.value ? all.indexOf(photo.value.id) : -1
  const id = at > 0 ? all[at - 1] : all.length > 1 && at === 0 ? all[1] : null
  return photos.value.find((one) => one.id === id) ?? null
})
const again = (count: number | null) =>
  count ? `${plural(count, 'photo')} will be read again.` : 'Nothing has to be read again.'
async function sayIsPaper(is: boolean | null) {
  const one = photo.value
  if (!one?.sheet || one.state === 'hung') return
  const count = await sayPaper(one.id, is)
  if (count !== null) said.value = `${is ? 'It is paper' : 'It is no paper'}. ${again(count)}`
}
function showChange() {
  if (!room.value?.would_change.length) return
  changing.value = room.value.would_change
  anew.value = true
}
/** One key: the paper that is asked about, or what the room would change. */
const yes = () => {
  const sheet = photo.value?.sheet
  return sheet && !sheet.used && sheet.said !== true ? sayIsPaper(true) : showChange()
}
async function inOrOut() {
  const one = photo.value
  if (!one) return
  const out = room.value !== null
  const count = out ? await leave(one.id) : beside.value ? await join(one.id, beside.value.id) : null
  if (count !== null)
    said.value = `${out ? 'Taken out of its room' : `Put into the room of ${beside.value?.name}`}. ${again(count)}`
}
async function beginRoom() {
  const count = photo.value && room.value ? await begin(photo.value.id) : null
  if (count !== null) said.value = `A new room begins here. ${again(count)}`
}
const focusOn = (where: string) => document.querySelector<HTMLElement>(where)?.focus()
const focusKind = () => focusOn('.kind input')
const turn = () => (shown.value = SHOWN[(SHOWN.indexOf(shown.value) + 1) % SHOWN.length] as Shown)
const take = (wanted: Tool) => (tool.value = tool.value === wanted ? 'look' : wanted)

useKeys(() => ({
  ...Object.fromEntries(
    BINS.map(({ bin, key }) => [
      key,
      () => {
        say({ bin })
        choosing.value = bin === 'print'
      },
    ]),
  ),
  ...Object.fromEntries(
    (photo.value?.guesses ?? []).map(({ category }, i) => [String(i + 1), () => say({ category })]),
  ),
  ...Object.fromEntries(
    (what.value?.cloths ?? [])
      .slice(0, 3)
      .map(({ finish }, i) => [String(i + 4), () => what.value && say(chosenFinish(what.value, finish))]),
  ),
  ...(choosing.value
    ? Object.fromEntries(
        PATTERNS.map((pattern, i) => [
          String(i + 1),
          () => {
            say({ pattern, bin: 'print' })
            choosing.value = false
          },
        ]),
      )
    : {}),
  s: () => {
    say({ pattern: 'solid', ...(word.value.bin === 'print' ? { bin: null } : {}) })
    choosing.value = false
  },
  enter: hangIt,
  k: focusKind,
  f: () => document.querySelector<HTMLElement>('.finish .n-base-selection-tags')?.click(),
  h: () => focusOn('.cut [role=slider]'),
  x: setAside,
  v: turn,
  a: () => adding.value?.ask(),
  l: () => take('neutral'),
  o: () => take('cloth'),
  e: () => take('not cloth'),
  q: () => take('box'),
  g: giveLight,
  y: yes,
  u: () => sayIsPaper(false),
  i: inOrOut,
  z: beginRoom,
  r: read,
  j: turnMetal,
  d: sameAgain,
  n: different,
  m: onePieceMore,
  escape: () => {
    tool.value = 'look'
    choosing.value = false
  },
  arrowdown: () => next(),
  arrowup: () => next(-1),
  'ctrl+z': undo,
}))
function tryTile() {
  problem.value = null
  void onTile()
}
function tapped(neutral: NeutralMark) {
  if (photo.value) void relight(photo.value.id, neutral)
  tool.value = 'look'
}
</script>

<template>
  <div ref="page" class="intake" :class="{ over: isOverDropZone }">
    <aside class="left">
      <div class="add">
        <ChooseFile ref="adding" accept="image/*,.heic,.heif" several label="Add photos" @files="pick" />
      </div>
      <NButton text class="word anew" :aria-pressed="anew" @click="readAll">Read all again</NButton>
      <FilmStrip :photos="order" :open-id="openId" :rooms="rooms" @open="openId = $event.id" />
    </aside>
    <section class="middle" aria-label="Photo">
      <div class="notes" aria-live="polite">
        <p v-if="sending.of" class="note">taking in {{ sending.done }} of {{ sending.of }}</p>
        <p v-else-if="reading" class="note">{{ underWay }}</p>
        <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
        <ProblemNote v-if="roomProblem" :problem="roomProblem" closable @close="roomProblem = null" />
        <NButton type="primary" v-if="problem?.where === 'reader'" @click="tryTile()">
          It is on its tile: calibrate
        </NButton>
        <ProblemNote
          v-for="(one, index) in refused"
          :key="index"
          :problem="one.problem!"
          closable
          @close="refused.splice(index, 1)"
        />
      </div>
      <RereadPanel v-if="anew" :key="String(changing)" :client-id="id" :photos="changing" @close="closeAnew" />
      <template v-else-if="photo">
        <div v-if="photo.pictures.as_shot" class="shown" role="group" aria-label="Show">
          <NButton text v-for="one in SHOWN" :key="one" class="word" :aria-pressed="shown === one" @click="shown = one">
            {{ one }}
          </NButton>
        </div>
        <div class="stage">
          <PhotoStage :photo="photo" :shown="shown" :tool="tool" @neutral="tapped" @stroke="stroke(photo.id, $event)" />
          <WhatCard v-if="what && client" :photo="photo" :what="what" :client="client" @say="say" />
        </div>
        <p v-if="tool !== 'look'" class="hint">
          {{ HINTS[tool] }}
          <kbd>Esc</kbd>
        </p>
      </template>
      <EmptyStart v-else-if="loaded" title="Drop photos of garments here">
        One piece a photo, on a plain ground, shoes and bags too. A white card or a sheet of paper in the picture makes
        the colours truer.
        <template #start>
          <NButton type="primary" @click="adding?.ask()">Choose photos <kbd>A</kbd></NButton>
        </template>
      </EmptyStart>
    </section>
    <aside class="right" aria-label="Reading">
      <template v-if="photo">
        <div class="title">
          <h2>{{ word.label || photo.name }}</h2>
          <span class="soft">{{ plural(waiting, 'photo') }} to go through</span>
          <KeysHelp :keys="KEYS" />
        </div>
        <p class="said" role="status">{{ said }}</p>
        <template v-if="photo.state === 'failed'">
          <ProblemNote v-if="photo.problem" :problem="photo.problem" />
          <div class="acts">
            <NButton @click="drop(photo)">Remove the photo</NButton>
            <NButton v-if="photo.pictures.as_shot" @click="take('cloth')"> Draw over the cloth <kbd>O</kbd> </NButton>
          </div>
        </template>
        <template v-else-if="photo.reading && photo.state !== 'waiting' && photo.state !== 'reading'">
          <AlikeNote v-if="photo.alike" :alike="photo.alike" @remove="sameAgain" @apart="different" />
          <ReadingPanel :key="photo.id" :photo="photo" :word="word" :what="what" :choosing="choosing" @say="say" />
          <RoomNote
            :photo="photo"
            :room="room"
            :photos="photos"
            :beside="beside"
            @paper="sayIsPaper"
            @leave="inOrOut"
            @join="inOrOut"
            @begin="beginRoom"
            @show="showChange"
          />
          <p v-if="photo.state === 'hung'" class="soft">
            It hangs. <RouterLink :to="{ name: 'rail', params: { client: id } }">See it on the rail</RouterLink>
          </p>
          <template v-else>
            <div class="acts">
              <NButton type="primary" @click="hangIt">Hang it <kbd>↵</kbd></NButton>
              <NButton @click="setAside">
                {{ photo.state === 'not now' ? 'Take up again' : 'Not now' }} <kbd>X</kbd>
              </NButton>
            </div>
            <PhotoTools
              :photo="photo"
              :tool="tool"
              @take="take"
              @give-light="giveLight"
              @reader="read"
              @anew="relight(photo.id, null)"
              @undo-stroke="undoStroke(photo.id)"
              @more="onePieceMore"
              @remove="drop(photo)"
            />
          </template>
        </template>
        <p v-else class="soft" role="status">{{ photo.stage ? `${photo.stage}…` : 'waits to be read…' }}</p>
      </template>
      <KeysHelp v-if="!photo" class="keys" :keys="KEYS" />
    </aside>
  </div>
</template>

<style scoped>
.intake {
  height: 100%;
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr) 420px;
  position: relative;
}
@media (max-width: 1150px) {
  .intake {
    grid-template-columns: 96px minmax(0, 1fr) 380px;
  }
}
.over::after {
  content: 'Let go to take them in';
  position: absolute;
  inset: 10px;
  border: 3px dashed var(--ink);
  display: grid;
  place-items: center;
  font:
    600 24px 'Petrona Variable',
    serif;
  background: color-mix(in srgb, var(--sheet) 70%, transparent);
  z-index: 30;
  pointer-events: none;
}
.left {
  background: var(--panel);
  border-right: 1px solid var(--line);
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.add {
  padding: 10px 6px 0;
  display: grid;
}
.add :deep(.n-button) {
  width: 100%;
  padding: 0 4px;
  font-size: 13px;
}
.anew {
  font-size: 12.5px;
  padding: 6px 4px 0;
  text-align: center;
}
.left > :last-child {
  flex: 1;
  min-height: 0;
}
.middle {
  position: relative;
  background: var(--cloth);
  padding: 16px 22px;
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.notes {
  display: grid;
  gap: 6px;
}
.notes:empty {
  display: none;
}
.note {
  background: var(--paper);
  color: var(--ink);
  padding: 4px 12px;
  border-radius: 5px;
  justify-self: start;
}
.shown {
  align-self: flex-start;
  background: var(--sheet);
  color: var(--ink);
  border-radius: 6px;
  padding: 1px 12px;
  display: flex;
  gap: 16px;
}
.stage {
  flex: 1;
  min-height: 0;
  display: flex;
  gap: 14px;
}
.stage > .room {
  flex: 1;
  min-width: 0;
}
.hint {
  position: absolute;
  bottom: 24px;
  left: 50%;
  transform: translateX(-50%);
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--ink);
  padding: 6px 14px;
  border-radius: 6px;
}
.right {
  background: var(--paper);
  border-left: 1px solid var(--line);
  padding: 12px 20px 8px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
}
.title h2 {
  overflow-wrap: anywhere;
}
.title .soft {
  white-space: nowrap;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.right > .acts {
  position: sticky;
  bottom: -8px;
  background: var(--paper);
  padding: 5px 0;
  z-index: 2;
}
.acts .n-button {
  padding: 5px 11px;
}
.acts .n-button[aria-pressed='true'] {
  outline: 2.5px solid var(--ink);
}
.notes .n-button {
  justify-self: start;
}
.said {
  margin: 0;
}
.said:empty {
  display: none;
}
.keys {
  margin-top: auto;
  align-self: flex-end;
}
</style>
