<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { What, Word } from '@/api'
import { detail, DETAILS, type Detail } from '@/lib/what'

/** Words of the cut that no drawing shows well: neck, closure, heel, toe, sole, size. */
const { what } = defineProps<{ what: What }>()
const emit = defineEmits<{ say: [word: Word] }>()
const NAMES: Record<Detail, string> = {
  neckline: 'neck',
  closure: 'closed by',
  heel: 'heel',
  toe: 'toe',
  sole: 'sole',
  size: 'how large',
}
const asked = computed(() => (Object.keys(DETAILS) as Detail[]).filter((name) => what.asked.includes(name)))
</script>

<template>
  <div class="words">
    <div v-for="name in asked" :key="name" class="row" role="group" :aria-label="NAMES[name]">
      <span class="soft">{{ NAMES[name] }}</span>
      <span>
        <NButton
          v-for="word in DETAILS[name]"
          :key="word"
          text
          class="word"
          :class="{ seen: what.unsaid.includes(name) }"
          :aria-pressed="what.cut[name] === word"
          @click="emit('say', detail(name, word, what))"
        >
          {{ word }}
        </NButton>
      </span>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 66px 1fr;
  align-items: baseline;
}
.row > span:last-child {
  display: flex;
  flex-wrap: wrap;
  gap: 0 9px;
}
.word {
  padding: 1px 0;
}
.seen[aria-pressed='true'] {
  border-bottom-style: dotted;
}
</style>
