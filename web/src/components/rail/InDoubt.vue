<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { Bin, Piece } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import { BINS, percent } from '@/lib/words'

/** Pieces that hang close to a border: look and say. */
defineProps<{ pieces: Piece[]; shownId: string | null }>()
const emit = defineEmits<{ show: [id: string]; say: [id: string, bin: Bin] }>()
</script>

<template>
  <div>
    <p class="soft">
      These hang close to a border. <kbd>N</kbd> goes to the next one;
      <template v-for="(one, index) in BINS" :key="one.bin"
        ><template v-if="index">, </template><kbd>{{ one.key.toUpperCase() }}</kbd> {{ one.bin }}</template
      >; <kbd>Y</kbd> it hangs right.
    </p>
    <ul v-if="pieces.length">
      <li v-for="piece in pieces" :key="piece.id" :class="{ shown: piece.id === shownId }">
        <button type="button" @click="emit('show', piece.id)">
          <PinkedSwatch :hex="piece.colours[0]?.hex ?? ''" :picture="piece.cloth" :width="24" :height="28" />
          <span
            >{{ piece.label }}<br /><span class="soft"
              >{{ piece.sort.bin }}, {{ percent(piece.sort.confidence) }} sure</span
            ></span
          >
        </button>
        <NButton
          text
          class="word"
          :aria-label="`${piece.label} hangs right as ${piece.sort.bin}`"
          @click="emit('say', piece.id, piece.sort.bin)"
        >
          hangs right
        </NButton>
      </li>
    </ul>
    <p v-else>Nothing is in doubt.</p>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 4px 22px;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  padding: 2px 6px;
  border-left: 3px solid transparent;
}
li.shown {
  border-left-color: var(--ink);
}
li > button:first-child {
  display: grid;
  grid-template-columns: 24px 1fr;
  gap: 10px;
  text-align: left;
  background: none;
  border: 0;
  padding: 2px;
  cursor: pointer;
  align-items: center;
  line-height: 1.25;
}
.word {
  white-space: nowrap;
  text-decoration: underline;
}
</style>
