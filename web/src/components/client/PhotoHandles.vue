<script setup lang="ts">
import { ref, watch } from 'vue'
import type { ComparedPhoto } from '@/api'

/** What a photo shows, in the stylist's words, and the way to be rid of it. */
const { photo } = defineProps<{ photo: ComparedPhoto }>()
const emit = defineEmits<{ rename: [name: string]; remove: [] }>()
const asked = ref(false)
watch(
  () => photo.id,
  () => (asked.value = false),
)
function name(said: string) {
  if (said.trim() && said.trim() !== photo.name) emit('rename', said.trim())
}
function remove() {
  if (asked.value) emit('remove')
  else asked.value = true
}
</script>

<template>
  <div class="handles">
    <label
      >called
      <input
        :value="photo.name"
        type="text"
        maxlength="120"
        aria-label="What the photo shows"
        @change="name(($event.target as HTMLInputElement).value)"
    /></label>
    <button class="word soft" type="button" @click="remove" @blur="asked = false">
      {{ asked ? 'for good?' : 'remove' }}
    </button>
  </div>
</template>

<style scoped>
.handles {
  display: flex;
  gap: 8px;
  align-items: center;
  flex: 1 1 12em;
  min-width: 0;
}
label {
  display: flex;
  gap: 6px;
  align-items: center;
  flex: 1;
  min-width: 0;
}
input {
  flex: 1;
  min-width: 0;
  font: inherit;
  color: var(--ink);
  background: var(--sheet);
  border: 1.2px solid var(--rule);
  border-radius: 6px;
  padding: 6px 9px;
}
.word {
  white-space: nowrap;
}
</style>
