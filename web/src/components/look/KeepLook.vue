<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, ref, watch } from 'vue'

/** Names the look and keeps it; a kept one can be kept again under its name or as another. */
const { name, kept, empty } = defineProps<{ name: string; kept: boolean; empty: boolean }>()
const emit = defineEmits<{ keep: [name: string]; another: [name: string] }>()
const text = ref(name)
watch(
  () => name,
  (now) => (text.value = now),
)
const ready = computed(() => !empty && text.value.trim().length > 0)
const keep = () => ready.value && emit('keep', text.value)
</script>

<template>
  <form class="keep" @submit.prevent="keep">
    <NInput
      v-model:value="text"
      placeholder="What is it for?"
      :maxlength="200"
      :input-props="{ 'aria-label': 'Name of the look', id: 'look-name' }"
    />
    <NButton type="primary" attr-type="submit" :disabled="!ready">Keep</NButton>
    <NButton v-if="kept" :disabled="!ready" @click="emit('another', text)"> As another </NButton>
  </form>
</template>

<style scoped>
.keep {
  display: flex;
  gap: 8px;
  align-items: center;
}
.keep > :first-child {
  flex: 1;
  min-width: 0;
}
.n-button {
  white-space: nowrap;
  padding: 6px 11px;
}
</style>
