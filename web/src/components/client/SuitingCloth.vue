<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { Follows } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import { percent } from '@/lib/words'

/** What follows from a colouring: neutrals, tones, metals, contrast, and the rail against it. */
const { follows, clientId } = defineProps<{ follows: Follows; clientId: string }>()
const ranges = computed(() => [
  { title: 'Neutrals', range: follows.neutrals },
  { title: 'Tones', range: follows.tones },
])
const inside = computed(() => follows.pieces.filter((piece) => piece.inside))
const outside = computed(() => follows.pieces.filter((piece) => !piece.inside).toReversed())
</script>

<template>
  <section class="follows" aria-labelledby="follows">
    <h2 id="follows">What follows</h2>
    <div v-for="{ title, range } in ranges" :key="title" class="range">
      <h3>
        {{ title }}
        <span class="soft"
          >L* {{ range.lightness[0] }} to {{ range.lightness[1] }}, C* {{ range.chroma[0] }} to
          {{ range.chroma[1] }}</span
        >
      </h3>
      <ul>
        <li v-for="colour in range.colours" :key="colour.name">
          <PinkedSwatch :hex="colour.hex" :width="56" :height="46" />
          <span>{{ colour.name }}</span>
        </li>
      </ul>
    </div>
    <p class="line">
      <strong>Metals</strong>
      <span v-for="one in follows.metals" :key="one.metal">{{ one.metal }} {{ percent(one.chance) }}</span>
    </p>
    <p v-if="follows.contrast" class="line">
      <strong>Contrast of a look</strong> <span>{{ follows.contrast[0] }} to {{ follows.contrast[1] }} L*</span>
    </p>
    <template v-if="follows.pieces.length">
      <h3>
        On the rail <span class="soft">{{ inside.length }} of {{ follows.pieces.length }} pieces are in the range</span>
      </h3>
      <ul class="rail" aria-label="In the range">
        <li v-for="piece in inside.slice(0, 16)" :key="piece.piece_id" :data-tip="piece.label">
          <PinkedSwatch :hex="piece.hex" :picture="piece.picture" :width="30" :height="58" /><span
            class="visually-hidden"
            >{{ piece.label }}</span
          >
        </li>
      </ul>
      <p v-if="outside.length" class="soft">
        Furthest from it:
        {{
          outside
            .slice(0, 3)
            .map((piece) => piece.label)
            .join(', ')
        }}.
        <RouterLink :to="{ name: 'side-by-side', params: { client: clientId } }"
          >Hold two of them side by side</RouterLink
        >
      </p>
    </template>
  </section>
</template>

<style scoped>
.follows {
  display: grid;
  gap: 9px;
}
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
}
h3 .soft {
  font-weight: 400;
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  gap: 6px 8px;
}
li {
  font-size: 11.5px;
  line-height: 1.15;
  min-width: 0;
  display: grid;
  gap: 2px;
  align-content: start;
  overflow-wrap: anywhere;
}
.rail {
  grid-template-columns: repeat(16, 1fr);
  gap: 4px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}
</style>
