<script setup lang="ts">
import { useRoute } from 'vue-router'
import type { Photo } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import { useNear } from '@/server/useIntake'

/** The pieces on the rail whose main colour is nearest: is this the same navy? */
const { photo } = defineProps<{ photo: Photo }>()
const route = useRoute()
const near = useNear(
  () => String(route.params.client),
  () => photo,
)
</script>

<template>
  <section v-if="near.length" class="near" aria-label="Nearest on the rail">
    <h3>Nearest on the rail</h3>
    <ul>
      <li
        v-for="one in near"
        :key="one.piece_id"
        :data-tip="`${one.label}: ${one.kin}, ${one.difference.toFixed(1)} ΔE apart, sure within ${one.within.toFixed(0)}`"
      >
        <PinkedSwatch :hex="one.hex" :picture="one.picture ?? undefined" :width="72" :height="34" />
        <span class="label">{{ one.label }}</span>
        <span class="soft">{{ one.kin }} · {{ one.difference.toFixed(1) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h3 {
  font:
    650 14px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 2px 0 6px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 8px;
}
li {
  display: flex;
  flex-direction: column;
  min-width: 0;
  font-size: 12.5px;
  line-height: 1.25;
}
.label {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  font-weight: 650;
}
</style>
