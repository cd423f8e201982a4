<script setup lang="ts">
import { NVirtualList } from 'naive-ui'
import { ref, watch } from 'vue'
import type { Photo } from '@/api'
import { stateWords } from '@/lib/strip'

/** All photos of the client, what wants a look first; only those that are seen are drawn. */
const { photos, openId } = defineProps<{ photos: Photo[]; openId: string | null }>()
defineEmits<{ open: [photo: Photo] }>()
/** Pixels of a photo and of the room below it. */
const HIGH = 104
const strip = ref<InstanceType<typeof NVirtualList> | null>(null)
watch(
  () => openId,
  (key) => {
    if (key && photos.some((photo) => photo.id === key)) strip.value?.scrollTo({ key, debounce: true })
  },
  { flush: 'post' },
)
</script>

<template>
  <NVirtualList
    ref="strip"
    class="strip"
    :items="photos"
    :item-size="HIGH"
    key-field="id"
    role="group"
    aria-label="Photos"
    :padding-top="10"
    :padding-bottom="10"
  >
    <template #default="{ item: photo }: { item: Photo }">
      <div :key="photo.id" class="frame">
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
      </div>
    </template>
  </NVirtualList>
</template>

<style scoped>
.strip {
  min-height: 0;
}
.frame {
  height: 104px;
  padding: 0 12px 9px;
}
button {
  position: relative;
  display: block;
  width: 100%;
  height: 100%;
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
