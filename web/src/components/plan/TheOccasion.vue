<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Client, Drawn, EventChange, Felt, KeptLook, OtherLooks, Piece, PlanEvent } from '@/api'
import FoldedAway from '@/components/base/FoldedAway.vue'
import BareFigure from '@/components/figure/BareFigure.vue'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import SpanField from '@/components/fields/SpanField.vue'
import TextField from '@/components/fields/TextField.vue'
import { spanWords } from '@/lib/making'
import { FELT, longDay } from '@/lib/plan'
import { plural } from '@/lib/words'

/** The occasion that is shown: what it asks, what hangs there and what stands against it, and what else would fit. */
const { event, client, rail, looks, others, otherDrawn, asking } = defineProps<{
  event: PlanEvent
  client: Client
  rail: Piece[]
  /** The client's kept looks. */
  looks: KeptLook[]
  others: OtherLooks | null
  otherDrawn: Drawn[]
  /** Whether it is being asked how the look felt. */
  asking: boolean
}>()
const emit = defineEmits<{
  change: [said: EventChange]
  takeOff: []
  ask: []
  wear: [felt: Felt | null]
  teach: [word: string, formality: { low: number; high: number }]
}>()
const byId = computed(() => new Map(rail.map((piece) => [piece.id, piece])))
const named = (ids: string[]) => ids.flatMap((id) => byId.value.get(id)?.label ?? []).join(', ')
const span = computed<[number, number]>(() => [event.formality.low, event.formality.high])
const told = computed(() => {
  const words = spanWords(span.value)
  if (event.said) return `${words}, as said`
  return event.told_by ? `${words}, because of ‘${event.told_by}’` : `${words}: no word of its name tells`
})
/** The word that is taught: the one that told, or the longest of the name. */
const word = computed(
  () =>
    event.told_by || (event.name.toLowerCase().match(/\p{L}{3,}/gu) ?? []).sort((a, b) => b.length - a.length)[0] || '',
)
const kept = computed(() => [
  { value: '', label: 'hang a kept look…' },
  ...looks.map((look) => ({ value: look.id, label: look.name })),
])
const hang = (id: string) => {
  const look = looks.find((one) => one.id === id)
  if (look) emit('change', { pieces: look.pieces, locked: true })
}
const stageWords = (stage: PlanEvent['stages'][number]) => {
  const on = stage.pieces.filter((id) => !event.pieces.includes(id))
  const off = event.pieces.filter((id) => !stage.pieces.includes(id))
  const said = [
    on.length ? `with the ${named(on).toLowerCase()}` : '',
    off.length ? `without the ${named(off).toLowerCase()}` : '',
  ]
  return [said.filter(Boolean).join(', ') || 'as it hangs', ...stage.amiss].join('; ')
}
const meet = (typed: string) =>
  emit('change', {
    people: typed
      .split(',')
      .map((one) => one.trim())
      .filter(Boolean),
  })
</script>

<template>
  <section class="occasion tile" aria-label="The occasion">
    <div class="asks">
      <h2>{{ event.name }}</h2>
      <p class="soft">{{ longDay(event.on) }}{{ event.begins ? `, ${event.begins.slice(0, 5)}` : '' }}</p>
      <p class="told">{{ told }}</p>
      <SpanField
        :value="span"
        :min="1"
        :max="5"
        :labels="['The least formal', 'The most formal']"
        @change="emit('change', { formality: { low: $event[0], high: $event[1] } })"
      />
      <p v-if="event.said" class="row">
        <NButton v-if="word" text class="word link" @click="emit('teach', word, event.formality)"
          >always for ‘{{ word }}’</NButton
        >
        <NButton text class="word link" @click="emit('change', { told_by_name: true })">as its name tells</NButton>
      </p>
      <p class="row" role="group" aria-label="When it is">
        <NButton
          v-for="one in ['', 'day', 'evening'] as const"
          :key="one"
          text
          class="word"
          :aria-pressed="event.time === one"
          @click="emit('change', { time: one })"
          >{{ one || 'any time' }}</NButton
        >
      </p>
      <FoldedAway title="People and name">
        <TextField
          small
          label="Who is there"
          placeholder="the same people see nothing twice"
          :value="event.people.join(', ')"
          :maxlength="400"
          @change="meet"
        />
        <TextField
          small
          label="What it is called"
          :value="event.name"
          :maxlength="120"
          @change="$event.trim() && emit('change', { name: $event })"
        />
        <NButton text class="word link" @click="emit('takeOff')">take the occasion off this day</NButton>
      </FoldedAway>
    </div>
    <div class="hangs">
      <p v-if="event.pieces.length" class="worn">{{ named(event.pieces) }}</p>
      <p v-else class="soft">No look hangs here yet.</p>
      <ul v-if="event.amiss.length" class="amiss" aria-label="What stands against it">
        <li v-for="one in event.amiss" :key="one">{{ one }}</li>
      </ul>
      <dl v-if="event.stages.length" class="stages" aria-label="Through the day">
        <template v-for="stage in event.stages" :key="stage.when">
          <dt>{{ stage.when }}</dt>
          <dd>{{ stageWords(stage) }}</dd>
        </template>
      </dl>
      <p class="row">
        <NButton
          v-if="event.pieces.length"
          text
          class="word"
          :aria-pressed="event.locked"
          @click="emit('change', { locked: !event.locked })"
          ><kbd>L</kbd> {{ event.locked ? 'locked' : 'lock' }}</NButton
        >
        <NButton
          v-if="event.pieces.length && !event.worn"
          text
          class="word"
          :aria-expanded="asking"
          @click="emit('ask')"
          ><kbd>W</kbd> worn</NButton
        >
        <span v-if="event.worn" class="soft"
          >in the log{{ event.felt ? `: ${FELT.find((one) => one.felt === event.felt)?.word}` : '' }}</span
        >
      </p>
      <p v-if="asking" class="row" role="group" aria-label="How it felt">
        <NButton v-for="one in FELT" :key="one.felt" text class="word" @click="emit('wear', one.felt)"
          ><kbd>{{ one.key }}</kbd> {{ one.word }}</NButton
        >
        <NButton text class="word" @click="emit('wear', null)"><kbd>0</kbd> not said</NButton>
      </p>
      <ChoiceList value="" :options="kept" label="A kept look to hang here" @change="hang" />
    </div>
    <div class="others" aria-label="What else fits" role="group">
      <p class="soft">
        {{
          others
            ? `${plural(others.fit, 'look fits', 'looks fit')} while the other days stay`
            : 'looking for what else fits…'
        }}
      </p>
      <ul>
        <li v-for="(one, place) in others?.looks ?? []" :key="one.pieces.join()">
          <button
            type="button"
            :aria-label="`${place + 1} ${one.overall.toFixed(0)}: hang ${named(one.pieces)}`"
            :data-tip="named(one.pieces)"
            @click="emit('change', { pieces: one.pieces })"
          >
            <BareFigure
              v-if="otherDrawn[place]"
              :figure="otherDrawn[place].figure"
              :client="client"
              :pieces="rail"
              :name="named(one.pieces)"
            />
            <span class="under"
              ><kbd>{{ place + 1 }}</kbd> <strong>{{ one.overall.toFixed(0) }}</strong></span
            >
          </button>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.occasion {
  display: grid;
  grid-template-columns: 200px minmax(150px, 0.9fr) minmax(0, 1.2fr);
  gap: 16px;
  min-height: 0;
  overflow: auto;
  font-size: 13px;
}
.told {
  margin: 6px 0 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
}
.row .word {
  padding-inline: 0;
}
.link {
  text-decoration: underline;
}
.worn {
  font-weight: 650;
}
.amiss {
  margin: 4px 0;
  padding-left: 16px;
}
.stages {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 10px;
  margin: 6px 0;
}
.stages dt {
  color: var(--soft);
}
.stages dd {
  margin: 0;
}
.others ul {
  list-style: none;
  display: flex;
  gap: 4px;
  margin: 4px 0 0;
  padding: 0;
}
.others li {
  flex: 1 1 0;
  max-width: 84px;
}
.others button {
  width: 100%;
  padding: 2px;
  background: var(--room);
  border: 1.5px solid transparent;
  cursor: pointer;
}
.others button:hover {
  border-color: var(--rule);
}
.others button :deep(.bare) {
  height: 118px;
}
.under {
  display: flex;
  justify-content: center;
  gap: 6px;
  align-items: center;
  padding: 2px 0;
}
.under strong {
  font:
    600 15px/1 'Petrona Variable',
    serif;
}
</style>
