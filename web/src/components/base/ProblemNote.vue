<script setup lang="ts">
import { NAlert, NButton } from 'naive-ui'
import type { Problem } from '@/api'
import { capital } from '@/lib/words'

/** What went wrong, where, and what to do, where the work is. */
defineProps<{ problem: Problem; closable?: boolean }>()
defineEmits<{ close: [] }>()
</script>

<template>
  <NAlert class="problem" :show-icon="false">
    <div class="line">
      <p>
        <strong v-if="problem.where">{{ problem.where }}: </strong>
        {{ problem.where ? problem.what : capital(problem.what) }} {{ problem.do }}
      </p>
      <NButton text v-if="closable" class="word" @click="$emit('close')">All right</NButton>
    </div>
  </NAlert>
</template>

<style scoped>
.problem {
  border: 1.5px solid var(--ink);
  border-left-width: 6px;
}
.line {
  display: flex;
  gap: 12px;
  align-items: baseline;
  justify-content: space-between;
}
.line .word {
  white-space: nowrap;
}
</style>
