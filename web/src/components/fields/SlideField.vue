<script setup lang="ts">
import { NSlider } from 'naive-ui'
import { onMounted, ref } from 'vue'

/** A value between two ends. The library gives its handle no name, which a screen reader needs. */
const { label } = defineProps<{ value: number; max: number; label: string }>()
const emit = defineEmits<{ change: [value: number] }>()
const slide = ref<HTMLElement | null>(null)
onMounted(() => slide.value?.querySelector('[role=slider]')?.setAttribute('aria-label', label))
</script>

<template>
  <span ref="slide" class="slide-field">
    <NSlider :value="value" :min="0" :max="max" :tooltip="false" @update:value="emit('change', $event as number)" />
  </span>
</template>

<style scoped>
.slide-field {
  display: inline-block;
}
</style>
