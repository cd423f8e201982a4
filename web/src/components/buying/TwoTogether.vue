<script setup lang="ts">
import type { Candidate, Client, Considered, Together } from '@/api'
import TapeMeasure from '@/components/base/TapeMeasure.vue'
import AtTheFace from '@/components/buying/AtTheFace.vue'
import { candidateName, topOf } from '@/lib/buying'
import { capital, percent, plural } from '@/lib/words'

/** Two candidates side by side: the same face and the same light, what each opens, alone and together. */
const { one, other, ofOne, ofOther, together } = defineProps<{
  client: Client
  one: Candidate
  other: Candidate
  ofOne: Considered | null
  ofOther: Considered | null
  together: Together | null
}>()
const top = () => topOf(ofOne?.opens_most ?? 0, ofOther?.opens_most ?? 0)
</script>

<template>
  <div class="two">
    <section
      v-for="[candidate, considered] in [
        [one, ofOne],
        [other, ofOther],
      ] as const"
      :key="candidate.id"
      :aria-label="candidateName(candidate)"
    >
      <AtTheFace :candidate="candidate" :client="client" :considered="considered" brief />
      <div class="told">
        <h2>{{ candidateName(candidate) }}</h2>
        <p v-if="!considered" role="status">Counting the looks it opens…</p>
        <template v-else>
          <p class="plain">{{ capital(considered.word) }}</p>
          <div class="tapes">
            <span>Opens</span>
            <TapeMeasure
              :value="considered.opens"
              :high="top()"
              :span="[considered.opens_least, considered.opens_most]"
              :name="`Good looks that ${candidateName(candidate)} opens`"
              :shown="`${considered.opens}`"
            />
            <template v-if="considered.suits !== null">
              <span>Sits</span>
              <TapeMeasure
                :value="100 * considered.suits"
                :name="`How well ${candidateName(candidate)} sits with the client`"
                :shown="percent(considered.suits)"
              />
            </template>
            <template v-if="considered.cost">
              <span>A wear</span>
              <span>{{ considered.cost.a_wear.toFixed(2) }}</span>
            </template>
          </div>
        </template>
      </div>
    </section>
    <p class="together" role="status">
      <template v-if="together">
        <strong>Together {{ plural(together.all, 'look') }}:</strong> {{ together.first }} with
        {{ candidateName(one) }} alone, {{ together.second }} with {{ candidateName(other) }} alone, and
        {{ together.both }} with both, which neither opens by itself.
      </template>
      <template v-else>Counting what both open…</template>
    </p>
  </div>
</template>

<style scoped>
.two {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template: minmax(0, 1fr) auto / 1fr 1fr;
}
section {
  min-height: 0;
  min-width: 0;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
}
.told,
.together {
  background: var(--paper);
  color: var(--ink);
  padding: 8px 18px;
}
.told {
  min-height: 150px;
  border-top: 1px solid var(--line);
}
.plain {
  font:
    600 26px/1.1 'Petrona Variable',
    serif;
}
.tapes {
  display: grid;
  grid-template-columns: 54px minmax(0, 1fr);
  gap: 2px 10px;
  padding-top: 6px;
  font-size: 13px;
}
.together {
  grid-column: 1 / -1;
  border-top: 1px solid var(--line);
}
</style>
