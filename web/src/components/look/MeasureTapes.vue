<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { Judged, Measure, Meant, Mend, Reason } from '@/api'
import TapeMeasure from '@/components/base/TapeMeasure.vue'
import TextField from '@/components/fields/TextField.vue'
import { capital, signed } from '@/lib/words'

/** The verdict: the whole on top, the five measures under it, each with the reasons that are its arithmetic. */
const { judged, missing, meant } = defineProps<{ judged: Judged; missing: Mend[] | null; meant: Meant[] }>()
const emit = defineEmits<{ point: [pieces: string[]]; why: []; mean: [meant: Meant[]] }>()
const note = (code: string) => meant.find((one) => one.code === code)?.note ?? ''
/** A reason is meant so, or no longer. */
function mean(code: string) {
  const others = meant.filter((one) => one.code !== code)
  emit('mean', others.length < meant.length ? others : [...others, { code, note: '' }])
}
const say = (code: string, text: string) =>
  emit(
    'mean',
    meant.map((one) => (one.code === code ? { code, note: text.trim() } : one)),
  )
const NAMES = ['harmony', 'contrast', 'monochrome', 'statement', 'colouring'] as const
const SHOWN = 3
/** Where the tape ends nobody meant it. */
const CODED = (code: string) => code !== 'end-of-the-tape'
const open = ref<string | null>(null)
const measures = computed(() => NAMES.map((name) => ({ name, measure: judged.measures[name] as Measure | null })))
const reasons = (name: string, measure: Measure) =>
  open.value === name
    ? measure.because
    : measure.because.filter((one, place) => one.meant || (place < SHOWN && worth(one, measure)))
/** What moves a measure is told; where nothing does, what it says of that. */
const worth = (one: Reason, measure: Measure) => Math.abs(one.points) >= 0.5 || measure.because.length === 1
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
    <p v-if="judged.overall_as_scored != null" class="soft scored">
      {{ judged.overall_as_scored.toFixed(0) }} if nothing were meant
    </p>
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
            <strong :class="{ struck: reason.meant }">{{ signed(reason.points, open === name ? 1 : 0) }}</strong><span
              ><span :class="{ struck: reason.meant }">{{ reason.text }}</span>
              <NButton
                v-if="reason.points < 0 && CODED(reason.code)"
                text
                class="word mean"
                :aria-pressed="reason.meant"
                :aria-label="`${reason.text}: meant`"
                @click="mean(reason.code)"
                >meant</NButton
              >
              <TextField
                v-if="reason.meant"
                small
                :value="note(reason.code)"
                :maxlength="500"
                placeholder="why it is meant"
                :label="`why it is meant: ${reason.text}`"
                @change="say(reason.code, $event)"
              />
            </span>
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
.struck {
  text-decoration: line-through;
}
.mean {
  font-size: 12.5px;
  padding: 0 2px;
  margin-left: 6px;
  color: var(--soft);
}
.scored {
  margin: 0 0 0 54px;
  font-size: 12.5px;
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
