<script setup lang="ts">
import { NSelect, type SelectGroupOption, type SelectOption } from 'naive-ui'
import { ref } from 'vue'

/** A choice from a list that can be typed into to find it. Who chose with the pointer goes on with the keys of the screen. */
defineProps<{
  value: string | null
  options: (SelectOption | SelectGroupOption)[]
  label: string
  placeholder?: string
}>()
const emit = defineEmits<{ change: [value: string]; choosing: [] }>()
const list = ref<InstanceType<typeof NSelect> | null>(null)
const byPointer = ref(false)
function choose(value: string) {
  emit('change', value)
  if (byPointer.value) list.value?.blur()
}
</script>

<template>
  <NSelect
    ref="list"
    class="choice-list"
    size="small"
    filterable
    :value="value"
    :options="options"
    :placeholder="placeholder ?? ''"
    :input-props="{ 'aria-label': label }"
    @focus="emit('choosing')"
    @pointerenter="emit('choosing')"
    @pointerdown="byPointer = true"
    @keydown="byPointer = false"
    @update:value="choose"
  />
</template>
