<script setup lang="ts">
import { computed } from 'vue'

/** A ticked strip with a pin at the value; what is uncertain is a grey stretch of tape. */
const {
  value,
  low = 0,
  high = 100,
  doubt = 0,
  span = null,
  name,
  shown,
  ends = null,
  other = null,
} = defineProps<{
  value: number
  low?: number
  high?: number
  /** Half the length of the uncertain stretch, in the unit of the value. */
  doubt?: number
  /** The uncertain stretch from where to where, where the value is not in its middle. */
  span?: [number, number] | null
  name: string
  /** The value in words or figures, at the pin. */
  shown: string
  ends?: [string, string] | null
  /** Another reading of the same, drawn as an open pin, and what it is. */
  other?: { value: number; name: string } | null
}>()
const place = (at: number) => Math.min(100, Math.max(0, ((at - low) / (high - low)) * 100))
const pin = computed(() => place(value))
const from = computed(() => place(span ? span[0] : value - doubt))
const to = computed(() => place(span ? span[1] : value + doubt))
/** The figure stands where no other pin is, and never off the tape. */
const leftwards = computed(() =>
  other === null ? pin.value > 78 : place(other.value) >= pin.value ? pin.value > 12 : pin.value > 94,
)
const ticks = Array.from({ length: 21 }, (_, index) => index)
</script>

<template>
  <div
    class="measure"
    role="meter"
    :aria-label="name"
    :aria-valuenow="value"
    :aria-valuemin="low"
    :aria-valuemax="high"
    :aria-valuetext="other ? `${shown}; ${other.name}` : shown"
  >
    <div class="tape">
      <span v-if="to > from" class="doubt" :style="{ left: `${from}%`, width: `${to - from}%` }" />
      <span
        v-for="tick in ticks"
        :key="tick"
        class="tick"
        :class="{ long: tick % 5 === 0 }"
        :style="{ left: `${tick * 5}%` }"
      />
      <span v-if="other" class="pin open" :data-tip="other.name" :style="{ left: `${place(other.value)}%` }" />
      <span class="pin" :style="{ left: `${pin}%` }" />
    </div>
    <div class="under">
      <span v-if="ends" class="end">{{ ends[0] }}</span>
      <span
        class="shown"
        :class="{ left: leftwards }"
        :style="leftwards ? { right: `${100 - pin}%` } : { left: `${pin}%` }"
        >{{ shown }}</span
      >
      <span v-if="ends" class="end last">{{ ends[1] }}</span>
    </div>
  </div>
</template>

<style scoped>
.measure {
  position: relative;
  padding: 0 1px;
}
.tape {
  position: relative;
  height: 16px;
  background: var(--field);
  border: 1px solid var(--line);
}
.tick {
  position: absolute;
  top: 0;
  width: 1px;
  height: 5px;
  background: var(--rule);
}
.tick.long {
  height: 10px;
}
.doubt {
  position: absolute;
  top: 0;
  bottom: 0;
  background: var(--line);
  opacity: 0.75;
}
.pin {
  position: absolute;
  top: -1px;
  width: 2px;
  height: 19px;
  margin-left: -1px;
  background: var(--ink);
  transition: left 120ms;
}
.pin::after {
  content: '';
  position: absolute;
  left: -4.5px;
  top: 15px;
  width: 11px;
  height: 11px;
  border-radius: 50%;
  background: var(--ink);
}
.pin.open {
  width: 1px;
  background: var(--soft);
}
.pin.open::after {
  background: var(--paper);
  border: 1.5px solid var(--soft);
  left: -5px;
}
.under {
  position: relative;
  height: 18px;
  font-size: 12.5px;
}
.shown {
  position: absolute;
  top: 0;
  margin-left: 11px;
  font-weight: 700;
  white-space: nowrap;
  line-height: 18px;
  transition: left 120ms;
}
.shown.left {
  margin: 0 11px 0 0;
}
.end {
  position: absolute;
  left: 0;
  top: 14px;
  color: var(--soft);
}
.end.last {
  left: auto;
  right: 0;
}
.under:has(.end) {
  height: 32px;
}
@media (prefers-reduced-motion: reduce) {
  .pin,
  .shown {
    transition: none;
  }
}
</style>
