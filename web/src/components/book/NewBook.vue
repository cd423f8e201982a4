<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, toRef } from 'vue'
import type { BookBody } from '@/api'
import EmptyStart from '@/components/base/EmptyStart.vue'
import LinkButton from '@/components/base/LinkButton.vue'
import TextField from '@/components/fields/TextField.vue'
import { plural } from '@/lib/words'
import { useBookSources } from '@/server/useBooks'

/** A book is begun: of kept looks, of a wall, of the days of a plan, or of the best looks of a capsule. */
const { clientId } = defineProps<{ clientId: string }>()
const emit = defineEmits<{ begin: [body: BookBody] }>()
const { looks, walls, plans, capsules, loaded } = useBookSources(toRef(() => clientId))
const title = ref('')
const begin = (body: Partial<BookBody>) => emit('begin', { title: title.value.trim(), looks: [], ...body })
const nothing = computed(
  () => !looks.value.length && !walls.value.length && !plans.value.length && !capsules.value.length,
)
</script>

<template>
  <EmptyStart v-if="loaded && nothing">
    There is no look yet to put into a book.
    <template #start
      ><LinkButton firm :to="{ name: 'make', params: { client: clientId } }">Make looks</LinkButton></template
    >
  </EmptyStart>
  <div v-else class="new">
    <h2>A new book</h2>
    <p class="soft">A page for each look. Its pages can be put in order, left out and written before it is made.</p>
    <label class="title"
      >called <TextField :value="title" :maxlength="200" placeholder="as what it is made of" @change="title = $event"
    /></label>
    <ul aria-label="What it is made of">
      <li v-if="looks.length">
        <NButton type="primary" @click="begin({ looks: looks.map((one) => one.id) })">{{
          plural(looks.length, 'kept look')
        }}</NButton>
      </li>
      <li v-for="one in walls" :key="one.id">
        <NButton @click="begin({ wall: one.id })">{{ one.name }}</NButton>
        <span class="soft">the wall of made looks</span>
      </li>
      <li v-for="one in plans" :key="one.id">
        <NButton @click="begin({ plan: one.id })">{{ one.name }}</NButton>
        <span class="soft">{{ plural(one.days, 'day') }} of a plan</span>
      </li>
      <li v-for="one in capsules" :key="one.id">
        <NButton @click="begin({ capsule: one.id })">{{ one.name }}</NButton>
        <span class="soft">the best looks of this capsule</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.new {
  flex: 1;
  overflow: auto;
  display: grid;
  align-content: start;
  gap: 12px;
  max-width: 560px;
}
h2 {
  font-size: 26px;
  margin: 0;
}
.title {
  display: grid;
  grid-template-columns: 60px minmax(0, 1fr);
  align-items: center;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
li {
  display: flex;
  align-items: center;
  gap: 12px;
}
</style>
