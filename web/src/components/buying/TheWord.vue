<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Candidate, Considered, Piece } from '@/api'
import TapeMeasure from '@/components/base/TapeMeasure.vue'
import { saidBefore, topOf } from '@/lib/buying'
import { capital, percent, plural } from '@/lib/words'

/** The plain word on a candidate, the tapes behind it, and what would turn it. */
const { candidate, considered, rail } = defineProps<{
  candidate: Candidate
  considered: Considered
  rail: Piece[]
}>()
const emit = defineEmits<{ seen: [] }>()
const label = (id: string) => rail.find((piece) => piece.id === id)?.label ?? 'a piece that hangs no more'
const top = computed(() => topOf(considered.opens_most, considered.usual ?? 0))
/** CIEDE2000 from which two pieces are apart, whatever they are. */
const FAR = 20
const money = (value: number) => value.toFixed(2)
</script>

<template>
  <section class="the-word" aria-label="What is said of it">
    <p class="plain" role="status">
      <strong>{{ capital(considered.word) }}</strong>
    </p>
    <p v-if="candidate.before" class="changed">
      {{ saidBefore(candidate.before, considered) }}
      <NButton text class="word" @click="emit('seen')">All right</NButton>
    </p>
    <ul class="because">
      <li v-for="one in considered.because" :key="one">{{ one }}</li>
    </ul>
    <p class="soft">{{ considered.otherwise }}</p>
    <div class="tapes">
      <span>Opens</span>
      <TapeMeasure
        :value="considered.opens"
        :high="top"
        :span="[considered.opens_least, considered.opens_most]"
        name="Good looks that it opens"
        :shown="`${considered.opens}`"
        :other="
          considered.usual === null
            ? null
            : { value: considered.usual, name: `the middle one of its kind: ${considered.usual}` }
        "
      />
      <span>Goes with</span>
      <TapeMeasure
        :value="considered.goes_with"
        :high="Math.max(considered.pieces, 1)"
        name="Pieces of the rail that it goes with"
        :shown="`${considered.goes_with} of ${considered.pieces}`"
      />
      <template v-if="considered.nearest_of_kind !== null">
        <span>Doubles</span>
        <TapeMeasure
          :value="Math.min(considered.nearest_of_kind, FAR)"
          :high="FAR"
          name="How far it is from the nearest of its kind"
          :shown="`${considered.nearest_of_kind.toFixed(1)} from the nearest`"
          :ends="['the same', 'apart']"
        />
      </template>
      <template v-if="considered.suits !== null">
        <span>Sits with the client</span>
        <TapeMeasure
          :value="100 * considered.suits"
          name="How well it sits with the client"
          :shown="`${percent(considered.suits)}${considered.in_range === false ? ', out of range' : ''}`"
        />
      </template>
      <template v-if="considered.cost">
        <span>Costs a wear</span>
        <TapeMeasure
          :value="considered.cost.a_wear"
          :high="topOf(considered.cost.a_wear * 2)"
          name="What it costs a wear"
          :shown="money(considered.cost.a_wear)"
        />
      </template>
    </div>
    <p v-if="considered.cost" class="soft">{{ considered.cost.told }}</p>
    <p v-else class="soft">What it costs a wear is told once its price is noted below.</p>
    <dl>
      <template v-if="considered.partners.length">
        <dt>Goes with</dt>
        <dd>
          {{
            considered.partners
              .slice(0, 5)
              .map((one) => `${label(one.piece_id)} (${plural(one.looks, 'look')})`)
              .join(', ')
          }}
        </dd>
      </template>
      <template v-if="considered.woken.length">
        <dt>Brings back</dt>
        <dd>{{ considered.woken.map(label).join(', ') }}</dd>
      </template>
      <template v-if="considered.doubles.length">
        <dt>Doubles</dt>
        <dd>
          {{
            considered.doubles.map((one) => `${label(one.piece_id)} (${one.difference.toFixed(1)} apart)`).join(', ')
          }}
        </dd>
      </template>
      <template v-if="considered.quarrels.length">
        <dt>Quarrels with</dt>
        <dd>{{ considered.quarrels.map((one) => label(one.piece_id)).join(', ') }}</dd>
      </template>
    </dl>
  </section>
</template>

<style scoped>
.the-word {
  display: flex;
  flex-direction: column;
  gap: 6px;
  font-size: 13px;
}
.plain strong {
  font:
    600 34px/1 'Petrona Variable',
    serif;
}
.changed {
  border: 1.5px dashed var(--rule);
  padding: 6px 8px;
}
.because {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 3px;
}
.because li:first-child {
  font-weight: 650;
}
.tapes {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 3px 10px;
  padding-top: 4px;
}
dl {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 4px 10px;
  margin: 0;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
}
</style>
