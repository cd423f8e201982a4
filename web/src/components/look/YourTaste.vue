<script setup lang="ts">
import { NButton } from 'naive-ui'
import ProblemNote from '@/components/base/ProblemNote.vue'
import { plural } from '@/lib/words'
import { useTaste } from '@/server/useTaste'

/** What the stylist's own verdicts, look against look, say of the rules; moved only when asked, and put back at will. */
const { taste: found, problem, move, back } = useTaste()
const times = (factor: number) => `${factor > 1 ? 'counts' : 'counts only'} ${Math.round(factor * 100)} %`
</script>

<template>
  <section aria-labelledby="taste">
    <h2 id="taste">Your taste</h2>
    <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
    <template v-if="found">
      <p v-if="!found.verdicts">
        Hold two looks side by side and say which is better. From three such verdicts on, this says where the rules see
        it otherwise than you.
      </p>
      <p v-else>
        You have found one look better than another {{ plural(found.verdicts, 'time') }}; the rules agree with
        {{ found.agreed }}.
      </p>
      <template v-if="found.asked.length && !found.kept.length">
        <p>Moved a little, they would agree with {{ found.would_agree }}:</p>
        <ul>
          <li v-for="one in found.asked.slice(0, 8)" :key="one.rule">
            <strong>{{ times(one.times) }}</strong> {{ one.says }}
          </li>
        </ul>
        <NButton @click="move">Move the rules</NButton>
      </template>
      <template v-if="found.kept.length">
        <p>Moved for your studio:</p>
        <ul>
          <li v-for="one in found.kept" :key="one.rule">
            <strong>{{ times(one.times) }}</strong> {{ one.says }}
          </li>
        </ul>
        <NButton @click="back">Judge by the rules that ship again</NButton>
      </template>
    </template>
  </section>
</template>

<style scoped>
section {
  background: var(--paper);
  color: var(--ink);
  border-radius: 8px;
  padding: 18px 24px;
  display: grid;
  gap: 10px;
  justify-items: start;
  width: 100%;
}
h2,
p,
ul {
  margin: 0;
}
ul {
  list-style: none;
  padding: 0;
}
</style>
