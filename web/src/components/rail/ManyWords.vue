<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Finish, Kept, Piece, Word } from '@/api'
import ClothList from '@/components/what/ClothList.vue'
import { FORMALITY, WARMTH } from '@/lib/what'
import { plural } from '@/lib/words'

/** One word for several pieces at once. */
const { pieces } = defineProps<{ pieces: Piece[] }>()
const emit = defineEmits<{ word: [word: Word]; kept: [kept: Kept] }>()
/** What all of them have alike, for showing what is pressed. */
const all = <T,>(read: (piece: Piece) => T): T | null => {
  const first = pieces[0] && read(pieces[0])
  return first !== undefined && pieces.every((piece) => JSON.stringify(read(piece)) === JSON.stringify(first))
    ? (first as T)
    : null
}
const finish = computed<Finish[]>(() => all((piece) => piece.finish) ?? [])
interface Row {
  name: string
  words: { word: string; on: boolean; say: () => void }[]
}
const LENGTHS = ['cropped', 'waist', 'hip', 'knee', 'midi', 'ankle', 'floor'] as const
const VOLUMES = ['close', 'easy', 'full'] as const
const STATEMENTS = [
  ['quiet', 0.1],
  ['speaks', 0.4],
  ['loud', 0.8],
] as const
const rows = computed<Row[]>(() => [
  {
    name: 'length',
    words: LENGTHS.map((length) => ({
      word: length,
      on: all((piece) => piece.length) === length,
      say: () => emit('word', { length }),
    })),
  },
  {
    name: 'fullness',
    words: VOLUMES.map((volume) => ({
      word: volume,
      on: all((piece) => piece.volume) === volume,
      say: () => emit('word', { volume }),
    })),
  },
  {
    name: 'formality',
    words: FORMALITY.map((word, k) => ({
      word,
      on: all((piece) => piece.formality) === k + 1,
      say: () => emit('word', { formality: k + 1 }),
    })),
  },
  {
    name: 'warmth',
    words: WARMTH.map((word, k) => ({
      word,
      on: all((piece) => piece.warmth) === k,
      say: () => emit('word', { warmth: k }),
    })),
  },
  {
    name: 'statement',
    words: STATEMENTS.map(([word, statement]) => ({
      word,
      on: all((piece) => piece.statement) === statement,
      say: () => emit('word', { statement }),
    })),
  },
  {
    name: 'fit',
    words: [true, false].map((fits) => ({
      word: fits ? 'fits' : 'does not fit',
      on: all((piece) => piece.kept.fits) === fits,
      say: () => emit('kept', { fits }),
    })),
  },
])
</script>

<template>
  <div class="many">
    <p>
      One word for <strong>{{ plural(pieces.length, 'chosen piece') }}</strong>
    </p>
    <label class="row"
      ><span class="soft">cloth</span>
      <ClothList size="small" :finish="finish" label="Cloth of all" @say="emit('word', $event)" />
    </label>
    <div v-for="row in rows" :key="row.name" class="row" role="group" :aria-label="`${row.name} of all`">
      <span class="soft">{{ row.name }}</span>
      <span class="choices">
        <NButton v-for="one in row.words" :key="one.word" text class="word" :aria-pressed="one.on" @click="one.say">
          {{ one.word }}
        </NButton>
      </span>
    </div>
  </div>
</template>

<style scoped>
.many {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.row {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  align-items: baseline;
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
}
</style>
