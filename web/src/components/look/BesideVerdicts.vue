<script setup lang="ts">
import { computed } from 'vue'
import type { Judged } from '@/api'
import TapeMeasure from '@/components/base/TapeMeasure.vue'
import { differing, moved } from '@/lib/differ'
import { capital, signed } from '@/lib/words'

/** Two verdicts on one set of tapes, and what makes the difference. */
const { before, after, beforeName, afterName } = defineProps<{
  before: Judged
  after: Judged
  beforeName: string
  afterName: string
}>()
defineEmits<{ point: [pieces: string[]] }>()
const measures = computed(() => differing(before, after))
</script>

<template>
  <section class="beside" aria-label="What differs">
    <p>{{ capital(moved(before, after)) }}. The open pin is {{ beforeName }}, the full one {{ afterName }}.</p>
    <h3>The whole</h3>
    <TapeMeasure
      :value="after.overall"
      name="The whole"
      :shown="after.overall.toFixed(0)"
      :other="{ value: before.overall, name: `${beforeName} ${before.overall.toFixed(0)}` }"
    />
    <template v-for="one in measures" :key="one.measure">
      <h3>{{ capital(one.measure) }}</h3>
      <p v-if="!one.after" class="soft">Not judged: nothing is known of the colouring.</p>
      <TapeMeasure
        v-else
        :value="one.after.score"
        :name="capital(one.measure)"
        :shown="one.after.score.toFixed(0)"
        :other="one.before ? { value: one.before.score, name: `${beforeName} ${one.before.score.toFixed(0)}` } : null"
      />
      <ol>
        <li
          v-for="reason in one.reasons"
          :key="reason.text"
          @mouseenter="$emit('point', reason.pieces)"
          @mouseleave="$emit('point', [])"
        >
          <strong>{{ signed(reason.by, 1) }}</strong><span>{{ reason.text }}</span>
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped>
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 5px 0 2px;
}
p {
  font-size: 13px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0 0 0 14px;
}
li {
  display: grid;
  grid-template-columns: 44px 1fr;
  gap: 6px;
  line-height: 1.3;
  padding: 1px 0;
  font-size: 13px;
}
li strong {
  text-align: right;
}
</style>
