<script setup lang="ts">
import { NButton } from 'naive-ui'
import FoldedAway from '@/components/base/FoldedAway.vue'
import { computed, ref, watch } from 'vue'
import type { Judged, Schools } from '@/api'
import { differing, moved } from '@/lib/differ'
import { capital, signed } from '@/lib/words'

/** Where practitioners disagree: which school this look is judged by, and what another one made of it. */
/** own: the school of this look, where it has one; what was chosen holds before the verdict on it has come. */
const { judged, own, client, look } = defineProps<{
  judged: Judged
  own: Schools | null
  client: string
  /** What is judged, whatever the school. */ look: string
}>()
const emit = defineEmits<{ school: [schools: Schools | null]; forAll: [schools: Schools]; point: [pieces: string[]] }>()
type Question = keyof Schools
const QUESTIONS: { key: Question; asks: string; says: Record<string, string> }[] = [
  {
    key: 'statement',
    asks: 'round a busy piece',
    says: { 'pick-up': 'pick one or two of its colours up', mute: 'mute all others' },
  },
  { key: 'metals', asks: 'metals', says: { match: 'match', mix: 'mix on purpose' } },
  {
    key: 'neutrals',
    asks: 'a neutral is',
    says: { broad: 'also navy, denim, olive', strict: 'grey, white, black, beige, brown' },
  },
  { key: 'prints', asks: 'prints together', says: { mix: 'when they share a colour', one: 'one a look' } },
  { key: 'black-with-denim', asks: 'black shoes with denim', says: { allow: 'yes', avoid: 'no' } },
  { key: 'whites', asks: 'whites together', says: { different: 'different ones', one: 'one white' } },
  { key: 'shoes-and-bag', asks: 'shoes and bag', says: { related: 'related', pair: 'a matched pair' } },
  { key: 'black-in-summer', asks: 'black on hot days', says: { allow: 'yes', avoid: 'no' } },
]
const now = computed(() => own ?? judged.conventions)
/** The verdict before the last change of school, to say what it did. */
const before = ref<Judged | null>(null)
const changed = ref('')
watch(
  () => judged.measures,
  () => {
    if (before.value && JSON.stringify(before.value.conventions) === JSON.stringify(judged.conventions))
      before.value = null
  },
)
/** What a change of school did can be told of one look only, and only once its verdict has come. */
watch(
  () => look,
  () => (before.value = null),
)
const settled = computed(() => JSON.stringify(judged.conventions) === JSON.stringify(now.value))
const told = computed(() =>
  before.value
    ? differing(before.value, judged).flatMap((one) =>
        one.reasons.map((reason) => ({ ...reason, measure: one.measure })),
      )
    : [],
)
function choose(key: Question, value: string) {
  before.value = judged
  changed.value = `${QUESTIONS.find((one) => one.key === key)?.asks}: ${QUESTIONS.find((one) => one.key === key)?.says[value]}`
  emit('school', { ...now.value, [key]: value } as Schools)
}
const summary = computed(
  () => `${now.value.statement === 'mute' ? 'mute the rest' : 'pick up, at most two'}${own ? ', for this look' : ''}`,
)
</script>

<template>
  <FoldedAway class="school" :title="`By the school: ${summary}`">
    <div v-for="one in QUESTIONS" :key="one.key" class="row" role="group" :aria-label="one.asks">
      <span class="soft">{{ one.asks }}</span>
      <span
        ><NButton
          text
          v-for="(says, value) in one.says"
          :key="value"
          class="word"
          :aria-pressed="now[one.key] === value"
          @click="choose(one.key, String(value))"
        >
          {{ says }}
        </NButton></span
      >
    </div>
    <p v-if="own" class="acts">
      <NButton text class="word link" @click="emit('forAll', now)">for every look of {{ client }}</NButton>
      <NButton text class="word link" @click="emit('school', null)">as {{ client }} usually</NButton>
    </p>
    <div v-if="before && settled" class="told" role="status">
      <p>
        <strong>{{ capital(changed) }}</strong>: {{ moved(before, judged) }}.
      </p>
      <ol>
        <li
          v-for="reason in told"
          :key="reason.measure + reason.text"
          @mouseenter="emit('point', reason.pieces)"
          @mouseleave="emit('point', [])"
        >
          <strong>{{ signed(reason.by, 1) }}</strong><span
            >{{ reason.text }} <span class="soft">({{ reason.measure }})</span></span
          >
        </li>
      </ol>
      <p v-if="!told.length" class="soft">Nothing in this look turns on it.</p>
    </div>
  </FoldedAway>
</template>

<style scoped>
.school {
  font-size: 13px;
  margin-top: 8px;
}
.row {
  display: grid;
  grid-template-columns: 108px 1fr;
  gap: 8px;
  align-items: baseline;
  line-height: 1.25;
  padding: 2px 0;
}
.row .word {
  padding: 0 8px 0 0;
  text-align: left;
  font-size: 13px;
}
.acts {
  display: flex;
  gap: 14px;
}
.link {
  text-decoration: underline;
  padding: 0;
}
.told {
  border-top: 1px solid var(--line);
  margin-top: 4px;
  padding-top: 4px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 44px 1fr;
  gap: 6px;
  line-height: 1.3;
  padding: 1px 0;
}
li strong {
  text-align: right;
}
</style>
