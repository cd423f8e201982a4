<script setup lang="ts">
import { ref } from 'vue'
import type { Piece } from '@/api'
import { groupOf, type Bay, type Distance } from '@/lib/rail'
import HangingPiece from './HangingPiece.vue'

/** One bay of a rail; pieces that are dropped on it are hung here. */
const { bay, hanging } = defineProps<{
  bay: Bay
  /** Those of its pieces that hang already. */
  hanging: { piece: Piece; distance: Distance }[]
  chosen: Set<string>
  shownId: string | null
  /** Those that are seen close up. */
  inView: Set<string>
}>()
const emit = defineEmits<{
  show: [id: string]
  choose: [piece: Piece, event: MouseEvent]
  drag: [piece: Piece, event: DragEvent]
  drop: [event: DragEvent]
}>()
const over = ref(false)
function drop(event: DragEvent) {
  over.value = false
  emit('drop', event)
}
const joined = (index: number) => {
  const [one, next] = [bay.pieces[index], bay.pieces[index + 1]]
  const group = one && groupOf(one)
  return Boolean(group && next && groupOf(next) === group)
}
</script>

<template>
  <section
    class="bay"
    :class="{ over }"
    :aria-label="`${bay.title}, ${bay.pieces.length}`"
    :style="{ flexGrow: bay.pieces.length }"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="drop"
  >
    <h3>
      <span class="count">{{ bay.pieces.length }}</span>{{ bay.title }}
    </h3>
    <ul>
      <HangingPiece
        v-for="({ piece, distance }, index) in hanging"
        :key="piece.id"
        :piece="piece"
        :chosen="chosen.has(piece.id)"
        :shown="shownId === piece.id"
        :joined="joined(index)"
        :distance="distance"
        :close-up="inView.has(piece.id)"
        @show="emit('show', piece.id)"
        @choose="emit('choose', piece, $event)"
        @drag="emit('drag', piece, $event)"
      />
    </ul>
  </section>
</template>

<style scoped>
.bay {
  position: relative;
  padding: 0 14px 0 0;
}
.bay.over {
  outline: 2px dashed var(--on-cloth);
  outline-offset: -2px;
}
.bay h3 {
  font:
    650 13px/1 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  display: flex;
  align-items: flex-end;
  gap: 6px;
  height: 30px;
  margin: 0 0 -3px;
  position: relative;
  z-index: 1;
  padding-bottom: 14px;
  white-space: nowrap;
}
.bay::before {
  content: '';
  position: absolute;
  left: 0;
  right: 0;
  top: 25px;
  height: 6px;
  background: var(--rule);
}
.count {
  display: grid;
  place-items: center;
  min-width: 30px;
  height: 30px;
  border-radius: 50%;
  border: 1.6px solid var(--rule);
  background: var(--sheet);
  color: var(--ink);
  font-weight: 700;
  margin-bottom: -16px;
}
.bay ul {
  display: flex;
  flex-wrap: wrap;
  list-style: none;
  margin: 4px 0 0;
  padding: 0 0 0 34px;
  row-gap: 10px;
}
</style>
