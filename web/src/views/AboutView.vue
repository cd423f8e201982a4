<script setup lang="ts">
import { NButton, NCheckbox, NInput } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { About, Erased, Metal } from '@/api'
import FoldedAway from '@/components/base/FoldedAway.vue'
import LinkButton from '@/components/base/LinkButton.vue'
import ProportionWishes from '@/components/client/ProportionWishes.vue'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import DayField from '@/components/fields/DayField.vue'
import NumberField from '@/components/fields/NumberField.vue'
import TextField from '@/components/fields/TextField.vue'
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
const alwaysOn = (piece: string) => void keep({ always_on: [...(about.value?.always_on ?? []), piece] })
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
    <FoldedAway v-if="erased.gone.files.length" title="What went">
      <ul>
        <li v-for="file in erased.gone.files" :key="file">{{ file }}</li>
      </ul>
    </FoldedAway>
    <LinkButton firm :to="{ name: 'book' }">To the clients’ book</LinkButton>
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
        <label>Name or initials <TextField :value="name" :maxlength="120" @change="write({ name: $event })" /></label>
        <label>Notes <TextField :value="note" :rows="2" :maxlength="2000" @change="write({ note: $event })" /> </label>
        <label
          >Dresses for
          <TextField
            :value="about.dresses_for ?? ''"
            :rows="2"
            :maxlength="1000"
            @change="keep({ dresses_for: $event })"
          />
        </label>
        <h2>Consent to photos</h2>
        <p v-if="client.consent_withdrawn_on">
          Withdrawn on {{ client.consent_withdrawn_on }}: no new photo is taken in.
        </p>
        <p v-else>
          Given on {{ client.consent_on }}<template v-if="client.consent_for">, for: {{ client.consent_for }}</template>
        </p>
        <label>What for <NInput v-model:value="consent_for" :maxlength="500" /></label>
        <p class="acts">
          <NButton @click="agree(true)">
            {{ client.consent_withdrawn_on ? 'Agreed again today' : 'Write it down for today' }}
          </NButton>
          <NButton v-if="!client.consent_withdrawn_on" @click="agree(false)"> Withdrawn today </NButton>
        </p>
        <h2>Kept on this machine</h2>
        <p class="acts">
          <NButton tag="a" :href="`/api/clients/${client.id}/archive.zip`">Take everything out (zip)</NButton>
          <NButton @click="archive(!client.archived)">
            {{ client.archived ? 'Back into the book' : 'Archive' }}
          </NButton>
          <NButton :aria-expanded="asked" @click="asked = !asked">Erase</NButton>
        </p>
        <p v-if="asked" class="acts" role="group" aria-label="Erase for good?">
          <span
            >Rail, looks, trials and every photo of {{ client.name }} go for good, out of the backups of the last days
            as well.</span
          >
          <NButton type="primary" @click="erase">Erase {{ client.name }}</NButton>
          <NButton @click="asked = false">Keep</NButton>
        </p>
      </section>
      <section aria-labelledby="refuses">
        <h2 id="refuses">Will not wear</h2>
        <fieldset>
          <legend>Lengths</legend>
          <NButton
            text
            v-for="one in LENGTHS"
            :key="one"
            class="word"
            :aria-pressed="refuses.lengths?.includes(one) ?? false"
            @click="refuse({ lengths: turn(refuses.lengths, one) })"
          >
            {{ one }}
          </NButton>
        </fieldset>
        <fieldset>
          <legend>Patterns</legend>
          <NButton
            text
            v-for="one in PATTERNS"
            :key="one"
            class="word"
            :aria-pressed="refuses.patterns?.includes(one) ?? false"
            @click="refuse({ patterns: turn(refuses.patterns, one) })"
          >
            {{ one }}
          </NButton>
        </fieldset>
        <fieldset>
          <legend>Materials</legend>
          <NButton text class="word" :aria-pressed="refuses.sheer ?? false" @click="refuse({ sheer: !refuses.sheer })">
            sheer</NButton
          ><NButton
            text
            v-for="one in MATERIALS"
            :key="one"
            class="word"
            :aria-pressed="refuses.materials?.includes(one) ?? false"
            @click="refuse({ materials: turn(refuses.materials, one) })"
          >
            {{ one }}
          </NButton>
        </fieldset>
        <fieldset>
          <legend>Metals</legend>
          <NButton
            text
            v-for="one in METALS.filter((m): m is Exclude<Metal, 'none'> => m !== 'none')"
            :key="one"
            class="word"
            :aria-pressed="refuses.metals?.includes(one) ?? false"
            @click="refuse({ metals: turn(refuses.metals, one) })"
          >
            {{ one }}
          </NButton>
        </fieldset>
        <label class="short"
          >Highest heel, cm
          <NumberField :value="refuses.heel ?? null" :min="0" :max="20" :step="0.5" @change="refuse({ heel: $event })"
        /></label>
        <label
          >Colours
          <TextField
            :value="(refuses.colours ?? []).join(', ')"
            placeholder="neon, beige"
            label="Colours"
            @change="refuse({ colours: words($event) })"
        /></label>
        <label
          >What irritates the skin
          <TextField
            :value="(about.allergies ?? []).join(', ')"
            placeholder="nickel"
            label="What irritates the skin"
            @change="keep({ allergies: words($event) })"
        /></label>
        <h2>Proportion, as wished</h2>
        <ProportionWishes :wishes="about.wishes ?? {}" @wish="keep({ wishes: { ...about.wishes, ...$event } })" />
      </section>
      <section aria-labelledby="habits">
        <h2 id="habits">Habits</h2>
        <fieldset>
          <legend>Metal of every day</legend>
          <NButton
            text
            v-for="one in METALS"
            :key="one"
            class="word"
            :aria-pressed="(about.metal ?? 'none') === one"
            @click="keep({ metal: one === 'none' ? null : one })"
          >
            {{ one }}
          </NButton>
        </fieldset>
        <label class="short"
          >Height in cm
          <NumberField :value="about.height ?? null" :min="120" :max="220" :step="1" @change="keep({ height: $event })"
        /></label>
        <NCheckbox :checked="about.seated" @update:checked="keep({ seated: $event })">mostly seen seated</NCheckbox>
        <label
          >Shoes all day <TextField :value="about.shoes ?? ''" :maxlength="200" @change="keep({ shoes: $event })"
        /></label>
        <fieldset>
          <legend>Always on, in every look</legend>
          <NButton
            text
            v-for="piece in worn"
            :key="piece.id"
            class="word"
            aria-pressed="true"
            :aria-label="`${piece.label}: no longer always on`"
            @click="keep({ always_on: about.always_on?.filter((one) => one !== piece.id) })"
          >
            {{ piece.label }}
          </NButton>
          <ChoiceList
            v-if="rest.length"
            :value="null"
            :options="rest.map((piece) => ({ value: piece.id, label: piece.label }))"
            label="Add what is always on"
            placeholder="add glasses, a ring, a headscarf…"
            @change="alwaysOn"
          />
        </fieldset>
        <h2>At the face now</h2>
        <NCheckbox :checked="about.tan" @update:checked="keep({ tan: $event })">the skin is tanned</NCheckbox>
        <NCheckbox
          :checked="!!about.dyed_hair"
          @update:checked="keep({ dyed_hair: $event ? { on: null, root: null } : null })"
          >the hair is dyed</NCheckbox
        >
        <label v-if="about.dyed_hair" class="short"
          >dyed on
          <DayField
            :value="about.dyed_hair.on ?? null"
            @change="keep({ dyed_hair: { ...about.dyed_hair, on: $event } })"
        /></label>
        <NCheckbox :checked="!!about.lipstick" @update:checked="keep({ lipstick: $event ? [45, 45, 15] : null })"
          >a lipstick is worn</NCheckbox
        >
        <p v-if="about.lipstick" class="acts">
          <label v-for="(axis, index) in ['L*', 'a*', 'b*']" :key="axis" class="short"
            >{{ axis }}
            <NumberField
              :value="about.lipstick[index] ?? null"
              :min="index ? -150 : 0"
              :max="index ? 150 : 100"
              @change="lipstick(index, $event ?? 0)"
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
        <NButton @click="server.say({ neutrals: client.neutrals === 'strict' ? 'broad' : 'strict' })">
          Follow the {{ client.neutrals === 'strict' ? 'broad' : 'strict' }} school
        </NButton>
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
.short .number-field {
  width: 84px;
}
section > .n-button {
  justify-self: start;
}
</style>
