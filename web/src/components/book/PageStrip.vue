<script setup lang="ts">
import { ref, watch, nextTick } from 'vue'
import type { Book } from '@/api'

/** The pages in their order: shown by a click, moved by dragging. */
const { pages, shown } = defineProps<{ pages: Book['pages']; shown: string }>()
const emit = defineEmits<{ show: [page: string]; move: [page: string, to: number] }>()
const strip = ref<HTMLElement | null>(null)
const drag = ref<{ from: string; over: string | null; x: number; begun: boolean } | null>(null)
/** The click that ends a drag chooses nothing. */
let dragged = false
const FROM = 7
const EDGE = 48
function grab(event: PointerEvent, page: string) {
  dragged = false
  if (event.button !== 0) return
  drag.value = { from: page, over: null, x: event.clientX, begun: false }
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}
function pull(event: PointerEvent) {
  const now = drag.value
  if (!now || (!now.begun && Math.abs(event.clientX - now.x) < FROM)) return
  const all = strip.value?.getBoundingClientRect()
  if (all && event.clientX > all.right - EDGE) strip.value?.scrollBy({ left: EDGE / 3 })
  if (all && event.clientX < all.left + EDGE) strip.value?.scrollBy({ left: -EDGE / 3 })
  const under = document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>('[data-page]')
  drag.value = { ...now, begun: true, over: under?.dataset.page ?? null }
}
function drop() {
  const now = drag.value
  drag.value = null
  if (!now?.begun || !now.over || now.over === now.from) return
  dragged = true
  emit(
    'move',
    now.from,
    pages.findIndex((one) => one.id === now.over),
  )
}
function choose(page: string) {
  if (!dragged) emit('show', page)
  dragged = false
}
const called = (page: Book['pages'][number], place: number) =>
  [`${place + 1} ${page.name}`, page.left_out ? 'left out' : '', page.gone ? 'nothing of it hangs there' : '']
    .filter(Boolean)
    .join(', ')
watch(
  () => shown,
  async (now) => {
    await nextTick()
    strip.value
      ?.querySelector(`[data-page="${CSS.escape(now)}"]`)
      ?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  },
)
</script>

<template>
  <ol ref="strip" class="strip" aria-label="Pages">
    <li
      v-for="(page, place) in pages"
      :key="page.id"
      :data-page="page.id"
      :class="{ over: drag?.begun && drag.over === page.id, pulled: drag?.begun && drag.from === page.id }"
    >
      <button
        type="button"
        :class="{ out: page.left_out || page.gone }"
        :aria-current="page.id === shown"
        :aria-label="called(page, place)"
        @click="choose(page.id)"
        @pointerdown="grab($event, page.id)"
        @pointermove="pull"
        @pointerup="drop"
        @pointercancel="drag = null"
      >
        <span class="number">{{ place + 1 }}</span>{{ ' ' }}
        <span class="name">{{ page.name }}</span>
      </button>
    </li>
  </ol>
</template>

<style scoped>
.strip {
  list-style: none;
  margin: 0;
  padding: 2px 2px 8px;
  display: flex;
  gap: 8px;
  overflow-x: auto;
  flex: none;
}
button {
  width: 132px;
  height: 62px;
  padding: 6px 8px;
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 6px;
  align-items: start;
  text-align: left;
  font: inherit;
  font-size: 12.5px;
  line-height: 1.25;
  color: var(--ink);
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: 4px;
  cursor: grab;
  touch-action: pan-x;
}
button[aria-current='true'] {
  border: 2px solid var(--ink);
  padding: 5px 7px;
}
.out .name {
  text-decoration: line-through;
}
.number {
  font-weight: 650;
}
.name {
  overflow: hidden;
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 3;
}
.over button {
  outline: 2px dashed var(--ink);
}
.pulled {
  opacity: 0.45;
}
</style>
