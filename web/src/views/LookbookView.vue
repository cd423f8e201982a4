<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { BookBody, PageChange } from '@/api'
import ProblemNote from '@/components/base/ProblemNote.vue'
import KeysHelp from '@/components/base/KeysHelp.vue'
import BookPage from '@/components/book/BookPage.vue'
import BookPanel from '@/components/book/BookPanel.vue'
import NewBook from '@/components/book/NewBook.vue'
import PageStrip from '@/components/book/PageStrip.vue'
import { useKeys } from '@/composables/useKeys'
import { firstProblem } from '@/server/firstProblem'
import { useBookList, useBooks } from '@/server/useBooks'
import { useClient } from '@/server/useClient'
import { useKeptLooks } from '@/server/useKeptLooks'
import { usePieces } from '@/server/useRail'

/** What the client takes home: its pages as they will be, put in order, written, made. */
const route = useRoute()
const router = useRouter()
const { id, client, problem: clientProblem } = useClient()
const { pieces: rail, loaded: railLoaded, problem: railProblem } = usePieces(id)
const wanted = computed(() => String(route.params.book ?? ''))
/** A new one is begun where 'new' stands instead of a book. */
const { books, loaded, problem: listProblem } = useBookList(id)
const bookId = computed(() => (wanted.value === 'new' ? '' : wanted.value || (books.value[0]?.id ?? '')))
/** The page that is shown: the one of the address, else the first. */
const at = ref('')
const {
  book,
  page,
  told,
  problem: bookProblem,
  begin,
  add,
  change,
  order,
  write,
  make,
  stop,
  letGo,
  undo,
  redo,
} = useBooks(id, bookId, at)
const problem = firstProblem(clientProblem, railProblem, listProblem, bookProblem)
watch(
  [book, () => route.params.page],
  () => {
    const pages = book.value?.id === bookId.value ? book.value.pages : []
    const there = pages.find((one) => one.id === route.params.page) ?? pages.find((one) => !one.left_out) ?? pages[0]
    at.value = there?.id ?? ''
  },
  { immediate: true },
)
/** Who is drawn: with the face only where it was chosen. */
const wearer = computed(() =>
  client.value ? { ...client.value, head: book.value?.holds.face ? client.value.head : null } : null,
)
const shown = computed(() => (page.value?.id === at.value ? page.value : null))
const place = computed(() => (book.value?.pages ?? []).findIndex((one) => one.id === at.value))
const go = (to: string, page = '') => router.replace({ name: 'lookbook', params: { client: id.value, book: to, page } })
const show = (one: string) => go(bookId.value, one)
async function begun(body: BookBody) {
  const made = await begin(body)
  if (made) await go(made.id)
}
function walk(step: number) {
  const to = book.value?.pages[place.value + step]
  if (to) void show(to.id)
}
async function move(from: string, to: number) {
  const ids = (book.value?.pages ?? []).map((one) => one.id)
  const was = ids.indexOf(from)
  if (was < 0 || to < 0 || to >= ids.length || was === to) return
  ids.splice(to, 0, ...ids.splice(was, 1))
  await change({ order: ids })
  told.value = `Page ${was + 1} is page ${to + 1} now.`
}
const { looks } = useKeptLooks(id)
const addKept = () => void add(looks.value.map((one) => one.id))
const leave = () => {
  const now = book.value?.pages[place.value]
  if (now) void write(now.id, { left_out: !now.left_out, told_again: [] })
}
const said = (body: Partial<PageChange>) => at.value && void write(at.value, { told_again: [], ...body })
async function drop() {
  if (book.value && (await letGo(book.value))) await go('')
}
useKeys(() => ({
  arrowright: () => walk(1),
  arrowleft: () => walk(-1),
  'shift+arrowright': () => void move(at.value, place.value + 1),
  'shift+arrowleft': () => void move(at.value, place.value - 1),
  x: leave,
  'ctrl+z': () => void undo(),
  'ctrl+y': () => void redo(),
}))
const KEYS: [string, string][] = [
  ['← →', 'from page to page'],
  ['Shift+← →', 'move the page'],
  ['X', 'leave it out, or take it in again'],
  ['Ctrl+Z', 'take back, Ctrl+Y do again'],
  ['?', 'these keys'],
]
</script>

<template>
  <section class="lookbook">
    <aside class="left" aria-label="The book" tabindex="0">
      <h1>Lookbook</h1>
      <BookPanel
        v-if="book && bookId"
        :key="book.id"
        :book="book"
        :client="client"
        @change="change"
        @make="make"
        @stop="stop"
      />
      <template v-if="books.length">
        <h3>Books</h3>
        <ul class="list" aria-label="Books">
          <li v-for="one in books" :key="one.id">
            <RouterLink
              :to="{ name: 'lookbook', params: { client: id, book: one.id } }"
              :aria-current="one.id === bookId ? 'true' : undefined"
              >{{ one.title }}</RouterLink
            >
            <span class="soft">{{ one.pages }}</span>
          </li>
          <li>
            <RouterLink :to="{ name: 'lookbook', params: { client: id, book: 'new' } }">another one…</RouterLink>
          </li>
        </ul>
      </template>
    </aside>
    <div class="right">
      <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
      <NewBook v-if="loaded && !bookId" :client-id="id" @begin="begun" />
      <template v-else-if="book && wearer && railLoaded">
        <BookPage v-if="shown" :key="shown.id" :client="wearer" :rail="rail" :page="shown" @write="said" />
        <p v-else class="wait soft">…</p>
        <PageStrip :pages="book.pages" :shown="at" @show="show" @move="move" />
      </template>
      <div class="foot">
        <template v-if="book && bookId">
          <NButton text class="word" @click="leave">
            <kbd>X</kbd> {{ book.pages[place]?.left_out ? 'take it in again' : 'leave it out' }}
          </NButton>
          <span class="soft">in order</span>
          <NButton text class="word" @click="order('occasion')">by occasion</NButton>
          <NButton text class="word" @click="order('season')">from summer to winter</NButton>
          <NButton v-if="looks.length" text class="word" @click="addKept">add what is kept since</NButton>
          <NButton text class="word" @click="drop">let the book go</NButton>
        </template>
        <NButton text class="word" @click="undo">undo</NButton>
        <span class="soft" role="status">{{ told }}</span>
        <KeysHelp class="keys" :keys="KEYS" />
      </div>
    </div>
  </section>
</template>

<style scoped>
.lookbook {
  height: 100%;
  display: grid;
  grid-template-columns: 246px minmax(0, 1fr);
  min-height: 0;
}
.left {
  overflow: auto;
  padding: 12px 18px;
  background: var(--panel);
  border-right: 1px solid var(--line);
}
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 16px 0 4px;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  font-size: 13px;
}
.list li {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  padding: 3px 0;
}
.list a {
  text-decoration: none;
}
.list a[aria-current],
.list a:hover {
  text-decoration: underline;
}
.right {
  display: flex;
  flex-direction: column;
  min-height: 0;
  padding: 14px 24px 0;
  gap: 10px;
}
.wait {
  flex: 1;
}
.foot {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 14px;
  margin: 0 -24px;
  padding: 6px 24px;
  border-top: 1px solid var(--line);
  background: var(--paper);
  font-size: 13px;
}
.keys {
  margin-left: auto;
}
</style>
