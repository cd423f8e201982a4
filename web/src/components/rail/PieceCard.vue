<script setup lang="ts">
import { computed } from 'vue'
import type { Bin, Piece } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import TapeMeasure from '@/components/base/TapeMeasure.vue'
import { patternWords } from '@/lib/rail'
import { BINS, percent, warmthWord } from '@/lib/words'

/** A piece with what was read of it and the stylist's word. */
const { piece } = defineProps<{ piece: Piece }>()
defineEmits<{ bin: [bin: Bin]; takeOff: [] }>()
const colours = computed(() => piece.colours.slice(0, 4))
const within = computed(() => Math.max(0, ...piece.colours.map((c) => c.uncertainty ?? 0)))
</script>

<template>
  <section class="tile card" :aria-label="piece.label">
    <img v-if="piece.thumbnail" :src="piece.thumbnail" alt="" class="photo" />
    <div class="told">
      <h2>{{ piece.label }}</h2>
      <p class="soft">{{ piece.category.replace('-', ' ') }} · {{ patternWords(piece) }}<template v-if="piece.finish.length"> · {{ piece.finish.join(', ') }}</template></p>
      <ul class="swatches">
        <li v-for="(colour, index) in colours" :key="index" :style="{ flexGrow: Math.max(colour.share, 0.16) }">
          <PinkedSwatch :hex="colour.hex" :picture="colour.picture" :width="70" :height="30" />
          <span>{{ percent(colour.share) }}<template v-if="colour.part !== 'cloth'"> {{ colour.part }}</template></span>
        </li>
      </ul>
      <TapeMeasure
        :value="piece.sort.temperature" :low="-1" :high="1" name="Temperature" :doubt="Math.min(0.5, within / 30)"
        :shown="warmthWord(piece.sort.temperature)" :ends="['cool', 'warm']"
      />
      <p>
        <strong>{{ piece.sort.name }}</strong> · L* {{ piece.lightness.toFixed(0) }}, C* {{ piece.chroma.toFixed(0) }}
        <span v-if="within" class="soft">· sure within {{ within.toFixed(0) }} ΔE</span>
      </p>
      <p v-if="piece.bin_said" class="soft">hung here by your word</p>
      <div class="bins" role="group" aria-label="Where it hangs">
        <button v-for="one in BINS" :key="one.bin" class="word" type="button" :aria-pressed="piece.sort.bin === one.bin" @click="$emit('bin', one.bin)">{{ one.bin }}</button>
      </div>
      <button class="word soft off" type="button" @click="$emit('takeOff')">take it off the rail</button>
    </div>
  </section>
</template>

<style scoped>
.card { display: flex; gap: 16px; }
.photo { width: 118px; height: 158px; object-fit: cover; flex: none; }
.told { flex: 1; min-width: 0; display: flex; flex-direction: column; gap: 6px; }
.swatches { display: flex; gap: 6px; list-style: none; margin: 0; padding: 0; }
.swatches li { flex: 1 1 0; min-width: 0; font-size: 12px; }
.bins { display: flex; flex-wrap: wrap; gap: 0 12px; }
.off { align-self: flex-start; }
</style>
