<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui'
import { computed, ref, toRef } from 'vue'
import { useRouter } from 'vue-router'
import type { CapsuleBody, Piece } from '@/api'
import EmptyStart from '@/components/base/EmptyStart.vue'
import KeysHelp from '@/components/base/KeysHelp.vue'
import LinkButton from '@/components/base/LinkButton.vue'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import ChooseFile from '@/components/fields/ChooseFile.vue'
import TextField from '@/components/fields/TextField.vue'
import CapsuleForm from '@/components/plan/CapsuleForm.vue'
import LooksAgainstPieces from '@/components/plan/LooksAgainstPieces.vue'
import { useKeys } from '@/composables/useKeys'
import { plural } from '@/lib/words'
import { firstProblem } from '@/server/firstProblem'
import { useCapsules } from '@/server/useCapsules'
import { usePalettes } from '@/server/usePalettes'

/** A capsule: asked for, walked along its curve, what each piece carries and what each left out would add. */
const { clientId, capsuleId, rail } = defineProps<{ clientId: string; capsuleId: string; rail: Piece[] }>()
const router = useRouter()
const {
  capsules,
  loaded,
  told,
  problem: capsuleProblem,
  choose,
  readIn,
  change,
  stop,
  letGo,
  undo,
  redo,
} = useCapsules(toRef(() => clientId))
const { kept: palettes, problem: paletteProblem, tried, read, keep } = usePalettes(() => clientId)
const problem = firstProblem(capsuleProblem, paletteProblem)
const byId = computed(() => new Map(rail.map((piece) => [piece.id, piece])))
const capsule = computed(
  () => capsules.value.find((one) => one.id === capsuleId) ?? (capsuleId ? null : (capsules.value[0] ?? null)),
)
const at = computed(() => capsule.value?.number ?? 0)
const here = computed(() => capsule.value?.curve.find((one) => one.number === at.value) ?? null)
const most = computed(() => Math.max(1, ...Object.values(here.value?.without ?? {})))
const inside = computed(() =>
  (here.value?.pieces ?? [])
    .flatMap((id) => {
      const piece = byId.value.get(id)
      return piece
        ? [{ piece, lost: here.value?.without[id] ?? 0, kept: capsule.value?.keep.includes(id) ?? false }]
        : []
    })
    .sort((one, other) => other.lost - one.lost),
)
const outside = computed(() =>
  Object.entries(here.value?.added ?? {}).flatMap(([id, adds]) => {
    const piece = byId.value.get(id)
    return piece ? [{ piece, adds }] : []
  }),
)
const bags = computed(() => (capsule.value?.bags ?? []).flatMap((id) => byId.value.get(id) ?? []))
const form = ref<InstanceType<typeof CapsuleForm> | null>(null)
const busy = computed(() => capsule.value?.choosing != null)
const go = (id: string) => router.replace({ name: 'plan', params: { client: clientId, part: 'capsule', id } })
async function ask(body: CapsuleBody) {
  const made = await choose(body)
  if (made) await go(made.id)
}
async function capsuleIn(file: File) {
  const read = await readIn(file)
  if (read) await go(read.id)
}
/** A palette of a file is kept among the client's, and the capsule keeps to it. */
async function paletteIn(file: File) {
  const kept = await tried(async () => {
    const found = await read(file)
    const colours = found.colours.map(({ name, lab }) => ({ name, lab }))
    return keep(null, found.name || file.name.replace(/\.[a-z]+$/i, ''), found.within, colours)
  })
  if (kept?.id) form.value?.only(kept.id)
}
async function walk(number: number) {
  if (!capsule.value || busy.value || !capsule.value.curve.some((one) => one.number === number)) return
  await change(capsule.value.id, { pieces: number })
}
async function drop() {
  if (capsule.value && (await letGo(capsule.value))) await go('')
}
const seen = () =>
  here.value && router.push({ name: 'rail', params: { client: clientId }, query: { capsule: capsule.value?.id } })
useKeys(() => ({
  c: () => form.value?.choose(),
  arrowright: () => void walk(at.value + 1),
  arrowleft: () => void walk(at.value - 1),
  r: () => void seen(),
  'ctrl+z': () => void undo(),
  'ctrl+y': () => void redo(),
}))
const KEYS: [string, string][] = [
  ['C', 'choose the pieces that are asked for'],
  ['← →', 'along the curve: a piece fewer, a piece more'],
  ['R', 'see the rail through it'],
  ['Ctrl+Z', 'take back, Ctrl+Y do again'],
  ['?', 'these keys'],
]
</script>

<template>
  <div class="part">
    <aside class="left" aria-label="What is asked">
      <CapsuleForm ref="form" :rail="rail" :palettes="palettes" :busy="busy" @choose="ask" @palette="paletteIn" />
      <p class="soft">
        <ChooseFile
          word
          accept=".json,application/json"
          label="a capsule from a file"
          @files="$event[0] && capsuleIn($event[0])"
        />
      </p>
      <template v-if="capsules.length">
        <h3>Capsules</h3>
        <ul class="list" aria-label="Capsules">
          <li v-for="one in capsules" :key="one.id">
            <RouterLink
              :to="{ name: 'plan', params: { client: clientId, part: 'capsule', id: one.id } }"
              :aria-current="capsule?.id === one.id ? 'true' : undefined"
              >{{ one.name }}</RouterLink
            >
            <span class="soft">{{ one.choosing === null ? plural(one.number, 'piece') : '…' }}</span>
          </li>
        </ul>
      </template>
    </aside>
    <section class="right">
      <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
      <template v-if="capsule && capsule.curve.length">
        <div class="head">
          <TextField
            class="name"
            small
            label="Name of the capsule"
            :value="capsule.name"
            :maxlength="200"
            @change="$event.trim() && change(capsule.id, { name: $event })"
          />
          <span v-if="busy" class="making" role="status">
            <NProgress type="line" :percentage="Math.round(100 * (capsule.choosing ?? 0))" :show-indicator="false" />
            looking for better ones…
            <NButton size="small" @click="stop(capsule.id)">Stop</NButton>
          </span>
          <span v-else class="soft">of {{ plural(capsule.of, 'good look') }} of the whole rail</span>
        </div>
        <div class="tile curve">
          <h2>Looks against pieces</h2>
          <LooksAgainstPieces :curve="capsule.curve" :at="at" @walk="walk" />
        </div>
        <p v-if="here?.unmet.length" class="said">Nothing in it goes to: {{ here.unmet.join(', ') }}.</p>
        <p v-if="capsule.gone.length" class="said">
          {{ plural(capsule.gone.length, 'piece') }} of it hang there no more.
        </p>
        <div class="both">
          <section class="tile" aria-label="What is in it" tabindex="0">
            <h2>{{ plural(inside.length, 'piece') }}</h2>
            <ul class="cloths">
              <li v-for="one in inside" :key="one.piece.id">
                <PinkedSwatch
                  :hex="one.piece.colours[0]?.hex ?? ''"
                  :picture="one.piece.cloth"
                  :width="30"
                  :height="34"
                />
                <span>
                  {{ one.piece.label }}<span v-if="one.kept" class="soft"> · asked for</span>
                  <span class="bar" aria-hidden="true"><span :style="{ width: `${(100 * one.lost) / most}%` }" /></span>
                  <span class="soft">{{ plural(one.lost, 'look') }} would be lost</span>
                </span>
              </li>
              <li v-for="bag in bags" :key="bag.id">
                <PinkedSwatch :hex="bag.colours[0]?.hex ?? ''" :picture="bag.cloth" :width="30" :height="34" />
                <span>{{ bag.label }}<br /><span class="soft">goes with most of them</span></span>
              </li>
            </ul>
          </section>
          <section class="tile" aria-label="What is left out" tabindex="0">
            <h2>Left out</h2>
            <ul class="cloths">
              <li v-for="one in outside" :key="one.piece.id">
                <PinkedSwatch
                  :hex="one.piece.colours[0]?.hex ?? ''"
                  :picture="one.piece.cloth"
                  :width="30"
                  :height="34"
                />
                <span
                  >{{ one.piece.label }}<br /><span class="soft">would add {{ plural(one.adds, 'look') }}</span></span
                >
              </li>
            </ul>
            <p v-if="!outside.length" class="soft">No other piece would add a look by itself.</p>
          </section>
        </div>
      </template>
      <EmptyStart v-else-if="loaded && !rail.length">
        The rail is empty, so there is nothing to choose from yet.
        <template #start
          ><LinkButton firm :to="{ name: 'intake', params: { client: clientId } }">Take photos in</LinkButton></template
        >
      </EmptyStart>
      <EmptyStart v-else-if="busy">Looking for the pieces…</EmptyStart>
      <EmptyStart v-else-if="loaded">
        {{
          capsule?.lack ||
          'Say how many pieces go along. The ones that carry most good looks are found, and it is proven that none do better.'
        }}
      </EmptyStart>
      <div class="foot">
        <NButton v-if="here" text class="word" @click="seen"><kbd>R</kbd> see the rail through it</NButton>
        <a v-if="here && capsule" class="out" :href="`/api/capsules/${capsule.id}/capsule.json`" download
          >take it out</a
        >
        <NButton v-if="capsule" text class="word" @click="drop">let it go</NButton>
        <NButton text class="word" @click="undo">undo</NButton>
        <span class="soft" role="status">{{ told }}</span>
        <KeysHelp class="keys" :keys="KEYS" />
      </div>
    </section>
  </div>
</template>

<style scoped>
.part {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  min-height: 0;
  flex: 1;
}
.left {
  overflow: auto;
  padding: 12px 16px;
  background: var(--panel);
  border-right: 1px solid var(--line);
}
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 14px 0 4px;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  font-size: 13px;
}
.list li {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  padding: 3px 0;
}
.list a {
  text-decoration: none;
}
.list a[aria-current],
.list a:hover {
  text-decoration: underline;
}
.right {
  display: flex;
  flex-direction: column;
  gap: 10px;
  padding: 12px 20px 0;
  min-height: 0;
  overflow: auto;
}
.head {
  display: flex;
  align-items: center;
  gap: 16px;
  font-size: 13px;
}
.name {
  width: 220px;
}
.making {
  display: flex;
  align-items: center;
  gap: 10px;
  white-space: nowrap;
}
.making :deep(.n-progress) {
  width: 160px;
}
.curve {
  height: 266px;
  flex: none;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
}
.both {
  display: grid;
  grid-template-columns: 1.3fr 1fr;
  gap: 12px;
  min-height: 150px;
  flex: 1;
}
.both > * {
  overflow: auto;
}
.cloths {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 8px 14px;
  font-size: 13px;
}
.cloths li {
  display: grid;
  grid-template-columns: 30px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  line-height: 1.3;
}
.bar {
  display: block;
  height: 5px;
  background: var(--line);
  margin: 2px 0;
}
.bar span {
  display: block;
  height: 100%;
  background: var(--ink);
}
.said {
  font-size: 13px;
}
.foot {
  position: sticky;
  bottom: 0;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 14px;
  margin: auto -20px 0;
  padding: 6px 20px;
  background: var(--paper);
  border-top: 1px solid var(--line);
  font-size: 13px;
}
.foot .word {
  padding-inline: 0;
}
.keys {
  margin-left: auto;
}
</style>
