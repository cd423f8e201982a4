<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { Client, Drawn, Piece, WallLook } from '@/api'
import BareFigure from '@/components/figure/BareFigure.vue'
import type { Bay } from '@/lib/making'

/** Small figures on hooks, a rail for each thing they start from. */
const { bays, drawn, client, rail, shown, squint } = defineProps<{
  bays: Bay[]
  /** By look id. */
  drawn: Map<string, Drawn>
  client: Client
  rail: Piece[]
  shown: string | null
  squint: boolean
}>()
const emit = defineEmits<{ show: [look: string]; open: [look: string]; squint: [] }>()
const byId = computed(() => new Map(rail.map((piece) => [piece.id, piece])))
const order = computed(() => bays.flatMap((bay) => bay.looks.map((look) => look.id)))
const piecesOf = (look: WallLook) =>
  (drawn.get(look.id)?.figure.shapes ?? []).flatMap((shape) => byId.value.get(shape.piece) ?? [])
const called = (look: WallLook) => {
  const names = look.pieces.flatMap((id) => byId.value.get(id)?.label ?? [])
  const place = `Look ${order.value.indexOf(look.id) + 1} of ${order.value.length}`
  return `${place}, ${look.overall.toFixed(0)}${look.kept_as ? ', kept' : ''}: ${names.join(', ')}`
}
const wall = ref<HTMLElement | null>(null)
/** Where the eye goes, the focus goes, as long as it is on the wall. */
watch(
  () => shown,
  async (now) => {
    const there = wall.value?.contains(document.activeElement) ?? false
    await nextTick()
    const hook = now === null ? null : wall.value?.querySelector<HTMLElement>(`[data-look="${CSS.escape(now)}"]`)
    hook?.scrollIntoView({ block: 'nearest' })
    if (there) hook?.focus({ preventScroll: true })
  },
)
</script>

<template>
  <div ref="wall" class="wall" :class="{ squint }">
    <section v-for="bay in bays" :key="bay.title" class="bay" :aria-label="bay.title || 'The wall'">
      <h3 v-if="bay.title">{{ bay.title }}</h3>
      <ul>
        <li v-for="look in bay.looks" :key="look.id">
          <button
            type="button"
            class="hook"
            :data-look="look.id"
            :aria-current="shown === look.id"
            :aria-label="called(look)"
            :tabindex="(shown ?? order[0]) === look.id ? 0 : -1"
            @click="emit('show', look.id)"
            @dblclick="emit('open', look.id)"
            @keydown.enter.prevent="emit('open', look.id)"
            @keydown.space.prevent="emit('squint')"
          >
            <svg class="hanger" viewBox="0 0 20 16" aria-hidden="true">
              <path d="M10 16V9c4-1 4-7 0-7-2 0-3 1-3 3" />
            </svg>
            <span class="figure">
              <BareFigure
                v-if="drawn.get(look.id)"
                :figure="drawn.get(look.id)!.figure"
                :client="client"
                :pieces="piecesOf(look)"
                :name="called(look)"
                :squint="squint"
              />
            </span>
            <span v-if="look.kept_as" class="knot" aria-hidden="true" />
            <strong class="whole">{{ look.overall.toFixed(0) }}</strong>
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.wall {
  overflow: auto;
  padding: 14px 18px;
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.bay {
  position: relative;
}
h3 {
  position: absolute;
  left: 0;
  top: -8px;
  z-index: 1;
  margin: 0;
  max-width: 100%;
  padding: 2px 10px;
  font:
    650 12.5px/1.4 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  background: var(--paper);
  color: var(--ink);
  border: 1px solid var(--rule);
  border-radius: 12px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(112px, 1fr));
  row-gap: 6px;
}
li {
  border-top: 5px solid var(--rule);
}
.hook {
  position: relative;
  display: block;
  width: 100%;
  padding: 0 4px 4px;
  background: none;
  border: 2px solid transparent;
  border-top: 0;
  cursor: pointer;
}
.hook[aria-current='true'] {
  border-color: var(--on-cloth);
}
.hanger {
  display: block;
  width: 18px;
  height: 14px;
  margin: 0 auto -3px;
  fill: none;
  stroke: var(--on-cloth);
  stroke-width: 1.4;
}
.figure {
  display: block;
  height: 176px;
}
.knot {
  position: absolute;
  top: 16px;
  left: 10px;
  width: 12px;
  height: 12px;
  border-radius: 50%;
  background: var(--on-cloth);
}
.whole {
  position: absolute;
  right: 8px;
  bottom: 4px;
  font:
    600 17px/1 'Petrona Variable',
    serif;
  color: var(--on-cloth);
}
.squint .whole,
.squint .hanger {
  opacity: 0.3;
}
</style>
