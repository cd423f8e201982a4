<script setup lang="ts">
import { NButton, NVirtualList } from 'naive-ui'
import { computed } from 'vue'
import { capital } from '@/lib/words'
import { usePastChanges } from '@/server/useRailPanels'

/** Everything that was changed on this rail, newest first. */
const { clientId } = defineProps<{ clientId: string }>()
const emit = defineEmits<{ undo: []; redo: [] }>()
const changes = usePastChanges(() => clientId)
const lines = computed(() => (changes.value ?? []).map((one, key) => ({ ...one, key })))
type Line = (typeof lines.value)[number]
/** What scrolls can be scrolled with the keyboard; the list hands no attribute on to it. */
function reachable(list: unknown) {
  if (!(list instanceof Object && '$el' in list && list.$el instanceof Element)) return
  list.$el.querySelector('.v-vl')?.setAttribute('tabindex', '0')
}
const when = (moment: string) =>
  new Date(moment).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
</script>

<template>
  <div>
    <p class="ways">
      <NButton @click="emit('undo')">Take back <kbd>Ctrl Z</kbd></NButton>
      <NButton @click="emit('redo')">Do again <kbd>Ctrl Y</kbd></NButton>
    </p>
    <NVirtualList
      v-if="lines.length"
      class="lines"
      :ref="reachable"
      :style="{ height: `${Math.min(240, 25 * lines.length)}px` }"
      :items="lines"
      :item-size="25"
    >
      <template #default="{ item: one }: { item: Line }">
        <div :key="one.key" class="line" :class="{ back: one.taken_back }">
          <span class="soft">{{ when(one.made_at) }}</span> {{ capital(one.told)
          }}<template v-if="one.taken_back"> · taken back</template>
        </div>
      </template>
    </NVirtualList>
    <p v-if="changes && !changes.length" class="soft">Nothing was changed yet.</p>
  </div>
</template>

<style scoped>
.ways {
  display: flex;
  gap: 10px;
}
.lines {
  margin-top: 8px;
}
.line {
  height: 25px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.back {
  color: var(--soft);
  font-style: italic;
}
</style>
