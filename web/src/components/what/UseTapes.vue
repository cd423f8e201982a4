<script setup lang="ts">
import type { What, Word } from '@/api'
import { FORMALITY, loudness, onScale, WARMTH } from '@/lib/what'
import PullTape from './PullTape.vue'

/** What a piece is for: how formal, how warm, how loud. */
defineProps<{ what: What }>()
const emit = defineEmits<{ say: [word: Word] }>()
</script>

<template>
  <div class="tapes">
    <PullTape
      :tape="what.formality"
      :low="1"
      :high="5"
      :step="0.5"
      name="Formality"
      :word-of="(value) => onScale(FORMALITY, value - 1)"
      @say="emit('say', { formality: $event })"
      @unsay="emit('say', { unsaid: ['formality'] })"
    />
    <PullTape
      v-if="what.warmth"
      :tape="what.warmth"
      :low="0"
      :high="4"
      :step="0.5"
      name="Warmth"
      :word-of="(value) => onScale(WARMTH, value)"
      @say="emit('say', { warmth: $event })"
      @unsay="emit('say', { unsaid: ['warmth'] })"
    />
    <PullTape
      :tape="what.statement"
      :low="0"
      :high="1"
      :step="0.05"
      name="Statement"
      :word-of="loudness"
      @say="emit('say', { statement: $event })"
      @unsay="emit('say', { unsaid: ['statement'] })"
    />
  </div>
</template>

<style scoped>
.tapes {
  display: flex;
  flex-direction: column;
  gap: 5px;
}
</style>
