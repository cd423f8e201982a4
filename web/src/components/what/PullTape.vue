<script setup lang="ts">
import { NButton, NSlider } from 'naive-ui'
import { useDebounceFn } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import type { OnTape } from '@/api'

/** A tape whose pin is pulled: what is proposed with its doubt, and the stylist's word over it. */
const { tape, low, high, step, name, wordOf } = defineProps<{
  tape: OnTape
  low: number
  high: number
  step: number
  name: string
  /** A place on the tape in words. */
  wordOf: (value: number) => string
}>()
const emit = defineEmits<{ say: [value: number]; unsay: [] }>()
const SETTLES = 400
const value = ref(tape.value)
watch(
  () => tape.value,
  (now) => (value.value = now),
)
const place = (at: number) => Math.min(100, Math.max(0, ((at - low) / (high - low)) * 100))
const doubt = computed(() => ({
  left: `${place(tape.proposed - tape.doubt)}%`,
  width: `${place(tape.proposed + tape.doubt) - place(tape.proposed - tape.doubt)}%`,
}))
/** A pin on its way says nothing yet. */
const settle = useDebounceFn(() => {
  if (value.value !== tape.value) emit('say', value.value)
}, SETTLES)
function pull(to: number) {
  value.value = to
  void settle()
}
const slide = ref<HTMLElement | null>(null)
onMounted(() => slide.value?.querySelector('[role=slider]')?.setAttribute('aria-label', name))
</script>

<template>
  <div class="pull" :class="{ said: tape.said }">
    <p class="head">
      <strong>{{ name }}</strong> {{ wordOf(value) }}
      <NButton v-if="tape.said" text class="word back" :aria-label="`${name} as proposed`" @click="emit('unsay')">
        as proposed
      </NButton>
    </p>
    <div ref="slide" class="tape">
      <span class="doubt" :style="doubt" aria-hidden="true" />
      <NSlider
        :value="value"
        :min="low"
        :max="high"
        :step="step"
        :tooltip="false"
        @update:value="pull($event as number)"
      />
    </div>
    <p class="soft why">{{ tape.said ? `proposed ${wordOf(tape.proposed)}: ${tape.because}` : tape.because }}</p>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  gap: 6px;
  align-items: baseline;
  line-height: 1.3;
}
.back {
  margin-left: auto;
  font-size: 12px;
}
.tape {
  position: relative;
}
.doubt {
  position: absolute;
  top: 50%;
  height: 10px;
  margin-top: -5px;
  background: var(--line);
  opacity: 0.8;
}
.why {
  font-size: 12px;
  line-height: 1.25;
}
</style>
