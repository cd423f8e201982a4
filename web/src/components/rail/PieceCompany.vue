<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import type { Piece } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import { useCompany } from '@/server/useRailPanels'

/** What a piece stands beside: matches, clashes, best partners, fights. */
const { piece } = defineProps<{ piece: Piece }>()
const emit = defineEmits<{ show: [id: string] }>()
const route = useRoute()
const company = useCompany(
  () => String(route.params.client),
  () => piece,
)
const lists = computed(() => {
  const found = company.value
  if (!found) return []
  return [
    {
      title: 'Same colour',
      none: 'nothing of this colour',
      rows: found.same.map((one) => ({ ...one, said: one.kin, number: `${one.difference.toFixed(1)} ΔE`, why: '' })),
    },
    {
      title: 'Near misses',
      none: '',
      rows: found.clashes.map((one) => ({
        ...one,
        said: one.kin,
        number: `${one.difference.toFixed(1)} ΔE`,
        why: 'nearly one colour, one warm and one cool',
      })),
    },
    {
      title: 'Best partners',
      none: 'nothing to go with it',
      rows: found.partners.map((one) => ({ ...one, said: '', number: one.score.toFixed(0), why: one.because })),
    },
    {
      title: 'Fights with',
      none: '',
      rows: found.fights.map((one) => ({ ...one, said: '', number: one.score.toFixed(0), why: one.because })),
    },
  ].filter((list) => list.rows.length || list.none)
})
</script>

<template>
  <div>
    <section v-for="list in lists" :key="list.title">
      <h3>{{ list.title }}</h3>
      <p v-if="!list.rows.length" class="soft">{{ list.none }}</p>
      <ul v-else>
        <li v-for="row in list.rows" :key="row.piece_id">
          <button type="button" :data-tip="row.why" @click="emit('show', row.piece_id)">
            <PinkedSwatch :hex="row.hex" :picture="row.picture ?? null" :width="26" :height="22" />
            <span class="name"
              >{{ row.label }}<small v-if="row.why">{{ row.why }}</small></span
            >
            <span class="soft">{{ row.said }}</span>
            <strong>{{ row.number }}</strong>
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
h3 {
  font-size: 15px;
  margin-bottom: 2px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
button {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto auto;
  gap: 8px;
  align-items: center;
  width: 100%;
  text-align: left;
  background: none;
  border: 0;
  padding: 3px 0;
  cursor: pointer;
  line-height: 1.2;
}
small {
  display: block;
  color: var(--soft);
  font-size: 12px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.name {
  min-width: 0;
}
</style>
