<script setup lang="ts">
import { ref } from 'vue'
import type { BookEntry, KeptLook, Mend } from '@/api'
import type { Beside } from '@/lib/beside'

/** What to hold beside the look: the change that helps most, a kept look, or the same look on another client. */
const { mend, looks, clients, beside } = defineProps<{
  mend: Mend | null
  looks: KeptLook[]
  clients: BookEntry[]
  beside: Beside | null
}>()
const emit = defineEmits<{ beside: [what: Beside | null]; choosing: [] }>()
/** Who chose with the pointer goes on with the keys of the look, and not with those of the list. */
const byPointer = ref(false)
function choose(list: HTMLSelectElement) {
  const [kind = '', id = ''] = list.value.split(' ')
  if (byPointer.value) list.blur()
  if (kind === 'mend') emit('beside', { kind: 'mend' })
  else if (kind === 'look') emit('beside', { kind: 'look', id })
  else if (kind === 'client') emit('beside', { kind: 'client', id })
  else emit('beside', null)
}
const value = () => (!beside ? '' : beside.kind === 'mend' ? 'mend' : `${beside.kind} ${beside.id}`)
</script>

<template>
  <label class="hold"
    >hold beside
    <select
      :value="value()"
      @focus="emit('choosing')"
      @pointerenter="emit('choosing')"
      @pointerdown="byPointer = true"
      @keydown="byPointer = false"
      @change="choose($event.target as HTMLSelectElement)"
    >
      <option value="">nothing</option>
      <option v-if="mend || beside?.kind === 'mend'" value="mend">the change that helps most</option>
      <optgroup v-if="looks.length" label="A kept look">
        <option v-for="look in looks" :key="look.id" :value="`look ${look.id}`">{{ look.name }}</option>
      </optgroup>
      <optgroup v-if="clients.length" label="The same look on">
        <option v-for="one in clients" :key="one.id" :value="`client ${one.id}`">{{ one.name }}</option>
      </optgroup>
    </select>
  </label>
</template>

<style scoped>
.hold {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: 13px;
  color: var(--soft);
  margin-top: 4px;
}
select {
  flex: 1;
  min-width: 0;
}
</style>
