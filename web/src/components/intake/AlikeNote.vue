<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { Alike } from '@/api'

/** An earlier photo that shows the same: the stylist says whether it does. */
defineProps<{ alike: Alike }>()
defineEmits<{ remove: []; apart: [] }>()
</script>

<template>
  <div class="alike" role="status">
    <img :src="alike.picture" alt="" />
    <p>
      <strong
        >{{ alike.kind === 'same photo' ? 'The same photo as' : 'The same garment as in' }} {{ alike.name }}?</strong
      >
      <span v-if="alike.hung" class="soft"> It hangs on the rail.</span>
    </p>
    <div class="answers">
      <NButton @click="$emit('remove')">Yes, bin this one <kbd>D</kbd></NButton>
      <NButton @click="$emit('apart')">No, another <kbd>N</kbd></NButton>
    </div>
  </div>
</template>

<style scoped>
.alike {
  display: grid;
  grid-template-columns: 52px 1fr;
  gap: 6px 12px;
  align-items: center;
  border: 1.2px solid var(--ink);
  border-radius: 6px;
  padding: 8px 10px;
  background: var(--sheet);
}
img {
  width: 52px;
  height: 60px;
  object-fit: cover;
  grid-row: span 2;
}
p {
  margin: 0;
  overflow-wrap: anywhere;
}
.answers {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.answers .n-button {
  padding: 3px 9px;
  font-size: 13px;
}
</style>
