<script setup lang="ts">
import { NButton } from 'naive-ui'
import { RouterLink } from 'vue-router'
import type { WallInList } from '@/api'
import { plural } from '@/lib/words'

/** The walls that were made for a client. */
defineProps<{ walls: WallInList[]; open: string; client: string }>()
const emit = defineEmits<{ letGo: [wall: WallInList] }>()
</script>

<template>
  <section v-if="walls.length" aria-label="Walls">
    <h3>Walls</h3>
    <ul>
      <li v-for="wall in walls" :key="wall.id">
        <RouterLink
          :to="{ name: 'make', params: { client, wall: wall.id } }"
          :aria-current="open === wall.id ? 'true' : undefined"
          >{{ wall.name }}</RouterLink
        >
        <span class="soft">{{ wall.making ? '…' : `${plural(wall.looks, 'look')}, ${wall.kept} kept` }}</span>
        <NButton text class="word soft" :aria-label="`Let go of ${wall.name}`" @click="emit('letGo', wall)">
          let go
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
  font-size: 13px;
}
li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 8px;
  padding: 3px 0;
}
a {
  text-decoration: none;
  overflow: hidden;
  text-overflow: ellipsis;
}
a:hover,
a[aria-current] {
  text-decoration: underline;
}
.word {
  grid-row: 1 / 3;
  grid-column: 2;
  font-size: 12.5px;
}
</style>
