<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import type { Photo } from '@/api'
import { stateWords } from '@/lib/strip'

/** All photos of the client, what wants a look first. */
const { photos, openId } = defineProps<{ photos: Photo[]; openId: string | null }>()
defineEmits<{ open: [photo: Photo] }>()
const strip = ref<HTMLElement | null>(null)
watch(
  () => openId,
  async () => {
    await nextTick()
    strip.value?.querySelector('[aria-current=true]')?.scrollIntoView({ block: 'nearest' })
  },
)
</script>

<template>
  <ul ref="strip" class="strip" aria-label="Photos">
    <li v-for="photo in photos" :key="photo.id">
      <button
        type="button"
        :aria-current="photo.id === openId"
        :aria-label="`${photo.name}, ${stateWords(photo)}`"
        @click="$emit('open', photo)"
      >
        <img v-if="photo.pictures.thumbnail" :src="photo.pictures.thumbnail" alt="" />
        <span v-else class="blank" />
        <span class="state" :class="{ firm: photo.state === 'hung' }">{{ stateWords(photo) }}</span>
      </button>
    </li>
  </ul>
</template>

<style scoped>
.strip {
  list-style: none;
  margin: 0;
  padding: 10px 12px;
  display: grid;
  gap: 9px;
  overflow: auto;
  align-content: start;
}
button {
  position: relative;
  display: block;
  width: 100%;
  aspect-ratio: 0.84;
  padding: 0;
  border: 2.5px solid transparent;
  background: var(--line);
  cursor: pointer;
}
button[aria-current='true'] {
  border-color: var(--ink);
}
img,
.blank {
  width: 100%;
  height: 100%;
  object-fit: cover;
  display: block;
}
.state {
  position: absolute;
  right: 0;
  bottom: 0;
  max-width: 100%;
  background: var(--sheet);
  color: var(--ink);
  font-size: 11.5px;
  line-height: 1.2;
  padding: 2px 5px;
  font-weight: 650;
  text-align: right;
}
</style>
