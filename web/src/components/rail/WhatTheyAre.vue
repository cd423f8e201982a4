<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { AskedBy, Kept, Piece, Question, Word } from '@/api'
import ProblemNote from '@/components/base/ProblemNote.vue'
import { useKeys } from '@/composables/useKeys'
import { percent, plural } from '@/lib/words'
import { useWalk } from '@/server/useWhat'
import ManyWords from './ManyWords.vue'

/** Goes through the pieces of which something is not known, what would change most looks first; says one word of many. */
const { clientId, byId, chosen } = defineProps<{ clientId: string; byId: Map<string, Piece>; chosen: string[] }>()
const emit = defineEmits<{
  show: [id: string]
  word: [ids: string[], word: Word]
  kept: [ids: string[], kept: Kept]
}>()
const WAYS: { by: AskedBy | null; word: string }[] = [
  { by: null, word: 'what matters most' },
  { by: 'finish', word: 'cloth' },
  { by: 'length', word: 'length' },
  { by: 'volume', word: 'fullness' },
  { by: 'formality', word: 'formality' },
  { by: 'warmth', word: 'warmth' },
  { by: 'statement', word: 'statement' },
  { by: 'fit', word: 'fit' },
]
const ASKED: Record<AskedBy, string> = {
  finish: 'What cloth is it?',
  length: 'Where does it end?',
  volume: 'How far does it stand off?',
  formality: 'How formal is it?',
  warmth: 'How warm is it?',
  statement: 'How loud is it?',
  fit: 'Does it fit?',
}
const by = ref<AskedBy | null>(null)
const { problem, ask } = useWalk()
const questions = ref<Question[] | null>(null)
const at = ref(0)
const answered = ref(0)
async function begin() {
  questions.value = null
  const meant = by.value
  const found = await ask(clientId, meant)
  if (meant !== by.value) return
  questions.value = found ?? []
  at.value = answered.value = 0
}
watch(by, begin, { immediate: true })
const question = computed(() => questions.value?.[at.value] ?? null)
const piece = computed(() => byId.get(question.value?.piece ?? '') ?? null)
watch(piece, (now) => now && !chosen.length && emit('show', now.id))

function say(option: Question['options'][number]) {
  const one = question.value
  if (!one) return
  if (one.by === 'fit') emit('kept', [one.piece], { fits: option.value as boolean })
  else if (one.by === 'finish') emit('word', [one.piece], { finish: [option.value] } as Word)
  else emit('word', [one.piece], { [one.by]: option.value } as Word)
  answered.value += 1
  at.value += 1
}
useKeys(() =>
  chosen.length || !question.value
    ? {}
    : {
        ...Object.fromEntries(question.value.options.map((option, i) => [String(i + 1), () => say(option)])),
        x: () => (at.value += 1),
      },
)
const hangs = (one: Question) =>
  one.looks > 0
    ? `${percent(one.looks)} of the base looks hang on it${one.points >= 0.1 && one.by !== 'fit' ? `, by ${one.points.toFixed(1)} points` : ''}`
    : 'no base look hangs on it'
</script>

<template>
  <ManyWords
    v-if="chosen.length"
    :pieces="chosen.flatMap((one) => byId.get(one) ?? [])"
    @word="emit('word', chosen, $event)"
    @kept="emit('kept', chosen, $event)"
  />
  <div v-else class="walk">
    <p class="ways" role="group" aria-label="Go through by">
      <span class="soft">go through by</span>
      <NButton v-for="way in WAYS" :key="way.word" text class="word" :aria-pressed="by === way.by" @click="by = way.by">
        {{ way.word }}
      </NButton>
    </p>
    <ProblemNote v-if="problem" :problem="problem" />
    <div v-if="question && piece" class="asked">
      <img v-if="piece.cloth" class="cloth" :src="piece.cloth" alt="" />
      <div class="told">
        <h3>{{ piece.label }}</h3>
        <p class="soft">{{ plural((questions?.length ?? 0) - at, 'question') }} open · {{ hangs(question) }}</p>
        <p class="question">
          <strong>{{ ASKED[question.by] }}</strong> <span class="soft">{{ question.because }}</span>
        </p>
        <div class="options" role="group" :aria-label="ASKED[question.by]">
          <NButton v-for="(option, index) in question.options" :key="option.word" @click="say(option)">
            <kbd>{{ index + 1 }}</kbd> {{ option.word }}
          </NButton>
          <NButton quaternary @click="at += 1">Later <kbd>X</kbd></NButton>
        </div>
      </div>
    </div>
    <p v-else-if="questions === null" role="status" class="soft">Looking at what is not known…</p>
    <p v-else role="status">
      {{
        answered
          ? `${plural(answered, 'answer')} given, nothing more is open here.`
          : 'Nothing is open here: all of it is said, or seen surely.'
      }}
      <NButton v-if="at" text class="word link" @click="begin">look again</NButton>
    </p>
  </div>
</template>

<style scoped>
.walk {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 12px;
}
.asked {
  display: flex;
  gap: 18px;
}
.cloth {
  width: 150px;
  height: 190px;
  object-fit: cover;
  flex: none;
  border: 1px solid var(--line);
}
.told {
  display: flex;
  flex-direction: column;
  gap: 7px;
}
.options {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.link {
  text-decoration: underline;
}
</style>
