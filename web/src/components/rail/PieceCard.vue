<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Bin, Client, Kept, Piece, Word } from '@/api'
import TabRow from '@/components/base/TabRow.vue'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import TapeMeasure from '@/components/base/TapeMeasure.vue'
import { patternWords } from '@/lib/rail'
import { BINS, percent, VERDICTS, warmthWord } from '@/lib/words'
import PieceCut from './PieceCut.vue'
import PieceCompany from './PieceCompany.vue'
import PieceKeeping from './PieceKeeping.vue'

/** A piece with what was read of it, the stylist's word, its company and what is kept about it. */
const { piece } = defineProps<{ piece: Piece; client: Client | null }>()
const emit = defineEmits<{ word: [word: Word]; kept: [kept: Kept]; show: [id: string]; takeOff: []; wornToday: [] }>()
type Tab = 'colour' | 'cut' | 'company' | 'keeping'
const TABS: { name: Tab; word: string }[] = [
  { name: 'colour', word: 'colour' },
  { name: 'cut', word: 'cut and cloth' },
  { name: 'company', word: 'company' },
  { name: 'keeping', word: 'keeping' },
]
const tab = ref<Tab>('colour')
const colours = computed(() => piece.colours.slice(0, 4))
const within = computed(() => Math.max(0, ...piece.colours.map((c) => c.uncertainty ?? 0)))
const overruled = computed(() => piece.bin_said !== null && piece.read.bin !== piece.bin_said)
const say = (bin: Bin | 'as read') => emit('word', { bin })
const fits = (value: boolean) => emit('kept', { fits: piece.kept.fits === value ? null : value })
</script>

<template>
  <section class="tile card" :aria-label="piece.label">
    <div class="top">
      <img v-if="piece.thumbnail" :src="piece.thumbnail" alt="" class="photo" />
      <PinkedSwatch v-else class="flat" :hex="piece.colours[0]?.hex ?? ''" :width="66" :height="84" />
      <div class="told">
        <h2>{{ piece.label }}</h2>
        <p class="soft">
          {{ piece.category.replace('-', ' ') }} · {{ patternWords(piece)
          }}<template v-if="piece.finish.length"> · {{ piece.finish.join(', ') }}</template
          ><template v-if="piece.metal !== 'none'"> · {{ piece.metal }} metal</template>
        </p>
        <p v-if="piece.kept.set" class="soft">of the set {{ piece.kept.set }}</p>
        <p v-if="piece.kept.other_face" class="soft">
          one of two faces:
          <NButton text class="word link" @click="emit('show', piece.kept.other_face)">turn it</NButton>
        </p>
        <p v-if="piece.fit !== null">
          sits with the colouring: {{ (100 * Math.min(1, piece.fit)).toFixed(0) }} of 100,
          {{ piece.suits ? 'in the range' : 'outside the range' }}
        </p>
      </div>
    </div>
    <div class="row" role="group" aria-label="Verdict of the day">
      <NButton
        text
        v-for="one in VERDICTS"
        :key="one"
        class="word"
        :aria-pressed="piece.kept.verdict === one"
        @click="emit('kept', { verdict: piece.kept.verdict === one ? null : one })"
      >
        {{ one }}
      </NButton>
      <span class="bar" aria-hidden="true" />
      <NButton text class="word" :aria-pressed="piece.kept.fits === true" @click="fits(true)">fits</NButton>
      <NButton text class="word" :aria-pressed="piece.kept.fits === false" @click="fits(false)"> does not fit </NButton>
    </div>
    <TabRow class="tabs" :tabs="TABS" :shown="tab" label="About the piece" @show="tab = $event" />
    <div v-if="tab === 'colour'" class="part">
      <ul class="swatches">
        <li v-for="(colour, index) in colours" :key="index" :style="{ flexGrow: Math.max(colour.share, 0.2) }">
          <PinkedSwatch
            :hex="colour.hex"
            :picture="colour.picture"
            :width="Math.round(Math.max(colour.share, 0.2) * 360)"
            :height="26"
          />
          <span>{{ percent(colour.share) }}{{ colour.part === 'cloth' ? '' : ` ${colour.part}` }}</span>
        </li>
      </ul>
      <div class="bins" role="group" aria-label="Where it hangs">
        <NButton
          text
          v-for="one in BINS"
          :key="one.bin"
          class="word"
          :aria-pressed="piece.sort.bin === one.bin"
          @click="say(one.bin)"
        >
          {{ one.bin }} <kbd>{{ one.key.toUpperCase() }}</kbd>
        </NButton>
      </div>
      <p>
        <strong>{{ piece.sort.name }}</strong> · L* {{ piece.lightness.toFixed(0) }}, C* {{ piece.chroma.toFixed(0) }},
        h {{ piece.hue.toFixed(0) }}°<template v-if="piece.sort.lean"> · leans {{ piece.sort.lean }}</template>
      </p>
      <p v-if="within" class="soft">the true colour lies within {{ within.toFixed(0) }} ΔE, nine times in ten</p>
      <TapeMeasure
        :value="piece.sort.temperature"
        :low="-1"
        :high="1"
        name="Temperature"
        :doubt="Math.min(0.5, within / 30)"
        :shown="warmthWord(piece.sort.temperature)"
        :ends="['cool', 'warm']"
        :other="overruled ? { value: piece.read.temperature, name: 'as read' } : null"
      />
      <p class="soft">
        <template v-if="overruled"
          >read as {{ piece.read.bin }}, {{ percent(piece.read.confidence) }} sure; hung by your word.
          <NButton text class="word link" @click="say('as read')">hang as read</NButton></template
        >
        <template v-else-if="piece.bin_said">your word and the reading agree</template>
        <template v-else>{{ piece.sort.bin }}, {{ percent(piece.sort.confidence) }} sure</template>
      </p>
    </div>
    <PieceCut
      v-else-if="tab === 'cut'"
      :key="piece.id"
      class="part"
      :piece="piece"
      :client="client"
      @word="emit('word', $event)"
    />
    <PieceCompany v-else-if="tab === 'company'" class="part" :piece="piece" @show="emit('show', $event)" />
    <PieceKeeping
      v-else
      class="part"
      :piece="piece"
      @kept="emit('kept', $event)"
      @word="emit('word', $event)"
      @take-off="emit('takeOff')"
      @worn-today="emit('wornToday')"
    />
  </section>
</template>

<style scoped>
.card {
  display: flex;
  flex-direction: column;
  gap: 5px;
  overflow: auto;
  padding: 10px 16px;
}
.card h2 {
  font-size: 18px;
}
.top {
  display: flex;
  gap: 14px;
}
.photo {
  width: 66px;
  height: 84px;
  object-fit: cover;
  flex: none;
}
.flat {
  width: 66px;
  flex: none;
}
.told {
  min-width: 0;
  display: flex;
  flex-direction: column;
  gap: 1px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
  align-items: center;
}
.bar {
  width: 1px;
  height: 18px;
  background: var(--line);
}
.tabs {
  border-bottom: 1px solid var(--line);
}
.part {
  display: flex;
  flex-direction: column;
  gap: 7px;
}
.swatches {
  display: flex;
  gap: 6px;
  list-style: none;
  margin: 0;
  padding: 0;
}
.swatches li {
  flex: 1 1 0;
  min-width: 0;
  font-size: 12px;
}
.bins {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
}
.link {
  text-decoration: underline;
  padding: 0;
}
</style>
