<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { Photo } from '@/api'
import type { Tool } from './PhotoStage.vue'

/** What can be done to a photo: its light, its outline, the photo itself. */
defineProps<{ photo: Photo; tool: Tool }>()
const emit = defineEmits<{
  take: [tool: Tool]
  giveLight: []
  reader: []
  anew: []
  undoStroke: []
  more: []
  remove: []
}>()
</script>

<template>
  <div class="all">
    <div class="tools" role="group" aria-label="Light">
      <span class="soft">Light</span>
      <NButton text class="word" :aria-pressed="tool === 'neutral'" @click="emit('take', 'neutral')">
        relight <kbd>L</kbd>
      </NButton>
      <NButton text class="word" @click="emit('giveLight')">for all <kbd>G</kbd></NButton>
      <NButton text class="word" @click="emit('reader')">reader <kbd>R</kbd></NButton>
      <NButton text v-if="photo.neutral || photo.series_from || photo.reader" class="word" @click="emit('anew')">
        read it anew
      </NButton>
    </div>
    <div class="tools" role="group" aria-label="Outline">
      <span class="soft">Outline</span>
      <NButton text class="word" :aria-pressed="tool === 'cloth'" @click="emit('take', 'cloth')">
        cloth <kbd>O</kbd>
      </NButton>
      <NButton text class="word" :aria-pressed="tool === 'not cloth'" @click="emit('take', 'not cloth')">
        not cloth <kbd>E</kbd>
      </NButton>
      <NButton text class="word" :aria-pressed="tool === 'box'" @click="emit('take', 'box')">
        box <kbd>Q</kbd>
      </NButton>
      <NButton text v-if="photo.strokes" class="word" @click="emit('undoStroke')">undo stroke</NButton>
    </div>
    <div class="tools" role="group" aria-label="Photo">
      <span class="soft">Photo</span>
      <NButton text class="word" @click="emit('more')">one more piece in it <kbd>M</kbd></NButton>
      <NButton text class="word" @click="emit('remove')">remove</NButton>
    </div>
  </div>
</template>

<style scoped>
.all {
  display: grid;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 14px;
  font-size: 13.5px;
}
.tools > .soft {
  width: 52px;
}
.tools [aria-pressed='true'] {
  font-weight: 700;
  text-decoration: underline;
  text-underline-offset: 3px;
}
.tools .word {
  padding-block: 2px;
}
</style>
