<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { Client, Drawn, Piece, Plan } from '@/api'
import TapeMeasure from '@/components/base/TapeMeasure.vue'
import BareFigure from '@/components/figure/BareFigure.vue'
import { useDragAlong } from '@/composables/useDragAlong'
import { goesOn, shortDay, skyWords, type Hook } from '@/lib/plan'

/** The days as a rail of their own: one hook for each occasion, the weather above it, the look on it. */
const { hooks, plan, drawn, client, rail, shown } = defineProps<{
  hooks: Hook[]
  plan: Plan
  /** By occasion id. */
  drawn: Map<string, Drawn>
  client: Client
  rail: Piece[]
  shown: string | null
}>()
const emit = defineEmits<{
  show: [hook: string]
  open: [hook: string]
  swap: [one: string, other: string]
}>()
const byId = computed(() => new Map(rail.map((piece) => [piece.id, piece])))
const piecesOf = (hook: Hook) =>
  (drawn.get(hook.id)?.figure.shapes ?? []).flatMap((shape) => byId.value.get(shape.piece) ?? [])
const names = (hook: Hook) => (hook.event?.pieces ?? []).flatMap((id) => byId.value.get(id)?.label ?? [])
function called(hook: Hook): string {
  const { event } = hook
  if (!event) return `${shortDay(hook.on)}: nothing yet`
  const whole = event.overall == null ? '' : `${event.overall.toFixed(0)}${event.worn ? ' worn' : ''}`
  const state = [whole, event.locked ? 'locked' : '', event.amiss.length ? 'something stands against it' : '']
  const look = names(hook).join(', ') || 'no look yet'
  return [`${shortDay(hook.on)} ${event.name}`, ...state.filter(Boolean)].join(', ') + `: ${look}`
}
/** What is in the wash or elsewhere hangs with its back to the room. */
const away = computed(() =>
  Object.entries(plan.away).flatMap(([id, until]) => {
    const piece = byId.value.get(id)
    return piece ? [{ id, label: piece.label, until }] : []
  }),
)
const sky = (hook: Hook) => plan.weather[hook.on]
const joins = computed(() =>
  hooks.map((hook, place) => (hooks[place + 1] ? goesOn(hook, hooks[place + 1]!, byId.value) : '')),
)

const wall = ref<HTMLElement | null>(null)
const { drag, grab, pull, drop, clicked } = useDragAlong(wall, 'hook', (from, onto) => emit('swap', from, onto))
const choose = (id: string) => clicked() && emit('show', id)

watch(
  () => shown,
  async (now) => {
    const there = wall.value?.contains(document.activeElement) ?? false
    await nextTick()
    const hook = now === null ? null : wall.value?.querySelector<HTMLElement>(`[data-hook="${CSS.escape(now)}"] button`)
    hook?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
    if (there) hook?.focus({ preventScroll: true })
  },
)
</script>

<template>
  <ol ref="wall" class="days" aria-label="The days">
    <li
      v-for="(hook, place) in hooks"
      :key="hook.id"
      :data-hook="hook.id"
      :class="{ over: drag?.begun && drag.over === hook.id, pulled: drag?.begun && drag.from === hook.id }"
    >
      <p class="day">
        <strong>{{ shortDay(hook.on) }}</strong> <span class="what">{{ hook.event?.name ?? 'nothing yet' }}</span>
      </p>
      <TapeMeasure
        v-if="sky(hook)"
        :value="(sky(hook)!.low + sky(hook)!.high) / 2"
        :span="[sky(hook)!.low, sky(hook)!.high]"
        :low="-15"
        :high="35"
        :name="`Weather on ${shortDay(hook.on)}`"
        :shown="skyWords(sky(hook))"
      />
      <p v-if="sky(hook)" class="sky" aria-hidden="true">{{ skyWords(sky(hook)) }}</p>
      <p v-else class="soft no-sky">no forecast</p>
      <div class="rod" />
      <button
        type="button"
        class="hook"
        :aria-current="shown === hook.id"
        :aria-label="called(hook)"
        :tabindex="(shown ?? hooks[0]?.id) === hook.id ? 0 : -1"
        @click="choose(hook.id)"
        @dblclick="emit('open', hook.id)"
        @keydown.enter.prevent="emit('open', hook.id)"
        @pointerdown="grab($event, hook.id, !!hook.event?.pieces.length)"
        @pointermove="pull"
        @pointerup="drop"
        @pointercancel="drag = null"
      >
        <svg class="hanger" viewBox="0 0 20 16" aria-hidden="true">
          <path d="M10 16V9c4-1 4-7 0-7-2 0-3 1-3 3" />
        </svg>
        <span v-if="hook.event?.pieces.length" class="figure">
          <BareFigure
            v-if="drawn.get(hook.id)"
            :figure="drawn.get(hook.id)!.figure"
            :client="client"
            :pieces="piecesOf(hook)"
            :name="called(hook)"
          />
        </span>
        <span v-else class="empty">{{ hook.event ? 'no look yet' : 'nothing yet' }}</span>
        <span v-if="hook.event?.locked" class="lock" aria-hidden="true">
          <svg viewBox="0 0 14 16">
            <path d="M3 7V5a4 4 0 0 1 8 0v2" />
            <rect x="1.5" y="7" width="11" height="8.5" />
          </svg>
        </span>
        <strong v-if="hook.event?.overall != null" class="whole">{{ hook.event.overall.toFixed(0) }}</strong>
        <span v-if="hook.event?.worn" class="worn" aria-hidden="true">worn</span>
        <span v-else-if="hook.event?.amiss.length" class="amiss" aria-hidden="true">?</span>
      </button>
      <p v-if="joins[place]" class="join"><span class="stitch" aria-hidden="true" />{{ joins[place] }} goes on</p>
    </li>
    <li v-if="away.length" class="wash" aria-label="Turned to the wall">
      <p class="day soft">away</p>
      <div class="rod" />
      <ul>
        <li v-for="one in away" :key="one.id" :data-tip="`${one.label} until ${shortDay(one.until)}`">
          <span class="back" aria-hidden="true" />
          <span class="visually-hidden">{{ one.label }} until {{ shortDay(one.until) }}</span>
        </li>
      </ul>
    </li>
  </ol>
</template>

<style scoped>
.days {
  list-style: none;
  margin: 0;
  padding: 10px 20px 4px;
  display: flex;
  gap: 0;
  overflow-x: auto;
  min-height: 0;
}
.days > li {
  position: relative;
  flex: 1 0 132px;
  max-width: 190px;
  display: grid;
  grid-template-rows: auto 16px 20px auto minmax(0, 1fr) 20px;
}
.days > .wash {
  flex: 0 0 auto;
  min-width: 90px;
  padding-left: 14px;
}
.wash .rod {
  grid-row: 4;
}
.wash ul {
  grid-row: 5;
  list-style: none;
  display: flex;
  gap: 5px;
  margin: 0;
  padding: 0;
}
.wash ul li {
  display: block;
  flex: none;
}
.back {
  display: block;
  width: 20px;
  height: 110px;
  border: 1.5px solid var(--rule);
  border-top: 0;
  background: repeating-linear-gradient(45deg, transparent 0 6px, var(--rule) 6px 7px);
}
.day {
  font-size: 13px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  padding: 0 8px 3px 0;
}
.what {
  opacity: 0.85;
}
li > :deep(.measure) {
  margin-right: 16px;
}
/* the words stand below, where they run into no other day */
li :deep(.under) {
  display: none;
}
.sky {
  font-size: 12.5px;
  line-height: 20px;
  white-space: nowrap;
}
.no-sky {
  font-size: 12.5px;
  grid-row: 2 / 4;
  color: inherit;
}
.rod {
  height: 5px;
  background: var(--rule);
}
.hook {
  position: relative;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  width: 100%;
  min-height: 0;
  padding: 0 4px 4px;
  background: none;
  border: 2px solid transparent;
  border-top: 0;
  cursor: grab;
  /* a finger on a look carries it; the days themselves are moved by what stands above */
  touch-action: none;
}
.hook[aria-current='true'] {
  border-color: var(--on-cloth);
}
.over .hook {
  border: 2px dashed var(--on-cloth);
}
.pulled .figure {
  opacity: 0.35;
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
  min-height: 0;
  pointer-events: none;
}
.empty {
  align-self: start;
  margin: 12px 14px;
  padding: 14px 6px;
  border: 2px dashed var(--rule);
  font-size: 12.5px;
}
.whole {
  position: absolute;
  right: 10px;
  bottom: 4px;
  font:
    600 17px/1 'Petrona Variable',
    serif;
}
.lock {
  position: absolute;
  right: 12px;
  top: 16px;
  width: 15px;
}
.lock path {
  fill: none;
  stroke: var(--on-cloth);
  stroke-width: 2;
}
.lock rect {
  fill: var(--on-cloth);
}
.worn,
.amiss {
  position: absolute;
  left: 8px;
  bottom: 4px;
  font-size: 12px;
  font-weight: 650;
  background: var(--paper);
  color: var(--ink);
  padding: 0 6px;
  border-radius: 9px;
}
.join {
  grid-row: 6;
  position: relative;
  left: 50%;
  width: 100%;
  font-size: 11.5px;
  line-height: 18px;
  text-align: center;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.stitch {
  position: absolute;
  left: 0;
  right: 0;
  top: 1px;
  border-top: 2px dashed currentcolor;
}
</style>
