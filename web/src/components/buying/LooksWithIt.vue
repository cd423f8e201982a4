<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Candidate, Client, Considered, Piece } from '@/api'
import BareFigure from '@/components/figure/BareFigure.vue'
import { useFigures } from '@/server/useFigure'

/** The best looks with a candidate, drawn on the client. */
const { clientId, client, candidate, considered, rail, squint } = defineProps<{
  clientId: string
  client: Client
  candidate: Candidate
  considered: Considered
  rail: Piece[]
  squint: boolean
}>()
const always = computed(() => client.about.always_on.filter((id) => rail.some((piece) => piece.id === id)))
const { drawn } = useFigures(
  computed(() => clientId),
  computed(() =>
    considered.looks.map((look) => ({ pieces: [...new Set([...look.pieces, ...always.value])], worn: {} })),
  ),
)
const pieces = computed(() => (candidate.piece ? [...rail, candidate.piece] : rail))
const named = (ids: string[]) =>
  ids.flatMap((id) => (id === candidate.id ? [] : (rail.find((piece) => piece.id === id)?.label ?? []))).join(', ')
const emit = defineEmits<{ squint: [] }>()
</script>

<template>
  <section class="looks" aria-label="Looks with it">
    <ul>
      <li v-for="(look, place) in considered.looks" :key="look.pieces.join()">
        <span class="figure">
          <BareFigure
            v-if="drawn[place]"
            :figure="drawn[place].figure"
            :client="client"
            :pieces="pieces"
            :name="`With ${named(look.pieces)}`"
            :squint="squint"
          />
        </span>
        <span class="under">
          <strong>{{ look.overall.toFixed(0) }}</strong>
          <span>{{ named(look.pieces) }}</span>
        </span>
      </li>
    </ul>
    <NButton text class="word squint" :aria-pressed="squint" @click="emit('squint')"> <kbd>Space</kbd> squint </NButton>
  </section>
</template>

<style scoped>
.looks {
  position: relative;
  min-height: 0;
  display: grid;
}
.squint {
  position: absolute;
  right: 4px;
  top: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
  min-height: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(120px, 1.5fr) minmax(0, 1fr);
  align-items: end;
  min-height: 0;
}
.figure {
  display: grid;
  min-height: 0;
  height: 100%;
}
.figure > * {
  min-height: 0;
}
.under {
  display: grid;
  font-size: 12.5px;
  line-height: 1.3;
  padding-bottom: 8px;
}
.under strong {
  font:
    600 21px/1.2 'Petrona Variable',
    serif;
}
</style>
