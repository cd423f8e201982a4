<script setup lang="ts">
import { NButton, NCheckbox, NProgress } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Book, BookChange, Client, MadeAs } from '@/api'
import TextField from '@/components/fields/TextField.vue'
import { plural } from '@/lib/words'

/** What goes into a book, what its files will hold, and its making. */
const { book, client } = defineProps<{ book: Book; client: Client | null }>()
const emit = defineEmits<{ change: [body: BookChange]; make: [kinds: MadeAs[]]; stop: [] }>()
const HOLDS = [
  { name: 'cover', word: 'cover' },
  { name: 'colouring', word: 'colouring in words and cloth' },
  { name: 'index', word: 'index by piece and occasion' },
  { name: 'helps', word: 'what would help' },
  { name: 'name', word: 'the name on the cover' },
] as const
const KINDS: { kind: MadeAs; word: string }[] = [
  { kind: 'pdf', word: 'PDF' },
  { kind: 'html', word: 'page for a telephone' },
  { kind: 'zip', word: 'pictures' },
]
const kinds = ref<MadeAs[]>(['pdf', 'html'])
const choose = (kind: MadeAs, on: boolean) =>
  (kinds.value = KINDS.map((one) => one.kind).filter((one) => (one === kind ? on : kinds.value.includes(one))))
const looks = computed(() => book.pages.filter((page) => !page.left_out).length)
const hold = (part: Partial<Book['holds']>) => emit('change', { holds: { ...book.holds, ...part } })
const size = (bytes: number) => (bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`)
</script>

<template>
  <div class="panel">
    <p class="soft">{{ plural(looks, 'look') }}</p>
    <label
      >called <TextField small :value="book.title" :maxlength="200" @change="emit('change', { title: $event })"
    /></label>
    <label
      >made by
      <TextField
        small
        :value="book.by"
        :maxlength="120"
        placeholder="your name"
        @change="emit('change', { by: $event })"
    /></label>
    <label
      >a word of yours
      <TextField small :rows="2" :value="book.word" :maxlength="2000" @change="emit('change', { word: $event })"
    /></label>
    <h3>What goes in</h3>
    <NCheckbox
      v-for="one in HOLDS"
      :key="one.name"
      :checked="book.holds[one.name]"
      @update:checked="hold({ [one.name]: $event })"
      >{{ one.word }}</NCheckbox
    >
    <NCheckbox v-if="client?.head" :checked="book.holds.face" @update:checked="hold({ face: $event })"
      >the face of the portrait</NCheckbox
    >
    <h3>It will hold</h3>
    <p class="soft holds">{{ book.will_hold }}</p>
    <div class="make">
      <h3>Make it as</h3>
      <p class="row">
        <NCheckbox
          v-for="one in KINDS"
          :key="one.kind"
          :checked="kinds.includes(one.kind)"
          @update:checked="choose(one.kind, $event)"
          >{{ one.word }}</NCheckbox
        >
      </p>
      <p class="row">
        paper
        <NButton
          v-for="paper in ['A4', 'A5'] as const"
          :key="paper"
          text
          class="word"
          :aria-pressed="book.paper === paper"
          @click="emit('change', { paper })"
          >{{ paper }}</NButton
        >
      </p>
      <div v-if="book.making !== null" class="making" role="status">
        <NProgress type="line" :percentage="Math.round(100 * book.making)" :show-indicator="false" />
        <span>making it…</span>
        <NButton size="small" @click="emit('stop')">Stop</NButton>
      </div>
      <NButton v-else type="primary" :disabled="!kinds.length || !looks" @click="emit('make', kinds)">Make it</NButton>
      <p v-if="book.lack" class="lack" role="alert">{{ book.lack }}</p>
      <ul v-if="book.made.length" class="made" aria-label="Made">
        <li v-for="one in book.made" :key="one.kind">
          <a :href="`/api/books/${book.id}/book.${one.kind}`" download>{{
            KINDS.find((kind) => kind.kind === one.kind)?.word
          }}</a>
          <span class="soft">{{ size(one.bytes) }}{{ one.current ? '' : ', before the last change' }}</span>
        </li>
      </ul>
    </div>
  </div>
</template>

<style scoped>
.panel {
  display: grid;
  gap: 6px;
  font-size: 13px;
}
.panel p {
  margin: 0;
}
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 8px 0 0;
}
label {
  display: grid;
  gap: 2px;
  color: var(--soft);
}
.holds {
  line-height: 1.4;
}
.make {
  position: sticky;
  bottom: -12px;
  display: grid;
  gap: 5px;
  margin: 6px -18px 0;
  padding: 2px 18px 12px;
  background: var(--panel);
  border-top: 1px solid var(--line);
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: baseline;
}
.making {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 4px 10px;
  align-items: center;
}
.making :deep(.n-progress) {
  grid-column: 1 / -1;
}
.made {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 3px;
}
.made li {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
</style>
