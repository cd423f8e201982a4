<script setup lang="ts">
import { NEmpty } from 'naive-ui'

/** Nothing is here yet: what it is for, and what starts it. */
defineProps<{ title?: string }>()
</script>

<template>
  <div class="empty-start">
    <NEmpty :show-icon="false">
      <div class="said">
        <h2 v-if="title">{{ title }}</h2>
        <slot />
      </div>
      <template v-if="$slots.start" #extra><slot name="start" /></template>
    </NEmpty>
  </div>
</template>

<style scoped>
.empty-start {
  display: grid;
  place-content: center;
  height: 100%;
  padding: 40px;
}
.said {
  max-width: 38ch;
  background: var(--paper);
  color: var(--ink);
  padding: 12px 18px;
  border-radius: 6px;
  text-align: center;
}
</style>
