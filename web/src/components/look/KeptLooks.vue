<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import type { KeptLook, Piece } from '@/api'

const { looks, rail, open } = defineProps<{ looks: KeptLook[]; rail: Piece[]; open: string | null }>()
const emit = defineEmits<{ open: [look: KeptLook]; letGo: [look: KeptLook] }>()
/** A look comes back, its photo does not: the second press lets both go. */
const asked = ref<string | null>(null)
function letGo(look: KeptLook) {
  if (look.kept.photo && asked.value !== look.id) asked.value = look.id
  else emit('letGo', look)
}
const hexes = (look: KeptLook) =>
  look.pieces.map((id) => rail.find((p) => p.id === id)?.colours[0]?.hex ?? 'transparent')
</script>

<template>
  <section v-if="looks.length" class="kept" aria-label="Kept looks">
    <h3>Kept looks</h3>
    <ul>
      <li v-for="look in looks" :key="look.id">
        <button class="open" type="button" :aria-current="open === look.id" @click="$emit('open', look)">
          <span class="bolt" aria-hidden="true"
            ><span v-for="(hex, i) in hexes(look)" :key="i" :style="{ background: hex }"
          /></span>
          <span class="name">{{ look.name }}</span><strong>{{ look.overall.toFixed(0) }}</strong>
        </button>
        <NButton
          text
          class="word soft"
          :aria-label="
            asked === look.id ? `Let go of ${look.name}, and of its photo for good` : `Let go of ${look.name}`
          "
          @click="letGo(look)"
          @blur="asked = null"
        >
          {{ asked === look.id ? 'its photo too, for good?' : 'let go' }}
        </NButton>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 12px 0 4px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  align-items: center;
  gap: 8px;
}
.open {
  flex: 1;
  min-width: 0;
  display: grid;
  grid-template-columns: 44px 1fr auto;
  gap: 10px;
  align-items: center;
  text-align: left;
  background: none;
  border: 0;
  padding: 4px 2px;
  cursor: pointer;
}
.open:hover .name,
.open[aria-current='true'] .name {
  text-decoration: underline;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.bolt {
  display: flex;
  height: 20px;
}
.bolt span {
  flex: 1;
}
.word {
  font-size: 12.5px;
  white-space: nowrap;
}
</style>
