<script setup lang="ts">
import { computed } from 'vue'
import type { BookEntry, KeptLook, Mend } from '@/api'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import type { Beside } from '@/lib/beside'

/** What to hold beside the look: the change that helps most, a kept look, or the same look on another client. */
const { mend, looks, clients, beside } = defineProps<{
  mend: Mend | null
  looks: KeptLook[]
  clients: BookEntry[]
  beside: Beside | null
}>()
const emit = defineEmits<{ beside: [what: Beside | null]; choosing: [] }>()
const named = (kind: 'look' | 'client', some: { id: string; name: string }[]) =>
  some.map((one) => ({ value: `${kind} ${one.id}`, label: one.name }))
const options = computed(() => [
  { value: 'nothing', label: 'nothing' },
  ...(mend || beside?.kind === 'mend' ? [{ value: 'mend', label: 'the change that helps most' }] : []),
  ...(looks.length ? [{ type: 'group', key: 'looks', label: 'A kept look', children: named('look', looks) }] : []),
  ...(clients.length
    ? [{ type: 'group', key: 'clients', label: 'The same look on', children: named('client', clients) }]
    : []),
])
const value = computed(() => (!beside ? 'nothing' : beside.kind === 'mend' ? 'mend' : `${beside.kind} ${beside.id}`))
function choose(chosen: string) {
  const [kind = '', id = ''] = chosen.split(' ')
  if (kind === 'mend') emit('beside', { kind: 'mend' })
  else if (kind === 'look') emit('beside', { kind: 'look', id })
  else if (kind === 'client') emit('beside', { kind: 'client', id })
  else emit('beside', null)
}
</script>

<template>
  <div class="hold">
    hold beside
    <ChoiceList :value="value" :options="options" label="hold beside" @choosing="emit('choosing')" @change="choose" />
  </div>
</template>

<style scoped>
.hold {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: 13px;
  color: var(--soft);
  margin-top: 4px;
  white-space: nowrap;
}
.hold .choice-list {
  flex: 1;
  min-width: 0;
}
</style>
