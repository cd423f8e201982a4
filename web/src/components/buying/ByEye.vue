<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import type { CandidateBody, Category, PatternType, Word } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import SlideField from '@/components/fields/SlideField.vue'
import ClothList from '@/components/what/ClothList.vue'
import { labOf } from '@/lib/buying'
import { PATTERNS } from '@/lib/intakeKeys'
import { CATEGORIES } from '@/lib/words'

/** A candidate without a picture: what it is, its colour as the eye sees it, its pattern and its cloth. */
const emit = defineEmits<{ note: [body: CandidateBody]; reader: [word: Word]; close: [] }>()
const category = ref<Category>('knit')
const pattern = ref<PatternType>('solid')
const finish = ref<NonNullable<Word['finish']>>([])
const colours = ref<[number, number, number][]>([[45, 25, 60]])
const kinds = CATEGORIES.map((value) => ({ value, label: value.replace('-', ' ') }))
const patterns = ['solid', ...PATTERNS].map((value) => ({ value, label: value === 'solid' ? 'plain' : value }))
const AXES = [
  ['Lightness', 100],
  ['Chroma', 80],
  ['Hue angle', 359],
] as const
const word = computed<Word>(() => ({
  category: category.value,
  ...(pattern.value === 'solid' ? {} : { pattern: pattern.value }),
  ...(finish.value.length ? { finish: finish.value } : {}),
}))
function patterned(now: PatternType) {
  pattern.value = now
  const [main] = colours.value as [[number, number, number]]
  colours.value = now === 'solid' ? [main] : [main, colours.value[1] ?? [main[0] > 55 ? 20 : 92, 4, 90]]
}
const note = () =>
  emit('note', { source: 'by eye', word: word.value, colours: colours.value.map((one) => labOf(...one)), seen_at: '' })
</script>

<template>
  <form class="by-eye" aria-label="A piece by eye" @submit.prevent="note">
    <label>
      <span class="soft">What is it?</span>
      <ChoiceList :value="category" :options="kinds" label="What is it?" @change="category = $event as Category" />
    </label>
    <fieldset v-for="(colour, which) in colours" :key="which">
      <legend class="soft">{{ which ? 'The other colour' : 'Its colour, by eye' }}</legend>
      <PinkedSwatch :hex="`lch(${colour.join(' ')})`" :width="180" :height="which ? 26 : 44" />
      <label v-for="([axis, most], index) in AXES" :key="axis" class="axis">
        <span>{{ axis }}</span>
        <SlideField
          :value="colour[index]!"
          :max="most"
          :label="which ? `${axis} of the other colour` : axis"
          @change="colour[index] = $event"
        />
        <span class="number">{{ colour[index] }}</span>
      </label>
    </fieldset>
    <label>
      <span class="soft">Pattern</span>
      <NSelect
        size="small"
        :value="pattern"
        :options="patterns"
        :input-props="{ 'aria-label': 'Pattern' }"
        @update:value="patterned($event as PatternType)"
      />
    </label>
    <label>
      <span class="soft">Cloth</span>
      <ClothList :finish="finish" :most="1" label="Cloth" @say="finish = $event.finish ?? []" />
    </label>
    <p class="acts">
      <NButton type="primary" attr-type="submit">Weigh it</NButton>
      <NButton @click="emit('reader', word)">Colour reader</NButton>
      <NButton text class="word" @click="emit('close')">close</NButton>
    </p>
  </form>
</template>

<style scoped>
.by-eye {
  display: grid;
  gap: 8px;
  font-size: 13px;
  padding-top: 4px;
}
.by-eye > label {
  display: grid;
  gap: 2px;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 2px;
}
.axis {
  display: grid;
  grid-template-columns: 68px 1fr 28px;
  gap: 8px;
  align-items: center;
}
.number {
  text-align: end;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
