<script setup lang="ts">
import { ref, watch, nextTick } from 'vue'
import type { Book } from '@/api'
import { useDragAlong } from '@/composables/useDragAlong'

/** The pages in their order: shown by a click, moved by dragging. */
const { pages, shown } = defineProps<{ pages: Book['pages']; shown: string }>()
const emit = defineEmits<{ show: [page: string]; move: [page: string, to: number] }>()
const strip = ref<HTMLElement | null>(null)
const { drag, grab, pull, drop, clicked } = useDragAlong(strip, 'page', (from, onto) =>
  emit(
    'move',
    from,
    pages.findIndex((one) => one.id === onto),
  ),
)
const choose = (page: string) => clicked() && emit('show', page)
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
