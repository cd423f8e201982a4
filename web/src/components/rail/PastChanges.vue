<script setup lang="ts">
import { NButton } from 'naive-ui'
import { capital } from '@/lib/words'
import { usePastChanges } from '@/server/useRailPanels'

/** Everything that was changed on this rail, newest first. */
const { clientId } = defineProps<{ clientId: string }>()
const emit = defineEmits<{ undo: []; redo: [] }>()
const changes = usePastChanges(() => clientId)
const when = (moment: string) =>
  new Date(moment).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
</script>

<template>
  <div>
    <p class="ways">
      <NButton @click="emit('undo')">Take back <kbd>Ctrl Z</kbd></NButton>
      <NButton @click="emit('redo')">Do again <kbd>Ctrl Y</kbd></NButton>
    </p>
    <ol>
      <li v-for="(one, index) in changes?.slice(0, 60)" :key="index" :class="{ back: one.taken_back }">
        <span class="soft">{{ when(one.made_at) }}</span> {{ capital(one.told)
        }}<template v-if="one.taken_back"> · taken back</template>
      </li>
    </ol>
    <p v-if="changes && !changes.length" class="soft">Nothing was changed yet.</p>
  </div>
</template>

<style scoped>
.ways {
  display: flex;
  gap: 10px;
}
ol {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  columns: 2;
  column-gap: 30px;
}
.back {
  color: var(--soft);
  font-style: italic;
}
</style>
