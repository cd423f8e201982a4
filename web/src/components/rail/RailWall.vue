<script setup lang="ts">
import { computed, onBeforeUnmount, reactive, ref, shallowRef, watch } from 'vue'
import type { Piece } from '@/api'
import { useSurround } from '@/composables/useSurround'
import { CLOSE, distanceOf, type Bay, type Distance, type Move } from '@/lib/rail'
import { drawStamps } from '@/lib/stamps'
import RailBay from './RailBay.vue'

const AT_ONCE = 60
const A_FRAME = 60
const RUN = 60
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
const emit = defineEmits<{
  show: [id: string]
  choose: [ids: string[], add: boolean]
  move: [ids: string[], to: Move]
  stuck: []
}>()
const wall = ref<HTMLElement | null>(null)
const surround = useSurround()
const stamps = computed(() => drawStamps(surround.value))
const buttons = () => [...(wall.value?.querySelectorAll<HTMLElement>('[data-piece]') ?? [])]
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
/** Pieces that come nearer together. */
const runs = shallowRef<Distance[]>([])
watch(
  order,
  (all) => (runs.value = all.filter((_, index) => index % RUN === 0).map(() => reactive(distanceOf(zoom)))),
  { immediate: true },
)
const seen = computed(() => {
  let at = 0
  return bays.map((bay) => {
    const from = at
    at += bay.pieces.length
    const now = bay.pieces.slice(0, Math.max(0, hung.value - from))
    const hanging = now.flatMap((piece, index) => {
      const distance = runs.value[Math.floor((from + index) / RUN)]
      return distance ? [{ piece, distance }] : []
    })
    return { bay, hanging }
  })
})

/** A step nearer or farther goes along the wall run by run, a frame each, and so does the change from flat colours to
 * cloth and back: hundreds of strips at once would stutter. */
let stepping = 0
watch(
  () => zoom,
  (now) => {
    cancelAnimationFrame(stepping)
    const wanted = distanceOf(now)
    // flat colours are the cheaper ones to move
    const parts: (keyof Distance)[] = wanted.flat ? ['flat', 'zoom'] : ['zoom', 'flat']
    const waiting = parts.flatMap((part) =>
      runs.value.filter((run) => run[part] !== wanted[part]).map((run) => ({ run, part })),
    )
    const step = () => {
      const next = waiting.shift()
      if (!next) return
      Object.assign(next.run, { [next.part]: wanted[next.part] })
      stepping = requestAnimationFrame(step)
    }
    step()
  },
)

/** What was not looked for is marked on the cloth itself: to go through every piece at each letter typed would
 * take most of the time that an answer may. The first that was is brought into view. */
watch(
  [() => foundIds, seen, wall],
  ([found], [before]) => {
    const isFound = (button: HTMLElement) => found === null || found.has(button.dataset.piece ?? '')
    const all = buttons()
    for (const button of all) button.firstElementChild?.toggleAttribute('data-quiet', !isFound(button))
    if (found && found !== before) all.find(isFound)?.scrollIntoView({ block: 'nearest' })
  },
  { flush: 'post', immediate: true },
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
      for (const { target, isIntersecting } of entries)
        if (isIntersecting) now.add((target as HTMLElement).dataset.piece ?? '')
      inView.value = now
    },
    { root: wall.value, rootMargin: '120px' },
  )
  for (const button of buttons()) watcher.observe(button)
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
  const all = buttons()
  const at = all.indexOf(document.activeElement as HTMLElement)
  const step = { ArrowRight: 1, ArrowLeft: -1, Home: -at, End: all.length - 1 - at }[event.key]
  if (step === undefined || at < 0) return
  event.preventDefault()
  const next = all[at + step]
  next?.focus()
  if (event.shiftKey && next?.dataset.piece)
    emit('choose', [all[at]?.dataset.piece ?? '', next.dataset.piece].filter(Boolean), true)
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
defineExpose({
  focusOn: (id: string) => wall.value?.querySelector<HTMLElement>(`[data-piece="${CSS.escape(id)}"]`)?.focus(),
})
</script>

<template>
  <div ref="wall" class="wall" :style="{ '--hook': stamps.hook, '--teeth': stamps.teeth }" @keydown="walk">
    <RailBay
      v-for="{ bay, hanging } in seen"
      :key="bay.title"
      :bay="bay"
      :hanging="hanging"
      :chosen="chosen"
      :shown-id="shownId"
      :in-view="inView"
      @show="emit('show', $event)"
      @choose="choose"
      @drag="drag"
      @drop="drop(bay, $event)"
    />
  </div>
</template>

<style scoped>
.wall {
  display: flex;
  flex-wrap: wrap;
  align-content: flex-start;
  row-gap: 16px;
  background: var(--cloth);
  color: var(--on-cloth);
  overflow: auto;
  padding: 2px 0 8px;
}
</style>
