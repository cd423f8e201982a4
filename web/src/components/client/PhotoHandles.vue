<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref, watch } from 'vue'
import type { ComparedPhoto } from '@/api'
import TextField from '@/components/fields/TextField.vue'

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
    <label>called <TextField :value="photo.name" :maxlength="120" label="What the photo shows" @change="name" /></label>
    <NButton text class="word soft" @click="remove" @blur="asked = false">
      {{ asked ? 'for good?' : 'remove' }}
    </NButton>
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
.word {
  white-space: nowrap;
}
.text-field {
  flex: 1;
  min-width: 0;
}
</style>
