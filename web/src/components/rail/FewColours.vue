<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Palette, Piece } from '@/api'
import ChooseFile from '@/components/fields/ChooseFile.vue'
import NumberField from '@/components/fields/NumberField.vue'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import { percent, plural } from '@/lib/words'
import { usePalettes } from '@/server/usePalettes'

/** A few colours that already are this wardrobe: found, edited, kept, taken out and in. */
const { clientId, byId } = defineProps<{ clientId: string; byId: Map<string, Piece> }>()
const emit = defineEmits<{ show: [id: string]; inside: [ids: Set<string> | null] }>()
type Colour = Palette['colours'][number]
const count = ref(5)
const within = ref(10)
const pinned = ref(new Set<string>())
const tried_ = shallowRef<Palette | null>(null)
const name = ref('')
const server = usePalettes(() => clientId)
const { kept, problem, tried } = server
const key = (colour: Colour) => colour.lab.join(' ')
const plain = (colours: Colour[]) => colours.map(({ name: called, lab }) => ({ name: called, lab }))
const palette = computed(() => tried_.value)
const out = computed(() => (palette.value?.pieces ?? []).filter((one) => !one.inside))
const inside = computed(() => (palette.value?.pieces ?? []).filter((one) => one.inside))
watch(inside, (ids) => emit('inside', palette.value ? new Set(ids.map((one) => one.piece_id)) : null))

const find = () =>
  tried(async () => {
    const stay = (palette.value?.colours ?? []).filter((one) => pinned.value.has(key(one)))
    tried_.value = await server.find(count.value, within.value, plain(stay))
    name.value = ''
  })
const again = (colours: Colour[]) =>
  tried(async () => {
    const was = palette.value
    const now = await server.fit(within.value, plain(colours))
    tried_.value = { ...now, id: was?.id ?? null, name: was?.name ?? '' }
  })
const without = (colour: Colour) => again((palette.value?.colours ?? []).filter((one) => one !== colour))
const withPiece = (id: string) => {
  const colour = byId.get(id)?.colours[0]
  if (colour)
    void again([
      ...(palette.value?.colours ?? []),
      { name: byId.get(id)?.sort.name ?? '', lab: colour.lab, hex: colour.hex, covers: 0 },
    ])
}
/** A colour as it is typed: L*, a* and b*, or a screen colour, which is read as a palette of one. */
const typed = ref('')
const withTyped = () =>
  tried(async () => {
    const text = typed.value.trim()
    const numbers = text
      .replaceAll('−', '-')
      .split(/[\s,;]+/)
      .map(Number)
    const now = palette.value?.colours ?? []
    if (numbers.length === 3 && numbers.every(Number.isFinite))
      await again([...now, { name: '', lab: numbers, hex: '', covers: 0 }])
    else {
      const asFile = new File([`:root { --typed: ${text.startsWith('#') ? text : `#${text}`}; }`], 'typed.css')
      const read = await server.read(asFile)
      await again([...now, ...read.colours.map((one) => ({ ...one, name: '' }))])
    }
    typed.value = ''
  })
function pin(colour: Colour) {
  const next = new Set(pinned.value)
  if (!next.delete(key(colour))) next.add(key(colour))
  pinned.value = next
}
const keep = () =>
  tried(async () => {
    const now = palette.value
    if (!now) return
    tried_.value = await server.keep(now.id ?? null, name.value, within.value, plain(now.colours))
  })
const letGo = (id: string) =>
  tried(async () => {
    await server.letGo(id)
    if (palette.value?.id === id) tried_.value = { ...palette.value, id: null }
  })
function open(one: Palette) {
  tried_.value = one
  name.value = one.name
  within.value = one.within
}
async function send([file]: File[]) {
  if (!file) return
  await tried(async () => {
    const read = await server.read(file)
    tried_.value = read
    name.value = read.name
  })
}
watch(within, () => palette.value && again(palette.value.colours))
void find()
</script>

<template>
  <div class="few">
    <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
    <div class="ask">
      <label
        >colours <NumberField :value="count" :min="1" :max="12" :step="1" @change="count = $event ?? count"
      /></label>
      <label
        >each covers cloth within
        <NumberField :value="within" :min="1" :max="30" :step="1" @change="within = $event ?? within" /> ΔE</label
      >
      <NButton @click="find">Find them again</NButton>
      <form class="typed" @submit.prevent="withTyped">
        <label
          >add
          <NInput
            v-model:value="typed"
            :maxlength="40"
            placeholder="#2f4a66 or 31 2 −18"
            :input-props="{ 'aria-label': 'add' }" /></label
        ><NButton attr-type="submit" :disabled="!typed.trim()">Add</NButton>
      </form>
      <ChooseFile accept=".gpl,.css,.csv,.json" label="Read a palette file" @files="send" />
      <span v-for="one in kept" :key="one.id ?? ''" class="kept"
        ><NButton text class="word link" @click="open(one)">{{ one.name }}</NButton>
        <NButton text class="word soft" :aria-label="`let ${one.name} go`" @click="one.id && letGo(one.id)">
          ×
        </NButton></span
      >
    </div>
    <template v-if="palette">
      <ul class="colours">
        <li v-for="colour in palette.colours" :key="key(colour)">
          <PinkedSwatch :hex="colour.hex" :width="106" :height="44" />
          <strong>{{ colour.name }}</strong>
          <span class="soft">L* {{ colour.lab[0]?.toFixed(0) }} · {{ colour.hex }}</span>
          <span>covers {{ percent(colour.covers) }}</span>
          <span
            ><NButton text class="word link" :aria-pressed="pinned.has(key(colour))" @click="pin(colour)">
              {{ pinned.has(key(colour)) ? 'stays' : 'let it stay' }}
            </NButton>
            <NButton text class="word link" @click="without(colour)">leave out</NButton></span
          >
        </li>
        <li class="sum">
          <strong class="big">{{ percent(palette.covers) }}</strong><span
            >of the cloth is within {{ palette.within }} ΔE of {{ plural(palette.colours.length, 'colour') }}</span
          >
          <span>{{ plural(inside.length, 'piece') }} in, {{ out.length }} out</span>
        </li>
      </ul>
      <p class="ask">
        <label
          >name
          <NInput
            v-model:value="name"
            :maxlength="200"
            placeholder="Winter tour"
            :input-props="{ 'aria-label': 'name' }"
        /></label>
        <NButton type="primary" @click="keep">
          {{ palette.id ? 'Keep the changes' : 'Keep this palette' }}
        </NButton>
        <template v-if="palette.id"
          >take it out as
          <a
            v-for="ending in ['gpl', 'css', 'csv', 'json']"
            :key="ending"
            :href="`/api/palettes/${palette.id}/file.${ending}`"
            download
            >{{ ending === 'gpl' ? 'GIMP palette' : ending.toUpperCase() }}</a
          >
        </template>
      </p>
      <p v-if="out.length" class="out">
        Out:
        <span v-for="one in out" :key="one.piece_id"
          ><NButton text class="word link" @click="emit('show', one.piece_id)">
            {{ byId.get(one.piece_id)?.label }}
          </NButton>
          <span class="soft">{{
            one.share ? `${percent(one.share)} of it in` : `${one.difference.toFixed(0)} ΔE away`
          }}</span>
          <NButton
            text
            class="word soft"
            :aria-label="`add the colour of ${byId.get(one.piece_id)?.label}`"
            @click="withPiece(one.piece_id)"
          >
            +
          </NButton></span
        >
      </p>
    </template>
  </div>
</template>

<style scoped>
.few {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
}
.colours {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 10px;
}
.colours li {
  width: 106px;
  font-size: 13px;
  display: flex;
  flex-direction: column;
  line-height: 1.3;
}
.colours .sum {
  width: 118px;
}
.big {
  font:
    600 30px/1.1 'Petrona Variable',
    serif;
}
.link {
  text-decoration: underline;
  padding: 0;
}
.out {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
.typed {
  display: flex;
  gap: 6px;
  align-items: center;
}
.kept {
  white-space: nowrap;
}
.number-field {
  width: 62px;
}
.typed .n-input {
  width: 150px;
}
label {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  white-space: nowrap;
}
.number-field {
  flex: none;
}
span:has(> .n-button) {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 0 8px;
}
</style>
