<script setup lang="ts">
import { NSlider } from 'naive-ui'
import { onMounted, ref, watch } from 'vue'

/** From one value to another on one tape, with two pins. The library gives its handles no names. */
const { labels } = defineProps<{ value: [number, number]; min: number; max: number; labels: [string, string] }>()
const emit = defineEmits<{ change: [value: [number, number]] }>()
const slide = ref<HTMLElement | null>(null)
const name = () =>
  slide.value
    ?.querySelectorAll('[role=slider]')
    .forEach((handle, index) => handle.setAttribute('aria-label', labels[index] ?? ''))
onMounted(name)
watch(() => labels, name)
function changed(now: number | number[]) {
  const [low = 0, high = 0] = Array.isArray(now) ? [...now].sort((one, other) => one - other) : [now, now]
  emit('change', [low, high])
}
</script>

<template>
  <span ref="slide" class="span-field">
    <NSlider range :value="value" :min="min" :max="max" :step="0.5" :tooltip="false" @update:value="changed" />
  </span>
</template>

<style scoped>
.span-field {
  display: block;
  padding: 0 8px;
}
</style>
