<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { Problem } from '@/api'
import { capital } from '@/lib/words'

defineProps<{ problem: Problem; closable?: boolean }>()
defineEmits<{ close: [] }>()
</script>

<template>
  <div class="problem" role="alert">
    <p>
      <strong v-if="problem.where">{{ problem.where }}: </strong>
      {{ problem.where ? problem.what : capital(problem.what) }} {{ problem.do }}
    </p>
    <NButton text v-if="closable" class="word" @click="$emit('close')">All right</NButton>
  </div>
</template>

<style scoped>
.problem {
  display: flex;
  gap: 12px;
  align-items: baseline;
  justify-content: space-between;
  background: var(--sheet);
  color: var(--ink);
  border: 1.5px solid var(--ink);
  border-left-width: 6px;
  border-radius: 4px;
  padding: 8px 12px;
}
.problem .word {
  white-space: nowrap;
}
</style>
