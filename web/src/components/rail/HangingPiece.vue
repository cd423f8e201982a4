<script setup lang="ts">
import type { Piece } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import { hangLength, pieceWords } from '@/lib/rail'

/** A piece on its hook, as long as it hangs. */
defineProps<{ piece: Piece; chosen: boolean; shown: boolean }>()
defineEmits<{ show: []; choose: [] }>()
</script>

<template>
  <li class="hung" :class="{ chosen, shown }">
    <button
      type="button" :aria-pressed="chosen" :aria-label="`${pieceWords(piece)}${piece.doubtful ? ', in doubt' : ''}`"
      @mouseenter="$emit('show')" @focus="$emit('show')" @click="$emit('choose')"
    >
      <svg class="hook" width="12" height="14" viewBox="0 0 12 14" aria-hidden="true"><path d="M2.6 4.4a3.4 3.4 0 1 1 4.6 3.1c-.8.3-1.2.8-1.2 1.6V13" /></svg>
      <PinkedSwatch :hex="piece.colours[0]?.hex ?? ''" :picture="piece.cloth" :width="26" :height="hangLength(piece)" hanging />
    </button>
    <span v-if="piece.doubtful" class="doubt" aria-hidden="true">?</span>
  </li>
</template>

<style scoped>
.hung { width: 30px; flex: none; text-align: center; }
button { display: block; width: 100%; padding: 0 2px 5px; border: 0; background: none; cursor: pointer; }
.hook { display: block; margin: 0 auto; fill: none; stroke: var(--rule); stroke-width: 1.6; }
.shown button { transform: translateY(5px); }
.chosen button { outline: 2.5px solid var(--ink); outline-offset: -1px; }
.doubt { font-weight: 700; }
</style>
