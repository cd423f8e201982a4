<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Piece, WallLook } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import TapeMeasure from '@/components/base/TapeMeasure.vue'
import { capital } from '@/lib/words'

/** The look that is shown: what sets it apart, its tapes, its pieces, and what may become of it. */
const { look, rail, spread, brief } = defineProps<{
  look: WallLook
  rail: Piece[]
  /** What the one piece is called that is spread over occasions. */
  spread: string
  /** Without tapes and pieces, where something else is wanted. */
  brief: boolean
}>()
const emit = defineEmits<{ keep: []; drop: []; open: []; turn: []; point: [pieces: string[]] }>()
const pieces = computed(() => look.pieces.flatMap((id) => rail.find((piece) => piece.id === id) ?? []))
const tapes = computed(() =>
  Object.entries(look.scores).flatMap(([name, score]) => (score === null ? [] : [{ name: capital(name), score }])),
)
</script>

<template>
  <div class="verdict">
    <h2>{{ capital(look.intent) }} look</h2>
    <p class="because">{{ look.because }}</p>
    <p v-if="look.role" class="soft">{{ spread }}: {{ look.role }}.</p>
    <div v-if="!brief" class="tapes">
      <span class="strong">The whole</span>
      <TapeMeasure :value="look.overall" name="The whole" :shown="look.overall.toFixed(0)" />
      <template v-for="tape in tapes" :key="tape.name">
        <span>{{ tape.name }}</span>
        <TapeMeasure :value="tape.score" :name="tape.name" :shown="tape.score.toFixed(0)" />
      </template>
      <template v-if="look.carries !== null">
        <span>Theme</span>
        <TapeMeasure :value="100 * look.carries" name="Theme" :shown="(100 * look.carries).toFixed(0)" />
      </template>
    </div>
    <ul v-if="!brief" aria-label="Pieces of the look">
      <li
        v-for="piece in pieces"
        :key="piece.id"
        @mouseenter="emit('point', [piece.id])"
        @mouseleave="emit('point', [])"
      >
        <span class="chip"
          ><PinkedSwatch :hex="piece.colours[0]?.hex ?? ''" :picture="piece.cloth" :width="26" :height="24"
        /></span>
        {{ piece.label }}
      </li>
    </ul>
    <p class="deeds">
      <NButton type="primary" @click="emit('keep')">
        {{ look.kept_as ? 'Keep no longer' : 'Keep' }} <kbd>K</kbd>
      </NButton>
      <NButton :disabled="!!look.kept_as" @click="emit('drop')">Another <kbd>X</kbd></NButton>
      <NButton @click="emit('turn')">Turn <kbd>T</kbd></NButton>
      <NButton @click="emit('open')">Open <kbd>↵</kbd></NButton>
    </p>
  </div>
</template>

<style scoped>
.because {
  margin: 4px 0 8px;
  font-size: 13.5px;
}
.tapes {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0 10px;
  font-size: 13px;
}
.tapes > span {
  line-height: 18px;
}
ul {
  list-style: none;
  margin: 6px 0 10px;
  padding: 0;
  font-size: 13px;
}
li {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 1px 0;
}
.chip {
  width: 26px;
  flex: none;
}
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
