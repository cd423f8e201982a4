<script setup lang="ts">
import { NButton, NInput, NSelect } from 'naive-ui'
import { computed } from 'vue'
import type { Bin, Category, PatternType, Photo, What, Word } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import TapeMeasure from '@/components/base/TapeMeasure.vue'
import ClothKeys from '@/components/what/ClothKeys.vue'
import ClothList from '@/components/what/ClothList.vue'
import NearPieces from '@/components/intake/NearPieces.vue'
import { PATTERNS } from '@/lib/intakeKeys'
import { BINS, capital, CATEGORIES, lightWords, METALS, percent, surfaceWords, warmthWord } from '@/lib/words'

/** What was read from a photo, and the stylist's word over it. */
const { photo, word, what, choosing } = defineProps<{
  photo: Photo
  word: Word
  what: What | null
  choosing: boolean
}>()
const emit = defineEmits<{ say: [word: Word] }>()

const reading = computed(() => photo.reading!)
const bin = computed<Bin>(() => (word.bin && word.bin !== 'as read' ? word.bin : reading.value.sort.bin))
const pattern = computed<PatternType>(() => word.pattern ?? reading.value.pattern.type)
const pattern_words = computed(() => {
  if (pattern.value === 'solid') return 'plain'
  const { scale, repeat, type } = reading.value.pattern
  const same = type === pattern.value
  return [
    `${pattern.value}${same && scale ? `, ${scale}` : ''}`,
    same && repeat ? `repeat ${percent(repeat)} of the width` : '',
  ]
    .filter(Boolean)
    .join(' · ')
})
const within = computed(() => Math.max(...reading.value.colours.map((c) => c.uncertainty)))
const metal = computed(() => word.metal ?? 'none')
const kinds = CATEGORIES.map((value) => ({ value, label: value.replace('-', ' ') }))
const surest = computed(() => {
  const { bin: read, confidence } = reading.value.sort
  return word.bin && word.bin !== read ? `read as ${read}` : `${percent(confidence)} sure`
})
</script>

<template>
  <div class="reading">
    <ul class="swatches" aria-label="Colours">
      <li v-for="(colour, index) in reading.colours" :key="index" :style="{ flexGrow: Math.max(colour.share, 0.13) }">
        <PinkedSwatch
          :hex="colour.hex"
          :picture="photo.pictures.colours[index]"
          :width="Math.max(50, 340 * colour.share)"
          :height="46"
        />
        <strong>{{ colour.name }}</strong>
        <span class="soft"
          >{{ percent(colour.share) }}<template v-if="colour.part !== 'cloth'"> · {{ colour.part }}</template
          ><template v-else-if="index === 0 && reading.colours.length > 1"> · ground</template></span
        >
      </li>
    </ul>
    <div v-if="photo.guesses.length" class="guesses" role="group" aria-label="What is it likely?">
      <NButton
        v-for="(guess, index) in photo.guesses"
        :key="guess.category"
        size="small"
        :type="word.category === guess.category ? 'primary' : 'default'"
        :aria-pressed="word.category === guess.category"
        @click="emit('say', { category: guess.category })"
      >
        <kbd>{{ index + 1 }}</kbd> {{ guess.category.replace('-', ' ') }}
        <span class="sure">{{ percent(guess.confidence) }}</span>
      </NButton>
    </div>
    <div class="what" :class="{ short: photo.guesses.length, two: !what }">
      <label
        ><span class="soft">{{ photo.guesses.length ? '' : 'What is it?' }} <kbd>K</kbd></span>
        <NSelect
          class="kind"
          :value="word.category ?? null"
          :options="kinds"
          filterable
          placeholder="choose"
          :input-props="{ 'aria-label': 'What is it?' }"
          @update:value="(category: Category) => emit('say', { category })"
        />
      </label>
      <label v-if="what"
        ><span class="soft">{{ photo.guesses.length ? '' : 'Cloth' }} <kbd>F</kbd></span>
        <ClothList :finish="what.finish" :most="1" label="Cloth" @say="emit('say', $event)" />
      </label>
      <label
        ><span v-if="!photo.guesses.length" class="soft">Called</span>
        <NInput
          :value="word.label ?? ''"
          :placeholder="`${capital(reading.sort.name)} ${(word.category ?? 'piece').replace('-', ' ')}`"
          :input-props="{ 'aria-label': 'Called' }"
          @update:value="(label: string) => emit('say', { label: label || null })"
        />
      </label>
    </div>
    <ClothKeys v-if="what" :what="what" :first-key="4" @say="emit('say', $event)" />
    <h3>
      Where does it hang? <span class="soft">{{ surest }}</span>
    </h3>
    <div class="bins" role="group" aria-label="Where does it hang?">
      <button
        v-for="one in BINS"
        :key="one.bin"
        type="button"
        :aria-pressed="bin === one.bin"
        @click="emit('say', { bin: one.bin })"
      >
        <kbd>{{ one.key.toUpperCase() }}</kbd>{{ one.bin }}
      </button>
    </div>
    <div v-if="choosing || bin === 'print'" class="patterns" role="group" aria-label="Which print?">
      <NButton
        text
        v-for="(one, index) in PATTERNS"
        :key="one"
        class="word"
        :aria-pressed="pattern === one"
        @click="emit('say', { pattern: one, bin: 'print' })"
      >
        <kbd v-if="choosing">{{ index + 1 }}</kbd> {{ one }}
      </NButton>
    </div>
    <TapeMeasure
      :value="reading.sort.temperature"
      :low="-1"
      :high="1"
      name="Temperature"
      :doubt="Math.min(0.6, within / 28)"
      :shown="warmthWord(reading.sort.temperature)"
      :ends="['cool', 'warm']"
    />
    <dl>
      <dt>Pattern</dt>
      <dd>{{ pattern_words }}</dd>
      <template v-if="!what">
        <dt>Surface</dt>
        <dd>{{ surfaceWords(photo) }}</dd>
      </template>
      <dt>Metal <kbd>J</kbd></dt>
      <dd>
        <div class="metals" role="group" aria-label="Metal">
          <NButton
            text
            v-for="one in METALS"
            :key="one"
            class="word"
            :aria-pressed="metal === one"
            @click="emit('say', { metal: one })"
          >
            {{ one }}
          </NButton>
        </div>
      </dd>
      <dt>Light</dt>
      <dd>
        {{ lightWords(photo) }} · within&nbsp;{{ within.toFixed(0) }}&nbsp;ΔE<span
          v-if="reading.light.note"
          class="note"
          >{{ reading.light.note }}</span
        >
      </dd>
    </dl>
    <NearPieces v-if="photo.state !== 'hung'" :photo="photo" />
  </div>
</template>

<style scoped>
.reading {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.swatches {
  display: flex;
  gap: 8px;
  list-style: none;
  margin: 0;
  padding: 0;
}
.swatches li {
  flex: 1 1 0;
  min-width: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  line-height: 1.3;
}
.swatches strong {
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
}
.what {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
}
.what.two {
  grid-template-columns: 150px 1fr;
}
.what label {
  display: grid;
  gap: 3px;
}
h3 {
  font:
    650 14px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 4px 0 0;
  display: flex;
  justify-content: space-between;
}
h3 .soft {
  font-weight: 400;
}
.short label {
  display: flex;
  align-items: center;
  gap: 6px;
}
.short label > :last-child {
  flex: 1;
}
.guesses {
  display: flex;
  gap: 6px;
}
.guesses .n-button {
  flex: 1 1 auto;
  padding: 0 5px;
}
.sure {
  font-weight: 400;
  font-variant-numeric: tabular-nums;
}
.bins {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  gap: 6px;
}
.bins button {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 2px;
  border: 1.2px solid var(--rule);
  border-radius: 6px;
  background: none;
  padding: 4px 2px 5px;
  line-height: 1.15;
  cursor: pointer;
  font-size: 13px;
}
.bins button:hover {
  background: var(--sheet);
}
.bins button[aria-pressed='true'] {
  background: var(--ink);
  color: var(--sheet);
  border-color: var(--ink);
  font-weight: 650;
}
.patterns {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
  font-size: 13px;
}
dl {
  display: grid;
  grid-template-columns: 66px 1fr;
  gap: 3px 8px;
  margin: 0;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
  font-weight: 650;
}
.metals {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  font-weight: 400;
}
.metals [aria-pressed='true'] {
  font-weight: 700;
  text-decoration: underline;
  text-underline-offset: 3px;
}
.note {
  display: block;
  font-weight: 400;
}
</style>
