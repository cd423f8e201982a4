<script setup lang="ts">
import { NInput } from 'naive-ui'
import { ref, watch } from 'vue'

/** A field of words that is kept when it is left, or by Enter where it is one line. */
const {
  value,
  rows,
  small,
  label = undefined,
} = defineProps<{
  value: string
  maxlength?: number
  placeholder?: string
  rows?: number
  label?: string
  small?: boolean
}>()
const emit = defineEmits<{ change: [value: string] }>()
const typed = ref(value)
watch(
  () => value,
  (now) => (typed.value = now),
)
</script>

<template>
  <NInput
    v-model:value="typed"
    class="text-field"
    :type="rows ? 'textarea' : 'text'"
    :rows="rows"
    :size="small ? 'small' : 'medium'"
    :maxlength="maxlength"
    :placeholder="placeholder ?? ''"
    :input-props="label ? { 'aria-label': label } : {}"
    @change="emit('change', typed)"
  />
</template>
