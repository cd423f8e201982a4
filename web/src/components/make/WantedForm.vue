<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Intent, Piece, Wall, WallBody } from '@/api'
import FoldedAway from '@/components/base/FoldedAway.vue'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import NumberField from '@/components/fields/NumberField.vue'
import SlideField from '@/components/fields/SlideField.vue'
import SpanField from '@/components/fields/SpanField.vue'
import TheTheme from '@/components/look/TheTheme.vue'
import { spanWords, WARMTH } from '@/lib/making'

/** What is asked: from which pieces, how many, for what. */
const { body, rail, wall } = defineProps<{ body: WallBody; rail: Piece[]; wall: Wall | null }>()
const emit = defineEmits<{ change: [next: Partial<WallBody>] }>()
const SHARES = [
  { share: 'one', word: 'one of them' },
  { share: 'all', word: 'all' },
  { share: 'even', word: 'each its share' },
] as const
const INTENTS: (Intent | null)[] = [null, 'tonal', 'contrast', 'accent', 'statement']
const start = computed(() => (body.start ?? []).flatMap((id) => rail.find((piece) => piece.id === id) ?? []))
const choices = computed(() => [
  { value: '', label: start.value.length ? 'another piece' : 'any piece' },
  ...rail.filter((p) => !body.start?.includes(p.id)).map((piece) => ({ value: piece.id, label: piece.label })),
])
const add = (id: string) => id && emit('change', { start: [...(body.start ?? []), id], spread: false })
const out = (id: string) => emit('change', { start: body.start?.filter((one) => one !== id) ?? [], spread: false })
const span = computed<[number, number]>(() => (body.formality ? [body.formality.low, body.formality.high] : [1, 5]))
const left = computed(() =>
  Object.entries(wall?.left_out ?? {}).flatMap(([id, why]) => {
    const piece = rail.find((one) => one.id === id)
    return piece ? [`${piece.label}: ${why}`] : []
  }),
)
</script>

<template>
  <div class="wanted">
    <h3>Starting from</h3>
    <ul v-if="start.length" class="start" aria-label="Pieces that the looks start from">
      <li v-for="piece in start" :key="piece.id">
        <PinkedSwatch :hex="piece.colours[0]?.hex ?? ''" :picture="piece.cloth" :width="56" :height="60" />
        <NButton text class="word" :aria-label="`Not from the ${piece.label}`" @click="out(piece.id)">
          {{ piece.label }}
        </NButton>
      </li>
    </ul>
    <ChoiceList value="" :options="choices" label="A piece to start from" @change="add" />
    <p v-if="start.length > 1" class="row" role="group" aria-label="How they are shared">
      <NButton
        v-for="one in SHARES"
        :key="one.share"
        text
        class="word"
        :aria-pressed="body.share === one.share"
        @click="emit('change', { share: one.share })"
      >
        {{ one.word }}
      </NButton>
    </p>
    <p v-if="start.length === 1" class="row">
      <NButton text class="word" :aria-pressed="!!body.spread" @click="emit('change', { spread: !body.spread })">
        over every occasion
      </NButton>
    </p>
    <h3>How many</h3>
    <p class="many">
      <NumberField
        class="number"
        :value="body.number"
        :min="1"
        :max="500"
        :step="1"
        :input-props="{ 'aria-label': 'How many looks' }"
        @change="$event && emit('change', { number: Math.round($event) })"
      />
      <span v-if="wall && wall.base_looks" class="soft">of {{ wall.base_looks.toLocaleString('en-GB') }} tried</span>
    </p>
    <h3>For what</h3>
    <template v-if="!body.spread">
      <p class="said">
        {{ body.formality ? spanWords(span) : 'any occasion' }}
        <NButton v-if="body.formality" text class="word" @click="emit('change', { formality: null })">any</NButton>
      </p>
      <SpanField
        :class="{ any: !body.formality }"
        :value="span"
        :min="1"
        :max="5"
        :labels="['The least formal', 'The most formal']"
        @change="emit('change', { formality: { low: $event[0], high: $event[1] } })"
      />
    </template>
    <p class="said">
      {{ body.warmth == null ? 'any weather' : WARMTH[Math.round(body.warmth)] }}
      <NButton v-if="body.warmth != null" text class="word" @click="emit('change', { warmth: null })">any</NButton>
      <NButton text class="word" :aria-pressed="!!body.wet" @click="emit('change', { wet: !body.wet })">wet</NButton>
    </p>
    <SlideField
      class="warmth"
      :class="{ any: body.warmth == null }"
      :value="body.warmth ?? 2"
      :max="4"
      label="How cold it is"
      @change="emit('change', { warmth: $event })"
    />
    <p class="row" role="group" aria-label="When it is">
      <NButton
        v-for="one in ['', 'day', 'evening'] as const"
        :key="one"
        text
        class="word"
        :aria-pressed="(body.time ?? '') === one"
        @click="emit('change', { time: one })"
      >
        {{ one || 'any time' }}
      </NButton>
    </p>
    <p class="row" role="group" aria-label="What they go for">
      <NButton
        v-for="one in INTENTS"
        :key="one ?? 'any'"
        text
        class="word"
        :aria-pressed="(body.intent ?? null) === one"
        @click="emit('change', { intent: one })"
      >
        {{ one ?? 'any intent' }}
      </NButton>
    </p>
    <p class="row" role="group" aria-label="The log">
      <NButton text class="word" :aria-pressed="!!body.by_log" @click="emit('change', { by_log: !body.by_log })">
        by the log
      </NButton>
      <span class="soft">{{
        body.by_log
          ? 'what is loved comes, what felt off does not, what hangs untouched is tried'
          : 'the log does not weigh'
      }}</span>
    </p>
    <TheTheme :theme="body.theme ?? null" :carried="null" :rail="rail" @theme="emit('change', { theme: $event })" />
    <FoldedAway v-if="left.length" :title="`Left out · ${left.length}`">
      <ul class="left">
        <li v-for="one in left" :key="one">{{ one }}</li>
      </ul>
    </FoldedAway>
  </div>
</template>

<style scoped>
h3 {
  font:
    650 13.5px/1.2 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  margin: 10px 0 4px;
}
.start {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 0;
  margin: 0 0 6px;
}
.start li {
  width: 60px;
}
.start .word {
  font-size: 12px;
  line-height: 1.2;
  padding: 2px 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 10px;
}
.row .word {
  padding-inline: 0;
}
.many {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 13px;
}
.number {
  width: 84px;
}
.said {
  display: flex;
  gap: 10px;
  align-items: baseline;
  font-size: 13px;
}
.said .word {
  padding: 0;
}
.warmth {
  display: block;
  padding: 0 8px;
}
.any {
  opacity: 0.45;
}
.left {
  padding-left: 16px;
  margin: 4px 0;
  font-size: 12.5px;
}
</style>
