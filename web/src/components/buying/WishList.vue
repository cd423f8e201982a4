<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { Candidate } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import { candidateName, standing } from '@/lib/buying'

/** What the client may buy, each with the plain word that is said of it now. */
defineProps<{ candidates: Candidate[]; open: string | null; beside: string | null }>()
const emit = defineEmits<{ open: [id: string]; beside: [id: string] }>()
</script>

<template>
  <ul class="wishes" aria-label="Wish list">
    <li v-for="one in candidates" :key="one.id" :class="{ open: one.id === open, beside: one.id === beside }">
      <button type="button" :aria-current="one.id === open ? 'true' : undefined" @click="emit('open', one.id)">
        <PinkedSwatch
          v-if="one.piece"
          :hex="one.piece.colours[0]?.hex ?? ''"
          :picture="one.piece.cloth"
          :width="40"
          :height="44"
        />
        <span v-else class="unread" aria-hidden="true" />
        <span class="said">
          <span class="name">{{ candidateName(one) }}</span>
          <strong>{{ standing(one) }}<template v-if="one.before"> · changed</template></strong>
        </span>
      </button>
      <NButton
        v-if="one.id !== open && one.piece"
        text
        class="word"
        :aria-pressed="one.id === beside"
        :aria-label="`Hold ${candidateName(one)} beside`"
        @click="emit('beside', one.id)"
      >
        beside
      </NButton>
    </li>
  </ul>
</template>

<style scoped>
.wishes {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  gap: 4px;
  border-left: 4px solid transparent;
  padding-left: 6px;
}
li.open {
  border-left-color: var(--ink);
}
li.beside {
  border-left: 4px dashed var(--ink);
}
button[type='button']:not(.n-button) {
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  border: 0;
  background: none;
  padding: 4px 0;
  text-align: start;
  cursor: pointer;
}
.unread {
  width: 40px;
  height: 44px;
  border: 1.5px dashed var(--rule);
}
.said {
  display: grid;
  min-width: 0;
  line-height: 1.25;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.word {
  font-size: 12.5px;
}
</style>
