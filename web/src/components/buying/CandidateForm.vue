<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { computed } from 'vue'
import type { Candidate, CandidateChange, Category, PatternType } from '@/api'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import NumberField from '@/components/fields/NumberField.vue'
import TextField from '@/components/fields/TextField.vue'
import ClothList from '@/components/what/ClothList.vue'
import { PATTERNS } from '@/lib/intakeKeys'
import { CATEGORIES } from '@/lib/words'

/** What is noted of a candidate: what it is, what it costs, its size, where it was seen. */
const { candidate } = defineProps<{ candidate: Candidate }>()
const emit = defineEmits<{ say: [body: CandidateChange] }>()
const kinds = CATEGORIES.map((value) => ({ value, label: value.replace('-', ' ') }))
const patterns = ['solid', ...PATTERNS].map((value) => ({ value, label: value === 'solid' ? 'plain' : value }))
const guesses = computed(() => (candidate.category_said ? [] : (candidate.photo?.guesses ?? [])))
</script>

<template>
  <section class="noted" aria-label="What is noted of it">
    <p v-if="guesses.length" class="guesses" role="group" aria-label="What is it likely?">
      <NButton
        v-for="one in guesses"
        :key="one.category"
        size="small"
        @click="emit('say', { word: { category: one.category } })"
        >{{ one.category.replace('-', ' ') }}</NButton
      >
    </p>
    <label
      ><span>What it is</span>
      <ChoiceList
        :value="candidate.category"
        :options="kinds"
        label="What it is"
        @change="emit('say', { word: { category: $event as Category } })"
    /></label>
    <label
      ><span>Called</span>
      <TextField
        small
        :value="candidate.piece?.label ?? ''"
        :maxlength="200"
        label="Called"
        @change="emit('say', { word: { label: $event || null } })"
    /></label>
    <template v-if="candidate.piece">
      <label
        ><span>Pattern</span>
        <NSelect
          size="small"
          :value="candidate.piece.pattern"
          :options="patterns"
          :input-props="{ 'aria-label': 'Pattern' }"
          @update:value="emit('say', { word: { pattern: $event as PatternType } })"
      /></label>
      <label
        ><span>Cloth</span>
        <ClothList :finish="candidate.piece.finish" :most="1" label="Cloth" @say="emit('say', { word: $event })" />
      </label>
    </template>
    <label
      ><span>Price</span>
      <NumberField
        small
        :value="candidate.kept.price ?? null"
        :min="0"
        :max="1e7"
        :step="1"
        aria-label="Price"
        @change="emit('say', { kept: { price: $event } })"
    /></label>
    <label
      ><span>Size</span>
      <TextField
        small
        :value="candidate.kept.size ?? ''"
        :maxlength="40"
        label="Size"
        @change="emit('say', { kept: { size: $event } })"
    /></label>
    <label
      ><span>Seen at</span>
      <TextField
        small
        :value="candidate.seen_at"
        :maxlength="200"
        label="Seen at"
        @change="emit('say', { seen_at: $event })"
    /></label>
    <label
      ><span>Note</span>
      <TextField
        small
        :value="candidate.kept.note ?? ''"
        :maxlength="2000"
        label="Note"
        @change="emit('say', { kept: { note: $event } })"
    /></label>
  </section>
</template>

<style scoped>
.noted {
  display: grid;
  gap: 4px;
  font-size: 13px;
}
label {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
}
label > span:first-child {
  color: var(--soft);
}
.guesses {
  display: flex;
  gap: 6px;
}
</style>
