<script setup lang="ts">
import type { Client, Piece, Word } from '@/api'
import ProblemNote from '@/components/base/ProblemNote.vue'
import ClothKeys from '@/components/what/ClothKeys.vue'
import ClothList from '@/components/what/ClothList.vue'
import CutFigure from '@/components/what/CutFigure.vue'
import CutWords from '@/components/what/CutWords.vue'
import UseTapes from '@/components/what/UseTapes.vue'
import { useClient } from '@/server/useClient'
import { useWhatOfPiece } from '@/server/useWhat'

/** How a piece is cut, what it is made of, and what it is for: as said, seen or proposed. */
const { piece } = defineProps<{ piece: Piece; client: Client | null }>()
const emit = defineEmits<{ word: [word: Word] }>()
const { id } = useClient()
const { what, problem } = useWhatOfPiece(
  () => id.value,
  () => piece.id,
)
</script>

<template>
  <div>
    <ProblemNote v-if="problem" :problem="problem" />
    <template v-if="what">
      <div class="pair">
        <div v-if="client && what.marks.length" class="figure">
          <CutFigure near :what="what" :client="client" :piece="piece" @say="emit('word', $event)" />
        </div>
        <CutWords v-else :what="what" @say="emit('word', $event)" />
        <div class="told">
          <ClothKeys narrow :what="what" @say="emit('word', $event)" />
          <ClothList size="small" :finish="what.finish" label="Cloth" @say="emit('word', $event)" />
        </div>
      </div>
      <UseTapes :what="what" @say="emit('word', $event)" />
      <CutWords v-if="what.marks.length" :what="what" @say="emit('word', $event)" />
    </template>
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 156px minmax(0, 1fr);
  gap: 14px;
}
.figure {
  height: 184px;
}
.told {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
</style>
