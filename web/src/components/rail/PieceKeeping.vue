<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Kept, Piece, Word } from '@/api'
import DayField from '@/components/fields/DayField.vue'
import NumberField from '@/components/fields/NumberField.vue'
import TextField from '@/components/fields/TextField.vue'
import { dayOf, plural, SEASONS } from '@/lib/words'

/** What a wardrobe keeps about a piece: what for, when, size, price, care, wear. */
const { piece } = defineProps<{ piece: Piece }>()
const emit = defineEmits<{ kept: [kept: Kept]; word: [word: Word]; takeOff: []; wornToday: [] }>()
const kept = computed(() => piece.kept)
const today = dayOf(new Date())
const wornToday = computed(() => piece.worn_last === today)
const wornWords = computed(() => {
  const told = [`worn ${plural(piece.worn_days, 'day')}`]
  if (piece.worn_last) told.push(wornToday.value ? 'today as well' : `last on ${piece.worn_last}`)
  if (piece.felt) told.push(piece.felt > 0 ? 'felt right' : 'felt off')
  if (piece.cost_per_wear !== null) told.push(`${piece.cost_per_wear.toFixed(2)} a wear`)
  return told.join(' · ')
})

function text(name: 'size' | 'care' | 'note' | 'set', value: string) {
  emit('kept', { [name]: value.trim() })
}
function uses(value: string) {
  const said = value
    .split(/[,;]/)
    .map((use) => use.trim().slice(0, 40))
    .filter(Boolean)
  emit('kept', { uses: [...new Set(said)] })
}
function label(value: string) {
  const said = value.trim()
  if (said) emit('word', { label: said })
}
function season(one: (typeof SEASONS)[number]) {
  const now = kept.value.seasons?.length ? kept.value.seasons : piece.seasons
  emit('kept', {
    seasons: now.includes(one)
      ? now.filter((other) => other !== one)
      : SEASONS.filter((other) => other === one || now.includes(other)),
  })
}
</script>

<template>
  <div>
    <label
      >called <TextField small :key="piece.id + piece.label" :value="piece.label" :maxlength="200" @change="label"
    /></label>
    <label
      >worn for
      <TextField
        small
        :key="piece.id + (kept.uses ?? []).join()"
        :value="(kept.uses ?? []).join(', ')"
        placeholder="stage, travel"
        label="worn for"
        @change="uses"
    /></label>
    <div class="seasons" role="group" aria-label="Seasons">
      <NButton
        text
        v-for="one in SEASONS"
        :key="one"
        class="word"
        :aria-pressed="piece.seasons.includes(one)"
        @click="season(one)"
      >
        {{ one }}
      </NButton>
    </div>
    <div class="pair">
      <label>size <TextField small :value="kept.size ?? ''" :maxlength="40" @change="text('size', $event)" /></label>
      <label
        >set
        <TextField
          small
          :value="kept.set ?? ''"
          :maxlength="80"
          placeholder="grey suit"
          label="set"
          @change="text('set', $event)"
      /></label>
    </div>
    <div class="pair">
      <label
        >price
        <NumberField small :value="kept.price ?? null" :min="0" :step="0.01" @change="emit('kept', { price: $event })"
      /></label>
      <label
        >bought <DayField small :value="kept.bought_on ?? null" @change="emit('kept', { bought_on: $event })"
      /></label>
    </div>
    <label
      >care
      <TextField
        small
        :value="kept.care ?? ''"
        :maxlength="500"
        placeholder="hand wash, dry flat"
        label="care"
        @change="text('care', $event)"
    /></label>
    <label
      >notes <TextField small :rows="2" :value="kept.note ?? ''" :maxlength="2000" @change="text('note', $event)"
    /></label>
    <p>
      {{ wornWords }}
      <NButton v-if="!wornToday" text class="word link" @click="emit('wornToday')">worn today</NButton>
    </p>
    <p>
      {{
        piece.looks.length
          ? `in ${plural(piece.looks.length, 'kept look')}: ${piece.looks.join(', ')}`
          : 'in no kept look yet'
      }}
    </p>
    <NButton text class="word link off" @click="emit('takeOff')">take it off the rail</NButton>
  </div>
</template>

<style scoped>
label {
  display: grid;
  grid-template-columns: 62px minmax(0, 1fr);
  align-items: center;
  gap: 8px;
  color: var(--soft);
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.pair label {
  grid-template-columns: auto minmax(0, 1fr);
}
.seasons {
  display: flex;
  gap: 12px;
  padding-left: 70px;
}
.link {
  text-decoration: underline;
}
.off {
  align-self: flex-start;
}
</style>
