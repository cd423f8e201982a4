<script setup lang="ts">
import { computed } from 'vue'
import type { CurvePoint } from '@/api'
import { ordinal } from '@/lib/words'

/** Good looks against the number of pieces, as a line that can be walked. */
const { curve, at } = defineProps<{ curve: CurvePoint[]; at: number }>()
const emit = defineEmits<{ walk: [number: number] }>()
const WIDE = 940
const HIGH = 200
const LEFT = 38
const BELOW = 24
const first = computed(() => curve[0]?.number ?? 0)
const last = computed(() => curve.at(-1)?.number ?? 1)
/** A round number of looks between two lines: 1, 2 or 5, and their tens. */
const step = computed(() => {
  const looks = Math.max(4, ...curve.map((one) => one.bound))
  const ten = 10 ** Math.floor(Math.log10(looks / 4))
  return ten * ([1, 2, 5].find((one) => one * ten * 4 >= looks) ?? 10)
})
const most = computed(() => 4 * step.value)
const x = (number: number) =>
  LEFT + ((number - first.value) / Math.max(last.value - first.value, 1)) * (WIDE - LEFT - 14)
const y = (looks: number) => HIGH - BELOW - (looks / most.value) * (HIGH - BELOW - 12)
const line = computed(() => curve.map((one) => `${x(one.number)},${y(one.looks)}`).join(' '))
/** What nobody can exceed, where that is not reached. */
const above = computed(() => curve.filter((one) => one.bound > one.looks))
const marks = computed(() => [0, 1, 2, 3, 4].map((one) => one * step.value))
const here = computed(() => curve.find((one) => one.number === at) ?? null)
const next = computed(() => curve.find((one) => one.number === at + 1) ?? null)
const proof = computed(() =>
  !here.value ? '' : here.value.proven ? 'proven: none better' : `no choice has more than ${here.value.bound}`,
)
const more = computed(() =>
  here.value && next.value ? `the ${ordinal(at + 1)} would add ${next.value.looks - here.value.looks}` : '',
)
const words = computed(() =>
  here.value
    ? `${at} pieces: ${here.value.looks} good looks; ${[proof.value, more.value].filter(Boolean).join('; ')}`
    : '',
)
/** The words stand where the line does not run through them. */
const leftwards = computed(() => x(at) > WIDE * 0.6)
</script>

<template>
  <svg class="against" :viewBox="`0 0 ${WIDE} ${HIGH}`" role="img" :aria-label="`Looks against pieces. ${words}`">
    <g v-for="mark in marks" :key="mark">
      <line class="mark" :x1="LEFT" :x2="WIDE - 14" :y1="y(mark)" :y2="y(mark)" />
      <text class="small" :x="LEFT - 8" :y="y(mark) + 4" text-anchor="end">{{ mark }}</text>
    </g>
    <text v-for="one in curve" :key="one.number" class="small" :x="x(one.number)" :y="HIGH - 6" text-anchor="middle">
      {{ one.number }}
    </text>
    <line
      v-for="one in above"
      :key="`b${one.number}`"
      class="bound"
      :x1="x(one.number)"
      :x2="x(one.number)"
      :y1="y(one.looks)"
      :y2="y(one.bound)"
    />
    <polyline class="line" :points="line" />
    <g v-for="one in curve" :key="`p${one.number}`" class="point" @click="emit('walk', one.number)">
      <circle :cx="x(one.number)" :cy="y(one.looks)" r="10" class="reach" />
      <circle
        :cx="x(one.number)"
        :cy="y(one.looks)"
        :r="one.number === at ? 7 : 3"
        :class="{ here: one.number === at }"
      />
    </g>
    <g
      v-if="here"
      :transform="`translate(${leftwards ? x(at) - 12 : x(at) + 12} ${y(here.looks) + (leftwards ? -22 : 18)})`"
    >
      <text class="strong" :text-anchor="leftwards ? 'end' : 'start'">
        {{ at }} pieces: {{ here.looks }} good looks
      </text>
      <text class="small" y="17" :text-anchor="leftwards ? 'end' : 'start'">{{ proof }}</text>
      <text class="small" y="33" :text-anchor="leftwards ? 'end' : 'start'">{{ more }}</text>
    </g>
  </svg>
</template>

<style scoped>
.against {
  display: block;
  width: 100%;
  height: 100%;
  min-height: 0;
}
.mark {
  stroke: var(--line);
  stroke-width: 1;
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.2;
}
.bound {
  stroke: var(--soft);
  stroke-width: 2;
  stroke-dasharray: 2 3;
}
circle {
  fill: var(--ink);
}
.reach {
  fill: transparent;
}
.point {
  cursor: pointer;
}
text {
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
.small {
  font-size: 12px;
}
.strong {
  font-size: 14px;
  font-weight: 700;
}
</style>
