<script setup lang="ts" generic="Name extends string">
import { NTab, NTabs } from 'naive-ui'

/** A row of tabs: one of several things is shown below it. Arrows go along, as in every such row. */
const { tabs, shown, label } = defineProps<{ tabs: { name: Name; word: string }[]; shown: Name; label: string }>()
const emit = defineEmits<{ show: [name: Name] }>()
function along(event: KeyboardEvent) {
  const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
  const here = tabs.findIndex((one) => one.name === shown)
  const next = step ? tabs[(here + step + tabs.length) % tabs.length] : undefined
  if (!next) return
  event.preventDefault()
  event.stopPropagation()
  emit('show', next.name)
  const row = (event.currentTarget as HTMLElement).closest('[role=tablist]')
  row?.querySelector<HTMLElement>(`[data-tab="${next.name}"]`)?.focus()
}
</script>

<template>
  <div role="tablist" :aria-label="label" class="tab-row">
    <NTabs :value="shown" type="line" size="small" :tabs-padding="0" @update:value="emit('show', $event as Name)">
      <NTab
        v-for="one in tabs"
        :key="one.name"
        :name="one.name"
        role="tab"
        :tabindex="one.name === shown ? 0 : -1"
        :aria-selected="one.name === shown"
        :data-tab="one.name"
        @keydown="along"
        @keydown.enter.prevent="emit('show', one.name)"
        @keydown.space.prevent.stop="emit('show', one.name)"
      >
        {{ one.word }}
      </NTab>
    </NTabs>
  </div>
</template>

<style scoped>
.tab-row :deep(.n-tabs-tab) {
  padding: 4px 0;
}
.tab-row :deep(.n-tabs-tab:focus-visible) {
  outline: 2px solid var(--ink);
  outline-offset: -2px;
}
</style>
