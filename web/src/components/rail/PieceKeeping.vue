<script setup lang="ts">
import { computed } from 'vue'
import type { Kept, Piece, Word } from '@/api'
import { dayOf, plural, SEASONS } from '@/lib/words'

/** What a wardrobe keeps about a piece: what for, when, size, price, care, wear. */
const { piece } = defineProps<{ piece: Piece }>()
const emit = defineEmits<{ kept: [kept: Kept]; word: [word: Word]; takeOff: [] }>()
const kept = computed(() => piece.kept)
const today = dayOf(new Date())
const worn = computed(() => kept.value.worn_on ?? [])
const wornToday = computed(() => worn.value.includes(today))

function text(name: 'size' | 'care' | 'note' | 'set', event: Event) {
  emit('kept', { [name]: (event.target as HTMLInputElement).value.trim() })
}
function uses(event: Event) {
  const said = (event.target as HTMLInputElement).value
    .split(/[,;]/)
    .map((use) => use.trim().slice(0, 40))
    .filter(Boolean)
  emit('kept', { uses: [...new Set(said)] })
}
function price(event: Event) {
  const value = (event.target as HTMLInputElement).valueAsNumber
  emit('kept', { price: Number.isFinite(value) ? value : null })
}
function bought(event: Event) {
  emit('kept', { bought_on: (event.target as HTMLInputElement).value || null })
}
function label(event: Event) {
  const said = (event.target as HTMLInputElement).value.trim()
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
const wear = () =>
  emit('kept', { worn_on: wornToday.value ? worn.value.filter((day) => day !== today) : [...worn.value, today].sort() })
</script>

<template>
  <div>
    <label>called <input :key="piece.id + piece.label" :value="piece.label" maxlength="200" @change="label" /></label>
    <label
      >worn for
      <input
        :key="piece.id + (kept.uses ?? []).join()"
        :value="(kept.uses ?? []).join(', ')"
        placeholder="stage, travel"
        @change="uses"
    /></label>
    <div class="seasons" role="group" aria-label="Seasons">
      <button
        v-for="one in SEASONS"
        :key="one"
        class="word"
        type="button"
        :aria-pressed="piece.seasons.includes(one)"
        @click="season(one)"
      >
        {{ one }}
      </button>
    </div>
    <div class="pair">
      <label>size <input :value="kept.size" maxlength="40" @change="text('size', $event)" /></label>
      <label
        >set <input :value="kept.set" maxlength="80" placeholder="grey suit" @change="text('set', $event)"
      /></label>
    </div>
    <div class="pair">
      <label>price <input type="number" min="0" step="0.01" :value="kept.price ?? ''" @change="price" /></label>
      <label>bought <input type="date" :value="kept.bought_on ?? ''" @change="bought" /></label>
    </div>
    <label
      >care <input :value="kept.care" maxlength="500" placeholder="hand wash, dry flat" @change="text('care', $event)"
    /></label>
    <label>notes <textarea rows="2" :value="kept.note" maxlength="2000" @change="text('note', $event)" /></label>
    <p>
      worn {{ plural(worn.length, 'day') }}<template v-if="worn.length">, last on {{ worn.at(-1) }}</template
      ><template v-if="piece.cost_per_wear !== null"> · {{ piece.cost_per_wear.toFixed(2) }} a wear</template>
      <button class="word link" type="button" @click="wear">
        {{ wornToday ? 'not today after all' : 'worn today' }}
      </button>
    </p>
    <p>
      {{
        piece.looks.length
          ? `in ${plural(piece.looks.length, 'kept look')}: ${piece.looks.join(', ')}`
          : 'in no kept look yet'
      }}
    </p>
    <button class="word link off" type="button" @click="emit('takeOff')">take it off the rail</button>
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
input,
textarea {
  font: inherit;
  color: var(--ink);
  background: var(--field);
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 4px 7px;
  min-width: 0;
  width: 100%;
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
