<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Turn, Turned, Turns } from '@/api'
import { TURNS } from '@/lib/making'
import { signed } from '@/lib/words'

/** Where a look can be turned to, and the small changes that turn it there, as swing tags. */
const { to, turns, turning, overall } = defineProps<{
  to: Turn | null
  turns: Turns | null
  turning: boolean
  /** The whole of the look as it is. */
  overall: number
}>()
const emit = defineEmits<{
  to: [to: Turn | null]
  wear: [turned: Turned]
  keep: [turned: Turned]
  point: [pieces: string[]]
}>()
const word = computed(() => TURNS.find((one) => one.to === to)?.word ?? '')
const named = (turned: Turned) =>
  turned.changes.flatMap((change) => [change.piece, change.with].filter((one): one is string => !!one))
</script>

<template>
  <section class="turn" aria-label="Turn the look">
    <h3>Turn it</h3>
    <p class="row" role="group" aria-label="Turn it">
      <NButton
        v-for="one in TURNS"
        :key="one.to"
        text
        class="word"
        :aria-pressed="to === one.to"
        @click="emit('to', to === one.to ? null : one.to)"
      >
        {{ one.word }}
      </NButton>
    </p>
    <template v-if="to">
      <p v-if="turning && !turns" class="soft" role="status">Trying…</p>
      <p v-else-if="turns?.as_it_is" class="soft">It can go {{ word }} as it is.</p>
      <p v-else-if="turns && !turns.turns.length" class="soft">Nothing on the rail turns it {{ word }}.</p>
      <ul v-if="turns?.turns.length">
        <li
          v-for="turned in turns.turns"
          :key="turned.pieces.join()"
          class="tag"
          @mouseenter="emit('point', named(turned))"
          @mouseleave="emit('point', [])"
        >
          <span class="eyelet" aria-hidden="true" />
          <span class="what">
            <span v-for="change in turned.changes" :key="change.text">{{ change.text }}</span>
          </span>
          <strong>{{ turned.overall.toFixed(0) }}</strong>
          <span class="soft">{{ signed(turned.overall - overall) }}</span>
          <span class="deeds">
            <NButton text class="word" @click="emit('wear', turned)">wear it</NButton>
            <NButton text class="word" @click="emit('keep', turned)">keep it as a turn</NButton>
          </span>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 10px 0 1px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0 11px;
}
.row .word {
  padding: 1px 0;
  font-size: 12.5px;
  font-weight: 400;
}
ul {
  list-style: none;
  margin: 4px 0;
  padding: 0;
  display: grid;
  gap: 5px;
}
.tag {
  display: grid;
  grid-template-columns: auto 1fr auto auto;
  gap: 0 8px;
  align-items: baseline;
  padding: 5px 10px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 12px 3px 3px 12px;
  font-size: 13px;
}
.eyelet {
  width: 8px;
  height: 8px;
  border: 1.5px solid var(--rule);
  border-radius: 50%;
}
.what span {
  display: block;
}
.what span::first-letter {
  text-transform: uppercase;
}
.deeds {
  grid-column: 2 / -1;
  display: flex;
  gap: 12px;
}
.deeds .word {
  padding: 0;
  text-decoration: underline;
  font-size: 12.5px;
}
</style>
