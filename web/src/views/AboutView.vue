<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import type { About, Erased, Metal } from '@/api'
import ProblemNote from '@/components/base/ProblemNote.vue'
import { forgetClient } from '@/lib/forget'
import { METALS, plural } from '@/lib/words'
import { firstProblem } from '@/server/firstProblem'
import { useClient, useClientWords } from '@/server/useClient'
import { usePieces } from '@/server/useRail'

/** What is known about a client beside colours: consent, occasions, refusals, habits, what is always worn. */
const LENGTHS = ['cropped', 'waist', 'hip', 'knee', 'midi', 'ankle', 'floor'] as const
const PATTERNS = [
  'stripe',
  'check',
  'dot',
  'floral',
  'animal',
  'geometric',
  'abstract',
  'colour-block',
  'marl',
  'graphic',
  'gradient',
] as const
const MATERIALS = [
  'knit',
  'rib',
  'denim',
  'linen',
  'tweed',
  'suede',
  'leather',
  'satin',
  'lace',
  'velvet',
  'patent',
  'metallic',
  'silk',
  'corduroy',
  'fur',
  'sequin',
] as const
type Refusals = NonNullable<About['refuses']>

const { id, client, problem: clientProblem } = useClient()
const server = useClientWords(id)
const { pieces, problem: railProblem } = usePieces(id)
const problem = firstProblem(server.problem, railProblem)
const about = ref<About | null>(null)
const name = ref('')
const note = ref('')
const consent_for = ref('')
const asked = ref(false)
const erased = ref<{ name: string; gone: Erased } | null>(null)
const saved = ref('')
const toPlain = <T,>(value: T): T => JSON.parse(JSON.stringify(value)) as T

watch(
  client,
  (now) => {
    if (!now) return
    about.value = toPlain(now.about)
    name.value = now.name
    note.value = now.note
    consent_for.value = now.consent_for
  },
  { immediate: true },
)

const refuses = computed<Refusals>(() => about.value?.refuses ?? { sheer: false })
const worn = computed(() => pieces.value.filter((piece) => about.value?.always_on?.includes(piece.id)))
const rest = computed(() =>
  pieces.value.filter((piece) => piece.area <= 6 && !about.value?.always_on?.includes(piece.id)),
)

/** Everything is kept as it is changed. */
async function keep(change: Partial<About>) {
  if (!about.value) return
  about.value = { ...about.value, ...change }
  if (await server.about(about.value)) saved.value = 'Kept.'
}
const refuse = (change: Partial<Refusals>) => keep({ refuses: { ...refuses.value, ...change } })
function turn<T extends string>(list: readonly T[] | undefined, one: T): T[] {
  const now = list ?? []
  return now.includes(one) ? now.filter((other) => other !== one) : [...now, one]
}
const words = (text: string) =>
  text
    .split(',')
    .map((word) => word.trim())
    .filter(Boolean)
const field = (event: Event) => (event.target as HTMLInputElement).value
const number = (event: Event) => (field(event) === '' ? null : Number(field(event)))
const write = (change: { name?: string; note?: string }) => server.say(change)
const agree = (given: boolean) => server.agree(given, consent_for.value)
const archive = (archived: boolean) => server.archive(archived)
const lipstick = (index: number, value: number) => {
  const lab = [...(about.value?.lipstick ?? [45, 45, 15])]
  lab[index] = value
  void keep({ lipstick: lab })
}
async function erase() {
  const who = client.value
  const done = who && (await server.erase())
  if (!done) return
  forgetClient(who.id, done.photos)
  erased.value = { name: who.name, gone: done.gone }
}
const rows = computed(() => Object.entries(erased.value?.gone.rows ?? {}).filter(([, count]) => count))
const ROW_NAMES: Record<string, string> = {
  client: 'client',
  look: 'look',
  piece: 'piece',
  photo: 'photo',
  face: 'portrait or reading',
  trial: 'trial',
  side_by_side: 'comparison',
}
function alwaysOn(event: Event) {
  void keep({ always_on: [...(about.value?.always_on ?? []), field(event)] })
  if (event.target instanceof HTMLSelectElement) event.target.value = ''
}
</script>

<template>
  <section v-if="erased" class="erased" aria-labelledby="erased">
    <h1 id="erased">{{ erased.name }} is erased</h1>
    <p>
      {{ plural(erased.gone.files.length, 'file') }} went, and
      {{
        rows
          .map(([table, count]) =>
            plural(count, ROW_NAMES[table] ?? table, table === 'face' ? 'portraits or readings' : undefined),
          )
          .join(', ')
      }}.
    </p>
    <p v-if="erased.gone.left.length" role="alert">
      <strong>Still there:</strong> {{ erased.gone.left.join(', ') }}. Close what else uses the data folder, stop the
      application and remove these by hand; a database file is cleaned at the next start.
    </p>
    <p v-else>The data folder and the database file were searched afterwards, freed pages included: nothing is left.</p>
    <p v-if="erased.gone.backups_replaced">
      {{ plural(erased.gone.backups_replaced, 'backup') }} that held {{ erased.name }}
      {{ erased.gone.backups_replaced === 1 ? 'is' : 'are' }} gone; a fresh one stands in
      {{ erased.gone.backups_replaced === 1 ? 'its' : 'their' }} place.
    </p>
    <p v-if="erased.gone.backups_left.length" role="alert">
      <strong>Still in {{ erased.gone.backups_left.length === 1 ? 'this backup' : 'these backups' }}:</strong>
      {{ erased.gone.backups_left.join(', ') }}. Delete
      {{ erased.gone.backups_left.length === 1 ? 'it' : 'them' }} yourself, and any copy that you made; put back here,
      {{ erased.name }} would be erased again.
    </p>
    <details v-if="erased.gone.files.length">
      <summary>What went</summary>
      <ul>
        <li v-for="file in erased.gone.files" :key="file">{{ file }}</li>
      </ul>
    </details>
    <RouterLink class="button firm" :to="{ name: 'book' }">To the clients’ book</RouterLink>
  </section>
  <div v-else-if="client && about" class="about">
    <ProblemNote
      v-if="problem ?? clientProblem"
      :problem="(problem ?? clientProblem)!"
      closable
      @close="problem = null"
    />
    <div class="columns">
      <section aria-labelledby="who">
        <h1 id="who">{{ client.name }}</h1>
        <label
          >Name or initials <input :value="name" type="text" maxlength="120" @change="write({ name: field($event) })"
        /></label>
        <label
          >Notes <textarea :value="note" rows="2" maxlength="2000" @change="write({ note: field($event) })" />
        </label>
        <label
          >Dresses for
          <textarea
            :value="about.dresses_for"
            rows="2"
            maxlength="1000"
            @change="keep({ dresses_for: field($event) })"
          />
        </label>
        <h2>Consent to photos</h2>
        <p v-if="client.consent_withdrawn_on">
          Withdrawn on {{ client.consent_withdrawn_on }}: no new photo is taken in.
        </p>
        <p v-else>
          Given on {{ client.consent_on }}<template v-if="client.consent_for">, for: {{ client.consent_for }}</template>
        </p>
        <label>What for <input v-model="consent_for" type="text" maxlength="500" /></label>
        <p class="acts">
          <button class="button" type="button" @click="agree(true)">
            {{ client.consent_withdrawn_on ? 'Agreed again today' : 'Write it down for today' }}
          </button>
          <button v-if="!client.consent_withdrawn_on" class="button" type="button" @click="agree(false)">
            Withdrawn today
          </button>
        </p>
        <h2>Kept on this machine</h2>
        <p class="acts">
          <a class="button" :href="`/api/clients/${client.id}/archive.zip`">Take everything out (zip)</a>
          <button class="button" type="button" @click="archive(!client.archived)">
            {{ client.archived ? 'Back into the book' : 'Archive' }}
          </button>
          <button class="button" type="button" :aria-expanded="asked" @click="asked = !asked">Erase</button>
        </p>
        <p v-if="asked" class="acts" role="group" aria-label="Erase for good?">
          <span
            >Rail, looks, trials and every photo of {{ client.name }} go for good, out of the backups of the last days
            as well.</span
          >
          <button class="button firm" type="button" @click="erase">Erase {{ client.name }}</button>
          <button class="button" type="button" @click="asked = false">Keep</button>
        </p>
      </section>
      <section aria-labelledby="refuses">
        <h2 id="refuses">Will not wear</h2>
        <fieldset>
          <legend>Lengths</legend>
          <button
            v-for="one in LENGTHS"
            :key="one"
            class="word"
            type="button"
            :aria-pressed="refuses.lengths?.includes(one) ?? false"
            @click="refuse({ lengths: turn(refuses.lengths, one) })"
          >
            {{ one }}
          </button>
        </fieldset>
        <fieldset>
          <legend>Patterns</legend>
          <button
            v-for="one in PATTERNS"
            :key="one"
            class="word"
            type="button"
            :aria-pressed="refuses.patterns?.includes(one) ?? false"
            @click="refuse({ patterns: turn(refuses.patterns, one) })"
          >
            {{ one }}
          </button>
        </fieldset>
        <fieldset>
          <legend>Materials</legend>
          <button
            class="word"
            type="button"
            :aria-pressed="refuses.sheer ?? false"
            @click="refuse({ sheer: !refuses.sheer })"
          >
            sheer</button
          ><button
            v-for="one in MATERIALS"
            :key="one"
            class="word"
            type="button"
            :aria-pressed="refuses.materials?.includes(one) ?? false"
            @click="refuse({ materials: turn(refuses.materials, one) })"
          >
            {{ one }}
          </button>
        </fieldset>
        <fieldset>
          <legend>Metals</legend>
          <button
            v-for="one in METALS.filter((m): m is Exclude<Metal, 'none'> => m !== 'none')"
            :key="one"
            class="word"
            type="button"
            :aria-pressed="refuses.metals?.includes(one) ?? false"
            @click="refuse({ metals: turn(refuses.metals, one) })"
          >
            {{ one }}
          </button>
        </fieldset>
        <label class="short"
          >Highest heel, cm
          <input
            :value="refuses.heel ?? ''"
            type="number"
            min="0"
            max="20"
            step="0.5"
            @change="refuse({ heel: number($event) })"
        /></label>
        <label
          >Colours
          <input
            :value="refuses.colours?.join(', ')"
            type="text"
            placeholder="neon, beige"
            @change="refuse({ colours: words(field($event)) })"
        /></label>
        <label
          >What irritates the skin
          <input
            :value="about.allergies?.join(', ')"
            type="text"
            placeholder="nickel"
            @change="keep({ allergies: words(field($event)) })"
        /></label>
      </section>
      <section aria-labelledby="habits">
        <h2 id="habits">Habits</h2>
        <fieldset>
          <legend>Metal of every day</legend>
          <button
            v-for="one in METALS"
            :key="one"
            class="word"
            type="button"
            :aria-pressed="(about.metal ?? 'none') === one"
            @click="keep({ metal: one === 'none' ? null : one })"
          >
            {{ one }}
          </button>
        </fieldset>
        <label class="short"
          >Height in cm
          <input
            type="number"
            min="120"
            max="220"
            :value="about.height ?? ''"
            @change="keep({ height: field($event) ? number($event) : null })"
        /></label>
        <label class="tick"
          ><input type="checkbox" :checked="about.seated" @change="keep({ seated: !about.seated })" /> mostly seen
          seated</label
        >
        <label
          >Shoes all day
          <input :value="about.shoes" type="text" maxlength="200" @change="keep({ shoes: field($event) })"
        /></label>
        <fieldset>
          <legend>Always on, in every look</legend>
          <button
            v-for="piece in worn"
            :key="piece.id"
            class="word"
            type="button"
            aria-pressed="true"
            :aria-label="`${piece.label}: no longer always on`"
            @click="keep({ always_on: about.always_on?.filter((one) => one !== piece.id) })"
          >
            {{ piece.label }}
          </button>
          <select v-if="rest.length" aria-label="Add what is always on" @change="alwaysOn">
            <option value="">add glasses, a ring, a headscarf…</option>
            <option v-for="piece in rest" :key="piece.id" :value="piece.id">{{ piece.label }}</option>
          </select>
        </fieldset>
        <h2>At the face now</h2>
        <label class="tick"
          ><input type="checkbox" :checked="about.tan" @change="keep({ tan: !about.tan })" /> the skin is tanned</label
        >
        <label class="tick"
          ><input
            type="checkbox"
            :checked="!!about.dyed_hair"
            @change="keep({ dyed_hair: about.dyed_hair ? null : { on: null, root: null } })"
          />
          the hair is dyed</label
        >
        <label v-if="about.dyed_hair" class="short"
          >dyed on
          <input
            type="date"
            :value="about.dyed_hair.on ?? ''"
            @change="keep({ dyed_hair: { ...about.dyed_hair, on: field($event) || null } })"
        /></label>
        <label class="tick"
          ><input
            type="checkbox"
            :checked="!!about.lipstick"
            @change="keep({ lipstick: about.lipstick ? null : [45, 45, 15] })"
          />
          a lipstick is worn</label
        >
        <p v-if="about.lipstick" class="acts">
          <label v-for="(axis, index) in ['L*', 'a*', 'b*']" :key="axis" class="short"
            >{{ axis }}
            <input type="number" :value="about.lipstick[index]" @change="lipstick(index, Number(field($event)))"
          /></label>
        </p>
        <h2>School</h2>
        <p class="soft">
          Neutrals:
          {{
            client.neutrals === 'strict'
              ? 'greys, whites, blacks, beiges and browns alone'
              : 'navy, denim, olive, khaki and metal count as well'
          }}.
        </p>
        <button
          class="button"
          type="button"
          @click="server.say({ neutrals: client.neutrals === 'strict' ? 'broad' : 'strict' })"
        >
          Follow the {{ client.neutrals === 'strict' ? 'broad' : 'strict' }} school
        </button>
        <p role="status" class="soft">{{ saved }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.about {
  height: 100%;
  overflow: auto;
  padding: 18px 22px 40px;
}
.columns {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 16px;
  align-items: start;
  max-width: 1240px;
  margin: 0 auto;
}
@media (max-width: 1100px) {
  .columns {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
section {
  background: var(--paper);
  color: var(--ink);
  border: 1px solid var(--line);
  border-radius: 8px;
  padding: 16px 20px;
  display: grid;
  gap: 10px;
}
label {
  display: grid;
  gap: 3px;
  color: var(--soft);
}
.short {
  grid-template-columns: auto 110px;
  align-items: center;
  justify-content: start;
  gap: 8px;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  color: var(--ink);
}
input,
textarea,
select {
  font: inherit;
  color: var(--ink);
  background: var(--sheet);
  border: 1.2px solid var(--rule);
  border-radius: 6px;
  padding: 5px 9px;
  min-width: 0;
  resize: vertical;
}
input[type='checkbox'] {
  width: 18px;
  height: 18px;
  accent-color: var(--ink);
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
  align-items: baseline;
}
legend {
  color: var(--soft);
  padding: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.erased {
  max-width: 720px;
  margin: 40px auto;
  justify-items: start;
}
.erased ul {
  max-height: 200px;
  overflow: auto;
}
</style>
