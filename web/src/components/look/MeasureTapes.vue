<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { Judged, Measure, Mend } from '@/api'
import TapeMeasure from '@/components/base/TapeMeasure.vue'
import { capital, signed } from '@/lib/words'

/** The verdict: the whole on top, the five measures under it, each with the reasons that are its arithmetic. */
const { judged, missing } = defineProps<{ judged: Judged; missing: Mend[] | null }>()
const emit = defineEmits<{ point: [pieces: string[]]; why: [] }>()
const NAMES = ['harmony', 'contrast', 'monochrome', 'statement', 'colouring'] as const
const SHOWN = 3
const open = ref<string | null>(null)
const measures = computed(() => NAMES.map((name) => ({ name, measure: judged.measures[name] as Measure | null })))
const reasons = (name: string, measure: Measure) =>
  open.value === name ? measure.because : measure.because.filter((one) => Math.abs(one.points) >= 0.5).slice(0, SHOWN)
const why = ref(false)
const ask = () => {
  why.value = !why.value
  if (why.value) emit('why')
}
watch(
  () => judged.measures,
  () => {
    if (why.value) emit('why')
  },
)
const toggle = (name: string) => (open.value = open.value === name ? null : name)
</script>

<template>
  <div class="tapes">
    <h3>The whole</h3>
    <TapeMeasure :value="judged.overall" name="The whole" :shown="judged.overall.toFixed(0)" />
    <NButton text class="word soft more" :aria-expanded="why" @click="ask">why not higher?</NButton>
    <ol v-if="why" class="why">
      <li
        v-for="one in judged.held_back"
        :key="one.measure + one.text"
        @mouseenter="$emit('point', one.pieces)"
        @mouseleave="$emit('point', [])"
      >
        <strong>{{ one.lost ? '−' : '+' }}{{ one.costs.toFixed(1) }}</strong
        ><span
          >{{ one.lost ? one.text : `not there yet, at most this much: ${one.text}` }}
          <span class="soft">({{ one.measure }})</span></span
        >
      </li>
      <li v-if="!judged.held_back.length"><strong /><span>Nothing costs it a point.</span></li>
      <li
        v-for="one in missing ?? []"
        :key="one.text"
        @mouseenter="$emit('point', [one.piece ?? ''])"
        @mouseleave="$emit('point', [])"
      >
        <strong>{{ signed(one.gain, 1) }}</strong><span
          >a colour that is missing, the {{ one.text.replace(/^the /, '') }}</span
        >
      </li>
    </ol>
    <template v-for="{ name, measure } in measures" :key="name">
      <h3>{{ capital(name) }}</h3>
      <p v-if="!measure" class="soft">Not judged: nothing is known of the client's colouring yet.</p>
      <template v-else>
        <TapeMeasure :value="measure.score" :name="capital(name)" :shown="measure.score.toFixed(0)" />
        <ol>
          <li v-if="open === name">
            <strong>{{ measure.start.toFixed(1) }}</strong><span>where every look starts</span>
          </li>
          <li
            v-for="reason in reasons(name, measure)"
            :key="reason.code"
            @mouseenter="$emit('point', reason.pieces)"
            @mouseleave="$emit('point', [])"
          >
            <strong>{{ signed(reason.points, open === name ? 1 : 0) }}</strong><span>{{ reason.text }}</span>
          </li>
        </ol>
        <p v-if="!measure.because.length" class="soft nothing">nothing moves it from where every look starts</p>
        <NButton
          text
          v-if="measure.because.length > reasons('', measure).length"
          class="word soft more"
          :aria-expanded="open === name"
          @click="toggle(name)"
        >
          {{ open === name ? 'fewer reasons' : `all ${measure.because.length} reasons` }}
        </NButton>
      </template>
    </template>
    <p class="soft rules">by the rules of {{ judged.weights }}</p>
  </div>
</template>

<style scoped>
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 4px 0 2px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0 0 0 14px;
}
li {
  display: grid;
  grid-template-columns: 38px 1fr;
  gap: 6px;
  line-height: 1.3;
  padding: 1px 0;
  font-size: 13px;
}
li strong {
  text-align: right;
}
.rules {
  font-size: 12.5px;
  margin-top: 6px;
}
.nothing {
  padding-left: 58px;
  font-size: 13px;
}
.more {
  font-size: 12.5px;
  margin-left: 54px;
  padding: 0;
}
</style>
