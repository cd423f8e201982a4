<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { Client } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import { plural, signed } from '@/lib/words'
import { useLeanings } from '@/server/useRailPanels'

/** What this studio hangs otherwise than read, and the borders that were moved for it. */
const { client } = defineProps<{ client: Client }>()
const emit = defineEmits<{ school: [neutrals: 'broad' | 'strict'] }>()
const { leanings, problem, move, back } = useLeanings(() => client.id)
const how = (one: { warmth: number; limit: number }) =>
  [
    one.warmth && `temperature ${signed(one.warmth, 2)} round this colour`,
    one.limit && `${signed(Math.expm1(one.limit) * 100)} % chroma before it is a tone`,
  ]
    .filter(Boolean)
    .join(', ')
</script>

<template>
  <div class="borders">
    <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
    <p>
      Neutrals
      <NButton text class="word" :aria-pressed="client.neutrals === 'broad'" @click="emit('school', 'broad')">
        broad
      </NButton>
      <NButton text class="word" :aria-pressed="client.neutrals === 'strict'" @click="emit('school', 'strict')">
        strict
      </NButton>
      <span class="soft">{{
        client.neutrals === 'strict'
          ? 'greys, whites, blacks, beiges and browns only'
          : 'with navy, denim, olive, khaki and metal'
      }}</span>
    </p>
    <template v-if="leanings">
      <section v-if="leanings.kept.length">
        <h3>Borders you moved</h3>
        <ul>
          <li v-for="(one, number) in leanings.kept" :key="one.told">
            <PinkedSwatch :hex="one.hex" :width="26" :height="24" />
            <span
              >{{ one.told }} <span class="soft">· {{ how(one) }}, since {{ one.on }}</span></span
            >
            <NButton text class="word link" @click="back(number)">put it back</NButton>
          </li>
        </ul>
      </section>
      <section>
        <h3>What your words say</h3>
        <ul v-if="leanings.habits.length">
          <li v-for="habit in leanings.habits" :key="habit.family + habit.read + habit.said">
            <PinkedSwatch :hex="habit.hex" :width="26" :height="24" />
            <span>
              You hang {{ habit.name }} with the {{ habit.said }}s ({{ habit.labels.join(', ') }}); it is read as
              {{ habit.read }}.
              <span class="soft"
                >Moving the border: {{ how(habit) }}.
                <template v-if="habit.moves.length"
                  >It moves {{ plural(habit.moves.length, 'other piece') }}:
                  {{ habit.moves.map((one) => `${one.label} (${one.client}, to ${one.then})`).join(', ') }}.</template
                ><template v-else>It moves no other piece on any rail.</template
                ><template v-if="!habit.enough">
                  It is held small and does not reach all of them; those stay by your word.</template
                ></span
              >
            </span>
            <NButton @click="move(habit)">Move the border</NButton>
          </li>
        </ul>
        <p v-else class="soft">
          Nowhere do your words go against the reading. Hang a piece otherwise than read, and this says what it would
          mean for the others.
        </p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.borders {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
h3 {
  font-size: 16px;
  margin-bottom: 4px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
li {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto;
  gap: 12px;
  align-items: start;
}
.link {
  text-decoration: underline;
  white-space: nowrap;
}
</style>
