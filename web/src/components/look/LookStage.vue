<script setup lang="ts">
import { computed } from 'vue'
import type { Client, Drawn, Judged, Light, Mend, Piece, Worn } from '@/api'
import BareFigure from '@/components/figure/BareFigure.vue'
import LaidOut from '@/components/figure/LaidOut.vue'
import type { Side } from '@/composables/useBeside'
import { capital } from '@/lib/words'
import LookFigure from './LookFigure.vue'

/** A look on the figure or laid out, alone with what is said of it, or beside another. */
const {
  client,
  rail,
  worn,
  judged,
  drawn,
  beside,
  name,
  pointed,
  squint,
  light = null,
  flat,
} = defineProps<{
  client: Client
  rail: Piece[]
  worn: Piece[]
  judged: Judged | null
  drawn: Drawn | null
  beside: Side | null
  /** Of this look, beside another. */
  name: string
  pointed: string[]
  squint: boolean
  light?: Light | null
  /** Laid out instead of on the figure. */
  flat: boolean
}>()
const emit = defineEmits<{ mend: [mend: Mend]; wear: [piece: Piece, how: Worn] }>()
const sides = computed(() => {
  const here = { key: 'This look', client, pieces: worn, drawn, judged, name }
  return beside ? [here, { ...beside, key: 'Held beside' }] : [here]
})
const seenAs = computed(() => ({ pointed, squint, light }))
</script>

<template>
  <div v-if="beside || flat" class="sides" :class="{ two: beside }">
    <figure v-for="side in sides" :key="side.key">
      <div class="drawing">
        <template v-if="side.drawn">
          <LaidOut
            v-if="flat"
            :laid="side.drawn.laid_out"
            :pieces="side.pieces"
            :name="side.key"
            :named="!beside"
            v-bind="seenAs"
          />
          <BareFigure
            v-else
            :figure="side.drawn.figure"
            :client="side.client"
            :pieces="side.pieces"
            :name="side.key"
            v-bind="seenAs"
          />
        </template>
      </div>
      <figcaption v-if="beside">
        {{ capital(side.name) }}<strong>{{ side.judged?.overall.toFixed(0) }}</strong>
      </figcaption>
    </figure>
  </div>
  <LookFigure
    v-else-if="drawn"
    :client="client"
    :rail="rail"
    :worn="worn"
    :figure="drawn.figure"
    :judged="judged"
    v-bind="seenAs"
    @mend="emit('mend', $event)"
    @wear="(piece, how) => emit('wear', piece, how)"
  />
  <div v-else />
</template>

<style scoped>
.sides {
  display: grid;
  min-height: 0;
}
.two {
  grid-template-columns: 1fr 1fr;
}
.drawing {
  padding: 10px;
}
figure {
  margin: 0;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
figure + figure {
  border-left: 1px solid var(--line);
}
figure > :first-child {
  flex: 1;
  min-height: 0;
}
figcaption {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 6px 16px 8px;
  font-size: 13.5px;
  font-weight: 650;
  background: var(--paper);
  color: var(--ink);
}
</style>
