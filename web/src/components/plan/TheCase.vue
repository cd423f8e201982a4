<script setup lang="ts">
import { NButton, NCheckbox } from 'naive-ui'
import { computed } from 'vue'
import type { Piece, Plan } from '@/api'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import DayField from '@/components/fields/DayField.vue'
import { later, shortDay } from '@/lib/plan'
import { plural } from '@/lib/words'
import { ref } from 'vue'

/** The case in packing order, with ticks; what one travels in, what is worn more than once, and what is away. */
const { plan, rail } = defineProps<{ plan: Plan; rail: Piece[] }>()
const emit = defineEmits<{ tick: [ids: string[]]; away: [piece: string, until: string | null] }>()
const byId = computed(() => new Map(rail.map((piece) => [piece.id, piece])))
const shoes = computed(() => plan.case.filter((one) => byId.value.get(one.piece)?.zone === 'feet').length)
const called = (ids: string[]) => ids.flatMap((id) => byId.value.get(id)?.label.toLowerCase() ?? []).join(', ')
const said = computed(() => {
  const head = `${plural(plan.case.length, 'piece')}, ${plural(shoes.value, 'pair')} of shoes`
  return plan.travels.length ? `${head}; worn to travel: ${called(plan.travels)}` : head
})
const tick = (id: string, on: boolean) => {
  const now = plan.case.filter((one) => one.ticked).map((one) => one.piece)
  emit('tick', on ? [...now, id] : now.filter((one) => one !== id))
}
const away = computed(() =>
  Object.entries(plan.away).flatMap(([id, until]) => {
    const piece = byId.value.get(id)
    return piece ? [{ id, label: piece.label, until }] : []
  }),
)
const until = ref<string | null>(null)
const choices = computed(() => [
  { value: '', label: 'in the wash or away…' },
  ...rail.filter((piece) => !(piece.id in plan.away)).map((piece) => ({ value: piece.id, label: piece.label })),
])
const put = (id: string) => id && emit('away', id, until.value ?? later(plan.first, 1))
</script>

<template>
  <section class="case tile" aria-label="The case">
    <h2>The case</h2>
    <p class="soft said">{{ plan.case.length ? said : 'Nothing is packed as long as no look hangs on a day.' }}</p>
    <ul class="list">
      <li v-for="one in plan.case" :key="one.piece">
        <NCheckbox size="small" :checked="one.ticked" @update:checked="tick(one.piece, $event)">
          {{ one.called }}<span v-if="one.days > 1" class="soft"> · {{ one.days }}×</span>
        </NCheckbox>
      </li>
    </ul>
    <div class="away">
      <ChoiceList value="" :options="choices" label="A piece that is in the wash or away" @change="put" />
      <span class="soft">until</span>
      <DayField small :value="until ?? later(plan.first, 1)" @change="until = $event" />
    </div>
    <ul v-if="away.length" class="gone" aria-label="Away">
      <li v-for="one in away" :key="one.id">
        {{ one.label }} until {{ shortDay(one.until) }}
        <NButton text class="word" :aria-label="`${one.label} is back`" @click="emit('away', one.id, null)"
          >is back</NButton
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.case {
  overflow: auto;
  min-height: 0;
}
.said {
  font-size: 13px;
  margin-bottom: 6px;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  columns: 196px;
  column-gap: 14px;
}
.list li {
  break-inside: avoid;
  padding: 1.5px 0;
  font-size: 13px;
}
.away {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto 132px;
  gap: 8px;
  align-items: center;
  margin-top: 8px;
  font-size: 13px;
}
.gone {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
  font-size: 13px;
}
.gone .word {
  padding: 0 2px;
  text-decoration: underline;
}
</style>
