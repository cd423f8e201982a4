<script setup lang="ts">
import type { Judged } from '@/api'

/** Beside colour: proportion and plain sense, apart from the score; each can be waved away for good. */
defineProps<{ notes: Judged['notes']; rain: boolean }>()
defineEmits<{ dismiss: [key: string]; rain: [on: boolean]; point: [pieces: string[]] }>()
</script>

<template>
  <section class="sense" aria-label="Beside colour">
    <h3>Beside colour <button class="word soft" type="button" :aria-pressed="rain" @click="$emit('rain', !rain)">it rains</button></h3>
    <ul v-if="notes.length">
      <li v-for="note in notes" :key="note.key" @mouseenter="$emit('point', note.pieces)" @mouseleave="$emit('point', [])">
        <span>{{ note.text }}</span>
        <button class="word soft" type="button" :aria-label="`Never mind: ${note.text}`" @click="$emit('dismiss', note.key)">never mind</button>
      </li>
    </ul>
    <p v-else class="soft">Nothing to think of.</p>
  </section>
</template>

<style scoped>
h3 { font: 650 13.5px/1.2 'Atkinson Hyperlegible Next Variable', sans-serif; margin: 10px 0 3px; display: flex; justify-content: space-between; align-items: baseline; }
ul { list-style: none; margin: 0; padding: 0; font-size: 13px; }
li { display: grid; grid-template-columns: 1fr auto; gap: 8px; line-height: 1.3; padding: 2px 0; align-items: baseline; }
li > span::first-letter { text-transform: uppercase; }
.word { padding: 0 2px; font-size: 12.5px; font-weight: 400; white-space: nowrap; }
</style>
