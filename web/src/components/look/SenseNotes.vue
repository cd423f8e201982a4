<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { Judged } from '@/api'

/** Beside colour: the occasion and the weather, proportion and plain sense; apart from the score, each note can be waved away. */
defineProps<{ notes: Judged['notes']; rain: boolean; formality: number | null; warmth: number | null }>()
defineEmits<{
  dismiss: [key: string]
  rain: [on: boolean]
  formality: [step: number | null]
  warmth: [step: number | null]
  point: [pieces: string[]]
}>()
const FORMALITY = ['beach', 'every day', 'smart', 'dressed', 'black tie']
const WARMTH = ['hot', 'mild', 'cool', 'cold', 'frost']
</script>

<template>
  <section class="sense" aria-label="Beside colour">
    <h3>Beside colour</h3>
    <p class="row" role="group" aria-label="How formal it is">
      <NButton
        text
        v-for="(word, index) in FORMALITY"
        :key="word"
        class="word"
        :aria-pressed="formality === index + 1"
        @click="$emit('formality', formality === index + 1 ? null : index + 1)"
      >
        {{ word }}
      </NButton>
    </p>
    <p class="row" role="group" aria-label="The weather">
      <NButton
        text
        v-for="(word, index) in WARMTH"
        :key="word"
        class="word"
        :aria-pressed="warmth === index"
        @click="$emit('warmth', warmth === index ? null : index)"
      >
        {{ word }}
      </NButton>
      <NButton text class="word" :aria-pressed="rain" @click="$emit('rain', !rain)">it rains</NButton>
    </p>
    <ul v-if="notes.length">
      <li
        v-for="note in notes"
        :key="note.key"
        @mouseenter="$emit('point', note.pieces)"
        @mouseleave="$emit('point', [])"
      >
        <span>{{ note.text }}</span>
        <NButton text class="word soft" :aria-label="`Never mind: ${note.text}`" @click="$emit('dismiss', note.key)">
          never mind
        </NButton>
      </li>
    </ul>
    <p v-else class="soft">Nothing to think of.</p>
  </section>
</template>

<style scoped>
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 10px 0 1px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
}
.row .word {
  padding: 1px 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  font-size: 13px;
}
li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 8px;
  line-height: 1.3;
  padding: 2px 0;
  align-items: baseline;
}
li > span::first-letter {
  text-transform: uppercase;
}
.word {
  padding: 0 2px;
  font-size: 12.5px;
  font-weight: 400;
  white-space: nowrap;
}
</style>
