<script setup lang="ts">
import { computed } from 'vue'
import type { Client, Photo, What, Word } from '@/api'
import CutFigure from '@/components/what/CutFigure.vue'
import CutWords from '@/components/what/CutWords.vue'
import UseTapes from '@/components/what/UseTapes.vue'

/** How the piece in a photo is cut and what it is for, beside the photo. */
const { photo } = defineProps<{ photo: Photo; what: What; client: Client }>()
const emit = defineEmits<{ say: [word: Word] }>()
const piece = computed(() => ({
  id: photo.id,
  cloth: photo.pictures.colours[0] ?? null,
  colours: (photo.reading?.colours ?? []).map((colour) => ({ ...colour, picture: null })),
}))
</script>

<template>
  <aside class="what-card" aria-label="Cut and use">
    <div class="figure">
      <CutFigure :what="what" :client="client" :piece="piece" @say="emit('say', $event)" />
    </div>
    <UseTapes :what="what" @say="emit('say', $event)" />
    <CutWords :what="what" @say="emit('say', $event)" />
  </aside>
</template>

<style scoped>
.what-card {
  width: 216px;
  flex: none;
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: 8px;
  padding: 8px 10px;
  display: flex;
  flex-direction: column;
  gap: 6px;
  overflow: auto;
  font-size: 13px;
}
.figure {
  flex: 1 0 250px;
  min-height: 250px;
  max-height: 420px;
}
</style>
