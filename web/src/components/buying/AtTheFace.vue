<script setup lang="ts">
import { computed } from 'vue'
import type { Candidate, Client, Considered } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import DrapedFace from '@/components/client/DrapedFace.vue'
import { candidateName } from '@/lib/buying'
import { chinOf } from '@/lib/chin'

/** A candidate large: at the client's face, or as it lies where it is worn far from it; beside the nearest cloth. */
const { candidate, client, considered, brief } = defineProps<{
  candidate: Candidate
  client: Client
  considered: Considered | null
  /** Without the nearest cloth, where two stand side by side. */
  brief: boolean
}>()
const name = computed(() => candidateName(candidate))
const piece = computed(() => candidate.piece)
const colour = computed(() => piece.value?.colours[0] ?? null)
const atTheFace = computed(() => (piece.value?.nearness ?? 0) >= 0.5)
const chin = computed(() => chinOf(client.portraits))
/** What is near and, where nothing is, the one that is nearest. */
const near = computed(() => {
  const all = considered?.nearest ?? []
  const some = all.filter((one) => one.kin !== 'apart')
  return some.length ? some : all.slice(0, 1)
})
const cutOut = computed(() => candidate.photo?.pictures.cloth_only ?? null)
const KIN: Record<string, string> = {
  match: 'the same colour',
  'may match': 'perhaps the same colour',
  clash: 'a near miss: the other undertone',
  related: 'related',
  apart: 'apart',
}
</script>

<template>
  <div class="at-the-face" :class="{ brief }">
    <div class="large">
      <DrapedFace
        v-if="atTheFace"
        :person="client.person"
        :chin="chin"
        :hex="colour?.hex ?? null"
        :picture="piece?.cloth ?? null"
        :label="`${name} at the face`"
      />
      <img v-else-if="cutOut" :src="cutOut" :alt="name" />
      <span v-else class="bolt" role="img" :aria-label="name">
        <PinkedSwatch :hex="colour?.hex ?? ''" :width="240" :height="240" />
      </span>
    </div>
    <div v-if="!brief" class="near">
      <h3>Beside the nearest cloth</h3>
      <ul>
        <li v-for="one in near" :key="one.piece_id">
          <span class="pair">
            <PinkedSwatch :hex="colour?.hex ?? ''" :picture="piece?.cloth ?? null" :width="70" :height="54" />
            <PinkedSwatch :hex="one.hex" :picture="one.picture" :width="70" :height="54" />
          </span>
          <span>
            <span class="name">{{ one.label }}</span>
            <strong>{{ KIN[one.kin] }}</strong>
            <span>{{ one.difference.toFixed(1) }} CIEDE2000, known within {{ one.within.toFixed(0) }}</span>
          </span>
        </li>
      </ul>
      <p v-if="considered && !considered.nearest.length">Nothing hangs on the rail yet.</p>
    </div>
  </div>
</template>

<style scoped>
.at-the-face {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 250px;
  gap: 14px;
  min-height: 0;
}
.at-the-face.brief {
  grid-template-columns: minmax(0, 1fr);
}
.large {
  min-height: 0;
  display: grid;
  overflow: hidden;
}
.large > * {
  min-height: 0;
  height: 100%;
}
img {
  width: 100%;
  object-fit: contain;
  padding: 10px;
}
.bolt {
  display: grid;
  place-content: center;
  grid-template-columns: 240px;
}
.near {
  padding-top: 12px;
  font-size: 13px;
  display: flex;
  flex-direction: column;
  gap: 8px;
  overflow: auto;
}
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
li {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
}
li > span:last-child {
  display: grid;
  line-height: 1.25;
}
.pair {
  display: grid;
  grid-template-columns: 48px 48px;
}
</style>
