<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Piece } from '@/api'
import { groupOf, type Bay, type Move } from '@/lib/rail'
import HangingPiece from './HangingPiece.vue'

/** The bays of a rail. Arrows walk along it, Shift with them chooses on the way. */
const { bays, chosen, shownId, foundIds, zoom } = defineProps<{
  bays: Bay[]
  chosen: Set<string>
  shownId: string | null
  /** What was looked for; none for everything. */
  foundIds: Set<string> | null
  zoom: number
}>()
const emit = defineEmits<{ show: [id: string]; choose: [ids: string[], add: boolean]; move: [ids: string[], to: Move]; stuck: [] }>()
const wall = ref<HTMLElement | null>(null)
const order = computed(() => bays.flatMap((bay) => bay.pieces.map((piece) => piece.id)))
const over = ref<string | null>(null)
let anchor: string | null = null

function choose(piece: Piece, event: MouseEvent) {
  if (event.shiftKey && anchor) emit('choose', between(anchor, piece.id), true)
  else emit('choose', [piece.id], false)
  anchor = piece.id
}
function between(first: string, last: string): string[] {
  const [from, to] = [order.value.indexOf(first), order.value.indexOf(last)].sort((a, b) => a - b) as [number, number]
  return order.value.slice(from, to + 1)
}
function walk(event: KeyboardEvent) {
  const buttons = [...(wall.value?.querySelectorAll<HTMLElement>('[data-piece]') ?? [])]
  const at = buttons.indexOf(document.activeElement as HTMLElement)
  const step = { ArrowRight: 1, ArrowLeft: -1, Home: -at, End: buttons.length - 1 - at }[event.key]
  if (step === undefined || at < 0) return
  event.preventDefault()
  const next = buttons[at + step]
  next?.focus()
  if (event.shiftKey && next?.dataset.piece) emit('choose', [buttons[at]?.dataset.piece ?? '', next.dataset.piece].filter(Boolean), true)
}
function drag(piece: Piece, event: DragEvent) {
  const ids = chosen.has(piece.id) ? [...chosen] : [piece.id]
  event.dataTransfer?.setData('application/x-pieces', ids.join(' '))
}
function drop(bay: Bay, event: DragEvent) {
  over.value = null
  const ids = event.dataTransfer?.getData('application/x-pieces').split(' ').filter(Boolean) ?? []
  if (ids.length && bay.moves) emit('move', ids, bay.moves)
  else if (ids.length) emit('stuck')
}
const joined = (bay: Bay, index: number) => {
  const [one, next] = [bay.pieces[index], bay.pieces[index + 1]]
  const group = one && groupOf(one)
  return Boolean(group && next && groupOf(next) === group)
}
defineExpose({ focusOn: (id: string) => wall.value?.querySelector<HTMLElement>(`[data-piece="${CSS.escape(id)}"]`)?.focus() })
</script>

<template>
  <div ref="wall" class="wall" :style="{ '--zoom': zoom }" @keydown="walk">
    <section
      v-for="bay in bays" :key="bay.title" class="bay" :class="{ over: over === bay.title }" :aria-label="`${bay.title}, ${bay.pieces.length}`"
      :style="{ flexGrow: bay.pieces.length, containIntrinsicSize: `auto ${bay.pieces.length * 30 * zoom + 48}px auto ${190 * zoom + 30}px` }"
      @dragover.prevent="over = bay.title" @dragleave="over = null" @drop.prevent="drop(bay, $event)"
    >
      <h3><span class="count">{{ bay.pieces.length }}</span>{{ bay.title }}</h3>
      <ul>
        <HangingPiece
          v-for="(piece, index) in bay.pieces" :key="piece.id" :piece="piece" :chosen="chosen.has(piece.id)" :shown="shownId === piece.id"
          :joined="joined(bay, index)" :quiet="foundIds !== null && !foundIds.has(piece.id)"
          @show="emit('show', piece.id)" @choose="choose(piece, $event)" @drag="drag(piece, $event)"
        />
      </ul>
    </section>
  </div>
</template>

<style scoped>
.wall { display: flex; flex-wrap: wrap; align-content: flex-start; row-gap: 16px; background: var(--cloth); color: var(--on-cloth); overflow: auto; padding: 2px 0 8px; }
.bay { position: relative; padding: 0 14px 0 0; content-visibility: auto; }
.bay.over { outline: 2px dashed var(--on-cloth); outline-offset: -2px; }
.bay h3 { font: 650 13px/1 'Atkinson Hyperlegible Next Variable', sans-serif; display: flex; align-items: flex-end; gap: 6px; height: 30px; margin: 0 0 -3px; position: relative; z-index: 1; padding-bottom: 14px; white-space: nowrap; }
.bay::before { content: ''; position: absolute; left: 0; right: 0; top: 25px; height: 6px; background: var(--rule); }
.count { display: grid; place-items: center; min-width: 30px; height: 30px; border-radius: 50%; border: 1.6px solid var(--rule); background: var(--sheet); color: var(--ink); font-weight: 700; margin-bottom: -16px; }
.bay ul { display: flex; flex-wrap: wrap; list-style: none; margin: 4px 0 0; padding: 0 0 0 34px; row-gap: 10px; }
</style>
