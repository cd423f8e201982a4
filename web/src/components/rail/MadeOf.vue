<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Audit, Piece, Share } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import { capital, percent, plural } from '@/lib/words'
import BoltOfCloth from './BoltOfCloth.vue'

/** What a rail is made of, and what was otherwise at the last visit. */
const { audit, byId } = defineProps<{ audit: Audit; byId: Map<string, Piece> }>()
const emit = defineEmits<{ show: [id: string]; find: [words: string] }>()
const heavy = computed(() => audit.families.filter((one) => audit.heavy.includes(one.name)))
const shares = computed(() => [
  { title: 'by sort', rows: audit.sorts },
  { title: 'by temperature', rows: audit.temperatures },
  { title: 'by lightness', rows: audit.lightness },
])
const since = computed(() =>
  audit.since ? new Date(audit.since).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' }) : null,
)
const moved = computed(() =>
  [...audit.families]
    .filter((one) => one.before !== null && Math.abs(one.share - one.before) >= 0.015)
    .sort((a, b) => Math.abs(b.share - (b.before ?? 0)) - Math.abs(a.share - (a.before ?? 0)))
    .slice(0, 3),
)
const was = (one: Share) => (one.before === null ? '' : `was ${percent(one.before)}`)
const metals = computed(() =>
  Object.entries(audit.metals)
    .map(([metal, count]) => `${metal} on ${count}`)
    .join(', '),
)
</script>

<template>
  <div class="made">
    <div class="cloth">
      <BoltOfCloth :colours="audit.families" :height="56" />
      <ul class="families">
        <li v-for="one in audit.families.slice(0, 8)" :key="one.name">
          <button
            type="button"
            :data-tip="`${plural(one.pieces.length, 'piece')}: find them`"
            @click="emit('find', one.name)"
          >
            <PinkedSwatch :hex="one.hex" :width="20" :height="20" /><span>{{ one.name }}</span
            ><strong>{{ percent(one.share) }}</strong>
          </button>
        </li>
      </ul>
      <p v-if="heavy.length">
        <strong>Much of it is {{ heavy.map((one) => `${one.name} (${percent(one.share)})`).join(' and ') }}.</strong>
      </p>
    </div>
    <table v-for="table in shares" :key="table.title">
      <caption>
        {{
          table.title
        }}
      </caption>
      <tbody>
        <tr v-for="one in table.rows" :key="one.name" :data-tip="was(one)">
          <th scope="row">{{ one.name }}</th>
          <td class="strip"><span :style="{ width: percent(one.share).replace(' ', '') }" /></td>
          <td>{{ percent(one.share) }}</td>
        </tr>
      </tbody>
    </table>
    <div class="notes">
      <p v-if="audit.in_range !== null">
        <strong>{{ percent(audit.in_range) }}</strong> of the cloth is in the client's range
      </p>
      <p v-if="metals">{{ capital(metals) }}</p>
      <p v-if="since && moved.length">
        Since {{ since }}:
        <template v-for="(one, index) in moved" :key="one.name"
          ><template v-if="index">, </template>{{ one.name }} {{ percent(one.share) }} ({{ was(one) }})</template
        >
      </p>
      <p v-else-if="since" class="soft">Hardly changed since {{ since }}.</p>
      <p v-for="two in audit.duplicates.slice(0, 4)" :key="two.first + two.second">
        Nearly one:
        <NButton text class="word link" @click="emit('show', two.first)">
          {{ byId.get(two.first)?.label }}
        </NButton>
        and
        <NButton text class="word link" @click="emit('show', two.second)"> {{ byId.get(two.second)?.label }}</NButton>,
        {{ two.difference.toFixed(1) }} ΔE
      </p>
    </div>
  </div>
</template>

<style scoped>
.made {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) auto repeat(2, minmax(0, 0.8fr));
  gap: 12px 22px;
}
.families {
  list-style: none;
  margin: 8px 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
  gap: 2px 14px;
}
.families button {
  display: grid;
  grid-template-columns: 20px 1fr auto;
  gap: 8px;
  align-items: center;
  width: 100%;
  background: none;
  border: 0;
  padding: 2px 0;
  cursor: pointer;
  text-align: left;
}
table {
  border-collapse: collapse;
  align-self: start;
  width: 100%;
}
caption {
  text-align: left;
  color: var(--soft);
  padding-bottom: 3px;
}
th {
  font-weight: 400;
  text-align: left;
  white-space: nowrap;
  padding: 2px 8px 2px 0;
}
td:last-child {
  text-align: right;
  font-weight: 700;
  white-space: nowrap;
}
.strip {
  width: 99%;
  min-width: 40px;
  padding-right: 8px;
}
.strip span {
  display: block;
  height: 8px;
  background: var(--rule);
  min-width: 1px;
}
.notes {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 26px;
}
.link {
  text-decoration: underline;
  padding: 0;
}
@media (max-width: 1100px) {
  .made {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
