<script setup lang="ts">
import { NButton, NPopover } from 'naive-ui'
import { ref } from 'vue'
import type { Capsule, DayWeather, OwnWord, Plan, PlanChange } from '@/api'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import ChooseFile from '@/components/fields/ChooseFile.vue'
import DayField from '@/components/fields/DayField.vue'
import NumberField from '@/components/fields/NumberField.vue'
import TextField from '@/components/fields/TextField.vue'
import { useKeys, type Keys } from '@/composables/useKeys'
import { spanWords } from '@/lib/making'
import { longDay } from '@/lib/plan'

/** What the plan is, behind one word: its days, the weather, the rest, the capsule, and the words of the studio. */
const { plan, capsules, words, day, sky } = defineProps<{
  plan: Plan
  capsules: Capsule[]
  words: OwnWord[]
  /** The day that is shown, and its weather. */
  day: string
  sky: DayWeather | null
}>()
const emit = defineEmits<{
  change: [said: PlanChange]
  forecast: [place: string]
  forecastFile: [file: File]
  weather: [on: string, sky: { low: number; high: number; rain: number } | null]
  forget: [word: string]
  letGo: []
}>()
const open = ref(false)
useKeys(() => (open.value ? { escape: () => (open.value = false) } : {}) as Keys)
const place = ref(plan.place)
const write = (part: Partial<{ low: number; high: number; rain: number }>) => {
  const now = { low: sky?.low ?? 8, high: sky?.high ?? 15, rain: sky?.rain ?? 0, ...part }
  emit('weather', day, { ...now, high: Math.max(now.low, now.high) })
}
</script>

<template>
  <NPopover trigger="manual" placement="bottom-start" :show="open" :show-arrow="false" @clickoutside="open = false">
    <template #trigger>
      <NButton text class="word" :aria-expanded="open" @click.stop="open = !open">days, weather, rest</NButton>
    </template>
    <div class="set" role="group" aria-label="The plan">
      <label
        >called <TextField small :value="plan.name" :maxlength="200" @change="emit('change', { name: $event })"
      /></label>
      <label>from <DayField small :value="plan.first" @change="$event && emit('change', { first: $event })" /></label>
      <label
        >days
        <NumberField
          small
          :value="plan.days"
          :min="1"
          :max="60"
          :step="1"
          @change="$event && emit('change', { days: $event })"
      /></label>
      <h3>The weather</h3>
      <label
        >place <TextField small :value="place" :maxlength="200" placeholder="Vennby" @change="place = $event"
      /></label>
      <p class="row">
        <NButton size="small" :disabled="!place.trim()" @click="emit('forecast', place)">Ask the forecast</NButton>
        <ChooseFile
          word
          accept=".json,application/json"
          label="from a file"
          @files="$event[0] && emit('forecastFile', $event[0])"
        />
      </p>
      <p v-if="plan.forecast" class="soft">
        told by
        {{
          plan.forecast === 'simulated service'
            ? 'a simulated service: made up, always the same for a place'
            : plan.forecast
        }}
      </p>
      <p class="soft">{{ longDay(day) }} by hand</p>
      <div class="three">
        <label
          >low
          <NumberField
            small
            :value="sky?.low ?? null"
            :min="-60"
            :max="60"
            @change="$event !== null && write({ low: $event })"
        /></label>
        <label
          >high
          <NumberField
            small
            :value="sky?.high ?? null"
            :min="-60"
            :max="60"
            @change="$event !== null && write({ high: $event })"
        /></label>
        <label
          >rain
          <NumberField
            small
            :value="sky?.rain ?? null"
            :min="0"
            :max="500"
            @change="$event !== null && write({ rain: $event })"
        /></label>
      </div>
      <h3>What it is dressed from</h3>
      <ChoiceList
        :value="plan.capsule ?? ''"
        :options="[
          { value: '', label: 'the whole rail' },
          ...capsules.map((one) => ({ value: one.id, label: one.name })),
        ]"
        label="The capsule"
        @change="emit('change', { capsule: $event })"
      />
      <label
        >rests
        <NumberField
          small
          :value="plan.rest"
          :min="0"
          :max="30"
          :step="1"
          @change="emit('change', $event === null ? { usual_rest: true } : { rest: Math.round($event) })"
      /></label>
      <p class="soft">{{ plan.rest === null ? 'days: as such pieces usually need' : 'days, whatever it is' }}</p>
      <template v-if="words.length">
        <h3>Words of the studio</h3>
        <ul>
          <li v-for="one in words" :key="one.word">
            ‘{{ one.word }}’: {{ spanWords([one.formality.low, one.formality.high]) }}
            <NButton text class="word" :aria-label="`Forget ‘${one.word}’`" @click="emit('forget', one.word)"
              >forget</NButton
            >
          </li>
        </ul>
      </template>
      <p class="row">
        <NButton text class="word link" @click="emit('letGo')">let this plan go</NButton>
      </p>
    </div>
  </NPopover>
</template>

<style scoped>
.set {
  width: 300px;
  display: grid;
  gap: 6px;
  font-size: 13px;
}
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 6px 0 0;
}
label {
  display: grid;
  grid-template-columns: 48px minmax(0, 1fr);
  align-items: center;
  gap: 8px;
  color: var(--soft);
}
.three {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
}
.three label {
  grid-template-columns: auto minmax(0, 1fr);
  gap: 4px;
}
.row {
  display: flex;
  gap: 12px;
  align-items: center;
}
ul {
  margin: 0;
  padding-left: 16px;
}
.link {
  text-decoration: underline;
}
</style>
