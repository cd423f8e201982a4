<script setup lang="ts">
import { NInputNumber } from 'naive-ui'

/** A number, or nothing; kept when the field is left. */
const { value } = defineProps<{ value: number | null; min?: number; max?: number; step?: number; small?: boolean }>()
const emit = defineEmits<{ change: [value: number | null] }>()
</script>

<template>
  <NInputNumber
    class="number-field"
    :value="value"
    :min="min"
    :max="max"
    :step="step"
    placeholder=""
    :size="small ? 'small' : 'medium'"
    :show-button="false"
    @update:value="emit('change', $event)"
  />
</template>
