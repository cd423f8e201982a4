<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import type { PlanBody } from '@/api'
import ChooseFile from '@/components/fields/ChooseFile.vue'
import DayField from '@/components/fields/DayField.vue'
import NumberField from '@/components/fields/NumberField.vue'
import TextField from '@/components/fields/TextField.vue'
import { later } from '@/lib/plan'
import { dayOf } from '@/lib/words'

/** A plan is begun: some days by hand, or what a calendar says. */
const emit = defineEmits<{ begin: [body: PlanBody]; calendar: [file: File] }>()
const name = ref('')
const first = ref<string | null>(later(dayOf(new Date()), 1))
const days = ref<number | null>(7)
const begin = () =>
  first.value &&
  emit('begin', { name: name.value.trim() || 'The week', first: first.value, days: days.value ?? 7, place: '' })
</script>

<template>
  <section class="new tile" aria-label="A new plan">
    <h2>Days to dress for</h2>
    <p class="soft">
      A calendar is read as it is: what repeats, whole days, other time zones. A plan that was taken out as a table is
      read with its looks. Or say from when.
    </p>
    <p>
      <ChooseFile
        firm
        accept=".ics,.csv,text/calendar,text/csv"
        label="Calendar in"
        @files="$event[0] && emit('calendar', $event[0])"
        >Calendar in</ChooseFile
      >
    </p>
    <label
      >called <TextField small :value="name" :maxlength="200" placeholder="The week" @change="name = $event"
    /></label>
    <label>from <DayField small :value="first" @change="first = $event" /></label>
    <label>days <NumberField small :value="days" :min="1" :max="60" :step="1" @change="days = $event" /></label>
    <p><NButton :disabled="!first" @click="begin">Begin these days</NButton></p>
  </section>
</template>

<style scoped>
.new {
  width: 340px;
  margin: 40px auto;
  display: grid;
  gap: 8px;
  align-content: start;
  font-size: 13px;
}
label {
  display: grid;
  grid-template-columns: 52px minmax(0, 1fr);
  align-items: center;
  gap: 8px;
  color: var(--soft);
}
</style>
