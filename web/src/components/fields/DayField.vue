<script setup lang="ts">
import { NDatePicker } from 'naive-ui'

/** A day, as the formats write it, or none. */
const { value } = defineProps<{ value: string | null; small?: boolean }>()
const emit = defineEmits<{ change: [value: string | null] }>()
</script>

<template>
  <NDatePicker
    class="day-field"
    type="date"
    clearable
    placeholder="a day"
    :size="small ? 'small' : 'medium'"
    value-format="yyyy-MM-dd"
    :formatted-value="value"
    @update:formatted-value="emit('change', $event)"
  />
</template>
