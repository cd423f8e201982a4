<script setup lang="ts">
import { NVirtualList } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { Photo, Room } from '@/api'
import { stitches, type Stitch } from '@/lib/stitches'
import { stateWords } from '@/lib/strip'

/** All photos of the client, what wants a look first, those of a room on one thread; only those that are seen are drawn. */
const { photos, openId, rooms } = defineProps<{ photos: Photo[]; openId: string | null; rooms: Room[] }>()
defineEmits<{ open: [photo: Photo] }>()
/** Pixels of a photo and of the room below it. */
const HIGH = 104
const threads = computed(() => stitches(photos, rooms))
/** A thread down one side of a frame, from edge to edge or from its knot. */
const line = ({ up, down }: Stitch) => ({ y1: up ? 0 : HIGH / 2 - 5, y2: down ? HIGH : HIGH / 2 - 5 })
const told = (photo: Photo) => {
  const knots = threads.value.get(photo.id) ?? []
  if (knots.some(({ knot }) => knot === 'lends')) return ', lends its light'
  return knots.some(({ knot }) => knot === 'takes') ? ', lit with its room' : ''
}
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
        <svg v-if="threads.has(photo.id)" class="thread" width="12" :height="HIGH" aria-hidden="true">
          <template v-for="stitch in threads.get(photo.id)" :key="stitch.lane">
            <line v-bind="line(stitch)" :x1="4 + 4 * stitch.lane" :x2="4 + 4 * stitch.lane" />
            <circle
              v-if="stitch.knot !== 'passed'"
              :class="stitch.knot"
              :cx="4 + 4 * stitch.lane"
              :cy="HIGH / 2 - 5"
              :r="stitch.knot === 'lends' ? 4 : 2.6"
            />
          </template>
        </svg>
        <button
          type="button"
          :aria-current="photo.id === openId"
          :aria-label="`${photo.name}, ${stateWords(photo)}${told(photo)}`"
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
  position: relative;
}
.thread {
  position: absolute;
  left: 0;
  top: 0;
  pointer-events: none;
}
.thread line {
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-dasharray: 7 4;
}
.thread circle {
  fill: var(--panel);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.thread .lends {
  fill: var(--ink);
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
