<script setup lang="ts">
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import type { Piece } from '@/api'
import type { Bay, Move } from '@/lib/rail'
import RailBay from './RailBay.vue'

const AT_ONCE = 60
const A_FRAME = 60
const CLOSE = 1.7
const AT_REST = 180

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
let anchor: string | null = null

/** A long rail is hung some pieces a frame, so that the first ones are seen at once. */
const hung = ref(AT_ONCE)
let frame = 0
watch(
  () => order.value.length,
  (all) => {
    cancelAnimationFrame(frame)
    const more = () => {
      if (hung.value >= all) return
      hung.value += A_FRAME
      frame = requestAnimationFrame(more)
    }
    frame = requestAnimationFrame(more)
  },
  { immediate: true },
)
const seen = computed(() => {
  let left = hung.value
  return bays.map((bay) => {
    const pieces = bay.pieces.slice(0, Math.max(0, left))
    left -= bay.pieces.length
    return { bay, pieces }
  })
})

/** A step nearer or farther goes along the wall bay by bay, a frame each, and so does the change from flat colours to
 * cloth and back: hundreds of strips at once would stutter. */
interface Distance { zoom: number; flat: boolean }
const distances = shallowRef<Record<string, Distance>>({})
let stepping = 0
watch(
  [() => zoom, () => bays.map((bay) => bay.title).join()],
  ([now, titles], [before, had]) => {
    cancelAnimationFrame(stepping)
    const every = bays.map((bay) => bay.title)
    const wanted: Distance = { zoom: now, flat: now < 1 }
    if (before === undefined || titles !== had) {
      distances.value = Object.fromEntries(every.map((title) => [title, wanted]))
      return
    }
    // flat colours are the cheaper ones to move
    const parts: (keyof Distance)[] = wanted.flat ? ['flat', 'zoom'] : ['zoom', 'flat']
    const waiting = parts.flatMap((part) => every.map((title) => ({ title, part })))
    const step = () => {
      const next = waiting.findIndex(({ title, part }) => distances.value[title]?.[part] !== wanted[part])
      if (next < 0) return
      const [{ title, part } = { title: '', part: 'zoom' as const }] = waiting.splice(0, next + 1).slice(-1)
      distances.value = { ...distances.value, [title]: { ...wanted, ...distances.value[title], [part]: wanted[part] } }
      stepping = requestAnimationFrame(step)
    }
    step()
  },
  { immediate: true },
)

/** Close up and at rest, only what is in view gets its large picture. */
const inView = shallowRef(new Set<string>())
let watcher: IntersectionObserver | null = null
let resting: ReturnType<typeof setTimeout> | undefined
function watchView() {
  if (zoom <= CLOSE || !wall.value) return
  watcher = new IntersectionObserver(
    (entries) => {
      const now = new Set(inView.value)
      for (const { target, isIntersecting } of entries) if (isIntersecting) now.add((target as HTMLElement).dataset.piece ?? '')
      inView.value = now
    },
    { root: wall.value, rootMargin: '120px' },
  )
  for (const button of wall.value.querySelectorAll('[data-piece]')) watcher.observe(button)
}
watch(
  [() => zoom, seen, wall],
  () => {
    watcher?.disconnect()
    if (inView.value.size) inView.value = new Set()
    clearTimeout(resting)
    if (zoom > CLOSE) resting = setTimeout(watchView, AT_REST)
  },
  { immediate: true },
)
onBeforeUnmount(() => {
  cancelAnimationFrame(frame)
  cancelAnimationFrame(stepping)
  clearTimeout(resting)
  watcher?.disconnect()
})

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
  const ids = event.dataTransfer?.getData('application/x-pieces').split(' ').filter(Boolean) ?? []
  if (ids.length && bay.moves) emit('move', ids, bay.moves)
  else if (ids.length) emit('stuck')
}
defineExpose({ focusOn: (id: string) => wall.value?.querySelector<HTMLElement>(`[data-piece="${CSS.escape(id)}"]`)?.focus() })
</script>

<template>
  <div ref="wall" class="wall"  @keydown="walk">
    <RailBay
      v-for="{ bay, pieces } in seen" :key="bay.title" :bay="bay" :pieces="pieces" :chosen="chosen" :shown-id="shownId" :found-ids="foundIds"
      :in-view="inView" :zoom="distances[bay.title]?.zoom ?? zoom" :flat="distances[bay.title]?.flat ?? zoom < 1"
      @show="emit('show', $event)" @choose="choose" @drag="drag" @drop="drop(bay, $event)"
    />
  </div>
</template>

<style scoped>
.wall {
  --hook: url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 12 14' fill='none' stroke='%235c5c5c' stroke-width='1.6'%3E%3Cpath d='M2.6 4.4a3.4 3.4 0 1 1 4.6 3.1c-.8.3-1.2.8-1.2 1.6V13'/%3E%3C/svg%3E");
}
:root:not([data-surround='day']) .wall {
  --hook: url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 12 14' fill='none' stroke='%23c4c4c4' stroke-width='1.6'%3E%3Cpath d='M2.6 4.4a3.4 3.4 0 1 1 4.6 3.1c-.8.3-1.2.8-1.2 1.6V13'/%3E%3C/svg%3E");
}
.wall { display: flex; flex-wrap: wrap; align-content: flex-start; row-gap: 16px; background: var(--cloth); color: var(--on-cloth); overflow: auto; padding: 2px 0 8px; }
</style>
