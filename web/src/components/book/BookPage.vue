<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Client, LookToDraw, PageChange, Piece, ToldPage, Worn } from '@/api'
import BareFigure from '@/components/figure/BareFigure.vue'
import LaidOut from '@/components/figure/LaidOut.vue'
import TextField from '@/components/fields/TextField.vue'
import { useFigures } from '@/server/useFigure'

/** A page as it will be, and the words on it, which the stylist may write. */
const { client, rail, page } = defineProps<{ client: Client; rail: Piece[]; page: ToldPage }>()
const emit = defineEmits<{ write: [body: Partial<PageChange>] }>()
const PARTS = [
  { name: 'how', title: 'How' },
  { name: 'evening', title: 'For the evening' },
  { name: 'why', title: 'Why it works' },
] as const
const writing = ref(false)
const asked = computed<LookToDraw[]>(() => [
  { pieces: page.pieces, worn: page.worn as Record<string, Worn>, seated: null, on: null },
])
const { drawn } = useFigures(
  computed(() => client.id),
  asked,
)
const look = computed(() => drawn.value[0] ?? null)
const pieces = computed(() => {
  const byId = new Map(rail.map((piece) => [piece.id, piece]))
  return page.pieces.flatMap((id) => byId.get(id) ?? [])
})
</script>

<template>
  <article class="page" :class="{ out: page.left_out }" :aria-label="page.name">
    <div class="figure">
      <p v-if="page.when" class="soft when" dir="auto">{{ page.when }}</p>
      <h2 dir="auto">{{ page.name }}</h2>
      <BareFigure v-if="look" :figure="look.figure" :client="client" :pieces="pieces" :name="`${page.name}, worn`" />
    </div>
    <div class="rest">
      <div class="pieces">
        <LaidOut v-if="look" :laid="look.laid_out" :pieces="pieces" :name="`${page.name}, laid out`" />
      </div>
      <div v-if="!writing" class="words">
        <template v-for="part in PARTS" :key="part.name">
          <div v-if="page[part.name]" :class="part.name">
            <h3>{{ part.title }}</h3>
            <p dir="auto">{{ page[part.name] }}</p>
          </div>
        </template>
        <p v-if="page.gone.length" class="soft">A piece of it was let go.</p>
        <NButton text class="word pen" @click="writing = true">write on this page</NButton>
      </div>
      <div v-else class="words form">
        <label
          >name <TextField small :value="page.name" :maxlength="200" @change="emit('write', { name: $event })"
        /></label>
        <label
          >above it <TextField small :value="page.when" :maxlength="200" @change="emit('write', { when: $event })"
        /></label>
        <label
          >occasion
          <TextField small :value="page.occasion" :maxlength="120" @change="emit('write', { occasion: $event })"
        /></label>
        <label v-for="part in PARTS" :key="part.name" class="wide">
          {{ part.title }}
          <TextField
            small
            :rows="2"
            :value="page[part.name]"
            :maxlength="1000"
            @change="emit('write', { [part.name]: $event })"
          />
          <NButton
            v-if="page.own.includes(part.name)"
            text
            class="word"
            :aria-label="`${part.title}: as it is told`"
            @click="emit('write', { told_again: [part.name] })"
            >as it is told</NButton
          >
        </label>
        <NButton text class="word pen" @click="writing = false">done</NButton>
      </div>
    </div>
    <p v-if="page.left_out" class="stamp">left out</p>
  </article>
</template>

<style scoped>
.page {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow: auto;
  display: grid;
  grid-template-columns: minmax(180px, 0.34fr) minmax(0, 1fr);
  gap: 20px;
  background: var(--sheet);
  border: 1px solid var(--line);
  padding: 22px 30px;
}
.out .figure,
.out .pieces,
.out .words:not(.form) {
  opacity: 0.35;
}
.figure,
.rest {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.figure :deep(svg) {
  flex: 1;
  min-height: 0;
}
h2 {
  font-size: 28px;
  line-height: 1.15;
  margin: 0 0 8px;
  overflow-wrap: anywhere;
}
.when {
  margin: 0;
}
.pieces {
  flex: 1;
  min-height: 200px;
}
.words {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 24px;
  font-size: 14.5px;
}
.why {
  grid-column: 1 / -1;
}
h3 {
  font:
    650 14.5px/1.3 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 0;
}
.words p {
  margin: 0;
}
.pen {
  grid-column: 1 / -1;
  justify-self: end;
  text-decoration: underline;
}
.form label {
  display: grid;
  gap: 2px;
  font-size: 12.5px;
  color: var(--soft);
}
.form .wide {
  grid-column: 1 / -1;
}
.stamp {
  position: absolute;
  right: 24px;
  top: 12px;
  margin: 0;
  font-weight: 650;
}
</style>
