<script setup lang="ts">
import { computed } from 'vue'
import type { Piece, Wear } from '@/api'
import { longDay, weeksOf } from '@/lib/plan'

/** A calendar of cloth: each day as the bolt of what was worn. */
const { months, wears, byId, shown } = defineProps<{
  /** As 2031-05, the latest last. */
  months: string[]
  wears: Wear[]
  byId: Map<string, Piece>
  shown: string | null
}>()
const emit = defineEmits<{ show: [day: string] }>()
const byDay = computed(() => {
  const found = new Map<string, Wear[]>()
  for (const wear of wears) found.set(wear.on, [...(found.get(wear.on) ?? []), wear])
  return found
})
const worn = (day: string) =>
  [...new Set((byDay.value.get(day) ?? []).flatMap((wear) => wear.pieces))].flatMap((id) => byId.get(id) ?? [])
/** The colours of a day, each as wide as what it covers of what was worn. */
function bolt(day: string) {
  const parts = worn(day).flatMap((piece) =>
    piece.colours.map((one) => ({ hex: one.hex, share: one.share * piece.area })),
  )
  return parts.filter((part) => part.share > 0)
}
const felt = (day: string) => byDay.value.get(day)?.find((wear) => wear.felt)?.felt ?? null
const called = (day: string) =>
  `${longDay(day)}: ${
    worn(day)
      .map((piece) => piece.label)
      .join(', ') || 'nothing written'
  }`
const title = (month: string) =>
  new Date(`${month}-01T12:00:00`).toLocaleDateString('en-GB', { month: 'long', year: 'numeric' })
</script>

<template>
  <div class="calendar">
    <section v-for="month in months" :key="month" :aria-label="title(month)">
      <h3>{{ title(month) }}</h3>
      <div class="weeks">
        <template v-for="(week, place) in weeksOf(month)" :key="place">
          <template v-for="(day, column) in week" :key="column">
            <span v-if="!day" />
            <button
              v-else
              type="button"
              :class="{ none: !byDay.has(day) }"
              :aria-label="called(day)"
              :aria-pressed="shown === day"
              :data-tip="called(day)"
              @click="emit('show', day)"
            >
              <span v-if="byDay.has(day)" class="bolt"
                ><span
                  v-for="(part, at) in bolt(day)"
                  :key="at"
                  :style="{ background: part.hex, flexGrow: part.share }"
              /></span>
              <span class="number">{{ Number(day.slice(8)) }}</span>
              <span v-if="felt(day)" class="felt" aria-hidden="true">{{
                { loved: '♥', fine: '·', off: '–' }[felt(day)!]
              }}</span>
            </button>
          </template>
        </template>
      </div>
    </section>
  </div>
</template>

<style scoped>
.calendar {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(250px, 1fr));
  gap: 14px 22px;
  align-content: start;
}
h3 {
  font:
    600 16px/1.2 'Petrona Variable',
    serif;
  margin-bottom: 6px;
}
.weeks {
  display: grid;
  grid-template-columns: repeat(7, 1fr);
  gap: 3px;
}
button {
  position: relative;
  height: 38px;
  padding: 0;
  border: 1px solid var(--line);
  background: var(--paper);
  cursor: pointer;
}
button.none {
  background: none;
}
button[aria-pressed='true'] {
  outline: 2.5px solid var(--ink);
  outline-offset: -1px;
}
.bolt {
  position: absolute;
  inset: 0;
  display: flex;
  flex-direction: column;
  forced-color-adjust: none;
}
.bolt span {
  flex-basis: 0;
  min-height: 0;
}
.number {
  position: absolute;
  left: 2px;
  top: 2px;
  font-size: 10.5px;
  line-height: 13px;
  min-width: 15px;
  background: var(--paper);
  color: var(--ink);
}
.felt {
  position: absolute;
  right: 2px;
  bottom: 2px;
  font-size: 11px;
  line-height: 13px;
  min-width: 13px;
  background: var(--paper);
  color: var(--ink);
}
</style>
