<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import type { CapsuleBody, Palette, Piece } from '@/api'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import ChooseFile from '@/components/fields/ChooseFile.vue'
import NumberField from '@/components/fields/NumberField.vue'
import SlideField from '@/components/fields/SlideField.vue'
import SpanField from '@/components/fields/SpanField.vue'
import TextField from '@/components/fields/TextField.vue'
import { spanWords, WARMTH } from '@/lib/making'

/** What is asked of a capsule. */
const { rail, palettes, busy } = defineProps<{ rail: Piece[]; palettes: Palette[]; busy: boolean }>()
const emit = defineEmits<{ choose: [body: CapsuleBody]; palette: [file: File] }>()
const name = ref('')
const pieces = ref<number | null>(12)
const keep = ref<string[]>([])
const palette = ref('')
const shoes = ref<number | null>(2)
const bags = ref<number | null>(1)
type Purpose = NonNullable<CapsuleBody['purposes']>[number] & { formality: { low: number; high: number } }
const purposes = ref<Purpose[]>([])
const BASE = ['upper', 'lower', 'whole', 'feet', 'layer']
const clothes = computed(() => rail.filter((piece) => BASE.includes(piece.zone)))
const choices = computed(() => [
  { value: '', label: keep.value.length ? 'another piece' : 'a piece that must be in' },
  ...clothes.value.filter((one) => !keep.value.includes(one.id)).map((one) => ({ value: one.id, label: one.label })),
])
const label = (id: string) => rail.find((one) => one.id === id)?.label ?? ''
const add = (id: string) => id && (keep.value = [...keep.value, id])
const out = (id: string) => (keep.value = keep.value.filter((one) => one !== id))
const dressFor = () =>
  (purposes.value = [...purposes.value, { name: 'evening', formality: { low: 4, high: 5 }, time: 'evening', least: 1 }])
const change = (place: number, part: Partial<Purpose>) =>
  (purposes.value = purposes.value.map((one, at) => (at === place ? { ...one, ...part } : one)))
const choose = () =>
  emit('choose', {
    name: name.value.trim() || `${pieces.value ?? 12} pieces`,
    pieces: pieces.value ?? 12,
    keep: keep.value,
    palette: palette.value || null,
    shoes: shoes.value,
    bags: bags.value ?? 1,
    purposes: purposes.value,
  })
defineExpose({ choose, only: (id: string) => (palette.value = id) })
</script>

<template>
  <div class="form">
    <label
      >called <TextField small :value="name" :maxlength="200" placeholder="Nine days" @change="name = $event"
    /></label>
    <label
      >pieces
      <NumberField small :value="pieces" :min="3" :max="60" :step="1" @change="pieces = $event" />
    </label>
    <p class="soft">clothes and shoes; jewellery and scarves do not count</p>
    <div class="two">
      <label>shoes <NumberField small :value="shoes" :min="1" :max="20" :step="1" @change="shoes = $event" /></label>
      <label>bags <NumberField small :value="bags" :min="0" :max="20" :step="1" @change="bags = $event" /></label>
    </div>
    <ChoiceList value="" :options="choices" label="A piece that must be in" @change="add" />
    <p v-if="keep.length" class="row">
      <NButton
        v-for="id in keep"
        :key="id"
        text
        class="word"
        :aria-label="`${label(id)} need not be in`"
        @click="out(id)"
      >
        {{ label(id) }} ×
      </NButton>
    </p>
    <ChoiceList
      :value="palette"
      :options="[
        { value: '', label: 'any colour' },
        ...palettes.flatMap((one) => (one.id ? [{ value: one.id, label: `in ${one.name}` }] : [])),
      ]"
      label="Only pieces in a palette"
      @change="palette = $event"
    />
    <p class="row">
      <ChooseFile
        word
        accept=".gpl,.css,.csv,.json"
        label="a palette from a file"
        @files="$event[0] && emit('palette', $event[0])"
      />
    </p>
    <div v-for="(one, place) in purposes" :key="place" class="purpose">
      <TextField
        small
        label="What it dresses for"
        :value="one.name"
        :maxlength="120"
        @change="change(place, { name: $event || 'something' })"
      />
      <SpanField
        :value="[one.formality.low, one.formality.high]"
        :min="1"
        :max="5"
        :labels="['The least formal', 'The most formal']"
        @change="change(place, { formality: { low: $event[0], high: $event[1] } })"
      />
      <p class="row">
        <span class="soft">{{ spanWords([one.formality.low, one.formality.high]) }}</span>
        <NButton
          v-for="time in ['', 'day', 'evening'] as const"
          :key="time"
          text
          class="word"
          :aria-pressed="(one.time ?? '') === time"
          @click="change(place, { time })"
          >{{ time || 'any time' }}</NButton
        >
        <NButton text class="word" @click="purposes = purposes.filter((_, at) => at !== place)">not this</NButton>
      </p>
      <p class="row">
        <span class="soft">{{ one.warmth == null ? 'any weather' : WARMTH[Math.round(one.warmth)] }}</span>
        <NButton v-if="one.warmth != null" text class="word" @click="change(place, { warmth: null })">any</NButton>
      </p>
      <SlideField
        class="warmth"
        :value="one.warmth ?? 2"
        :max="4"
        label="How cold it is"
        @change="change(place, { warmth: $event })"
      />
    </div>
    <p class="row">
      <NButton v-if="purposes.length < 6" text class="word link" @click="dressFor">it has to dress for…</NButton>
    </p>
    <NButton type="primary" :disabled="busy || !rail.length" @click="choose">Choose them <kbd>C</kbd></NButton>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  gap: 7px;
  font-size: 13px;
}
label {
  display: grid;
  grid-template-columns: 48px minmax(0, 1fr);
  align-items: center;
  gap: 8px;
  color: var(--soft);
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
}
.row .word {
  padding-inline: 0;
}
.purpose {
  border-left: 2px solid var(--line);
  padding-left: 8px;
  display: grid;
  gap: 4px;
}
.warmth {
  display: block;
  padding: 0 8px;
}
.link {
  text-decoration: underline;
}
</style>
