<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Carried, Finish, Piece, Theme } from '@/api'
import FoldedAway from '@/components/base/FoldedAway.vue'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import TapeMeasure from '@/components/base/TapeMeasure.vue'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import TextField from '@/components/fields/TextField.vue'
import ClothList from '@/components/what/ClothList.vue'

/** A word and a few colours or surfaces for the look, and how far it carries them. */
const { theme, carried, rail } = defineProps<{ theme: Theme | null; carried: Carried | null; rail: Piece[] }>()
const emit = defineEmits<{ theme: [theme: Theme | null]; point: [pieces: string[]] }>()
const MOST = 8
const now = computed(() => ({
  word: theme?.word ?? '',
  colours: theme?.colours ?? [],
  surfaces: theme?.surfaces ?? [],
}))
const choices = computed(() => [
  { value: '', label: 'a colour from' },
  ...rail.map((piece) => ({ value: piece.id, label: piece.label })),
])
/** A theme without a colour and a surface is none: a word alone is kept until there is one. */
const change = (next: Partial<Theme>) => {
  const told = { ...now.value, ...next }
  emit('theme', told.colours.length || told.surfaces.length ? told : null)
}
function add(id: string) {
  const lab = rail.find((piece) => piece.id === id)?.colours[0]?.lab
  if (lab && now.value.colours.length < MOST) change({ colours: [...now.value.colours, { lab }] })
}
const drop = (place: number) => change({ colours: now.value.colours.filter((_, k) => k !== place) })
const missing = computed(() => carried?.missing.filter((one) => !one.startsWith('colour ')) ?? [])
const sameAs = (lab: number[]) => rail.flatMap((piece) => piece.colours).find((one) => one.lab.join() === lab.join())
const hexOf = (place: number) => carried?.hex[place] ?? sameAs(now.value.colours[place]?.lab ?? [])?.hex ?? ''
const lost = (place: number) => carried?.missing.includes(`colour ${place + 1}`) ?? false
</script>

<template>
  <FoldedAway class="theme" :title="theme?.word ? `Theme · ${theme.word}` : 'Theme'">
    <div v-if="carried" @mouseenter="emit('point', carried.pieces)" @mouseleave="emit('point', [])">
      <TapeMeasure :value="100 * carried.share" name="Theme" :shown="(100 * carried.share).toFixed(0)" />
      <p class="soft">
        {{ carried.pieces.length }} of the look's pieces carry it<template v-if="missing.length"
          >; not there: {{ missing.join(', ') }}</template
        >
      </p>
    </div>
    <p v-else-if="!theme" class="soft">Choose a colour or a surface that the look is to carry.</p>
    <ul v-if="now.colours.length" aria-label="Colours of the theme">
      <li v-for="(colour, place) in now.colours" :key="colour.lab.join()">
        <span class="chip"><PinkedSwatch :hex="hexOf(place)" :width="30" :height="26" /></span>
        <NButton text class="word" :aria-label="`leave colour ${place + 1} out`" @click="drop(place)">
          {{ lost(place) ? 'not there' : 'out' }}
        </NButton>
      </li>
    </ul>
    <ChoiceList value="" :options="choices" label="a colour from" @change="add" />
    <ClothList
      :finish="now.surfaces as Finish[]"
      label="surfaces of the theme"
      @say="change({ surfaces: $event.finish ?? [] })"
    />
    <TextField
      v-if="theme"
      small
      :value="now.word"
      :maxlength="80"
      placeholder="a word for it"
      label="word of the theme"
      @change="change({ word: $event.trim() })"
    />
  </FoldedAway>
</template>

<style scoped>
.theme > :deep(* + *) {
  margin-top: 6px;
}
.theme p {
  margin: 2px 0 4px;
  font-size: 12.5px;
}
ul {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 0;
  margin: 4px 0 6px;
}
.chip {
  width: 30px;
}
li {
  display: flex;
  align-items: center;
  gap: 4px;
}
</style>
