<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { Piece, Work, Zone } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import { plural } from '@/lib/words'

/** Which pieces carry the rail and which hardly work. */
const { work, pieces } = defineProps<{ work: Work; pieces: Piece[]; clientId: string }>()
const emit = defineEmits<{ show: [id: string] }>()
/** Clothes and shoes are in looks by themselves; an accessory is only added to them. */
const CARRY: Zone[] = ['layer', 'upper', 'lower', 'whole', 'feet']
const rank = (carry: boolean) =>
  pieces
    .filter((p) => p.id in work.each && CARRY.includes(p.zone) === carry)
    .map((piece) => ({ piece, looks: work.each[piece.id] ?? 0 }))
    .sort((a, b) => b.looks - a.looks)
const ranked = computed(() => rank(true))
const added = computed(() => rank(false).slice(0, 4))
/** What the log tells, in a sentence. */
const wornWords = computed(() => {
  const worn = pieces.filter((piece) => piece.worn_days).sort((a, b) => b.worn_days - a.worn_days)
  if (!worn.length) return ''
  const most = worn.slice(0, 3).map((piece) => `${piece.label.toLowerCase()} (${plural(piece.worn_days, 'day')})`)
  const never = pieces.length - worn.length
  return `Worn most: ${most.join(', ')}; ${never} never, as far as the log tells.`
})
const lists = computed(() => [
  { title: 'Working hard', rows: ranked.value.slice(0, 6) },
  { title: 'Hardly working', rows: ranked.value.slice(-Math.min(6, Math.max(0, ranked.value.length - 6))).reverse() },
])
</script>

<template>
  <div class="work">
    <section v-for="list in lists" :key="list.title">
      <h3>{{ list.title }}</h3>
      <ul>
        <li v-for="row in list.rows" :key="row.piece.id">
          <button type="button" @click="emit('show', row.piece.id)">
            <PinkedSwatch :hex="row.piece.colours[0]?.hex ?? ''" :picture="row.piece.cloth" :width="24" :height="22" />
            <span>{{ row.piece.label }}</span><strong>{{
              row.looks ? `in ${plural(row.looks, 'good look')}` : 'in none yet'
            }}</strong>
          </button>
        </li>
      </ul>
      <p v-if="!list.rows.length" class="soft">Too few pieces to tell.</p>
    </section>
    <section>
      <h3>Missing</h3>
      <p class="soft">Which one piece, and which two, would open most looks is counted over all kinds and colours.</p>
      <RouterLink :to="{ name: 'before-buying', params: { client: clientId }, query: { show: 'missing' } }"
        >What is missing</RouterLink
      >
    </section>
    <p class="soft counted">
      {{ work.good }} of {{ plural(work.looks, 'base look') }} reach {{ work.good_from }}: a top with a lower half or
      one whole piece, with shoes and at most one layer<template v-if="work.drawn">; estimated from a draw</template>.
      <template v-if="added.length"
        >Good looks stay good with
        {{ added.map((row) => `${row.piece.label.toLowerCase()} (${row.looks})`).join(', ') }}.</template
      >
      {{ wornWords }}
    </p>
  </div>
</template>

<style scoped>
.work {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px 28px;
}
h3 {
  font-size: 16px;
  margin-bottom: 4px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
button {
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  width: 100%;
  background: none;
  border: 0;
  padding: 2px 0;
  text-align: left;
}
button {
  cursor: pointer;
}
.counted {
  grid-column: 1 / -1;
}
</style>
