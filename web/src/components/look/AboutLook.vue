<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { KeptLook, LookKept } from '@/api'
import FoldedAway from '@/components/base/FoldedAway.vue'
import ChooseFile from '@/components/fields/ChooseFile.vue'
import TextField from '@/components/fields/TextField.vue'
import { SEASONS } from '@/lib/words'

/** What a kept look is for and how it was found, what it varies, and what earlier versions of the rules said of it. */
const { look, looks } = defineProps<{ look: KeptLook; looks: KeptLook[] }>()
/** Only what changes is told: another change may be on its way. */
const emit = defineEmits<{ kept: [what: LookKept]; open: [look: KeptLook]; photo: [file: File | null] }>()
const change = (what: LookKept) => emit('kept', what)
const text = (name: 'occasion' | 'note', value: string) => change({ [name]: value.trim() })
const rate = (name: 'stylist_rating' | 'client_rating', value: number) =>
  change({ [name]: look.kept[name] === value ? null : value })
const season = (one: (typeof SEASONS)[number]) => {
  const now = look.kept.seasons ?? []
  change({
    seasons: now.includes(one)
      ? now.filter((other) => other !== one)
      : SEASONS.filter((other) => other === one || now.includes(other)),
  })
}
const parent = computed(() => looks.find((one) => one.id === look.kept.parent))
const variations = computed(() => looks.filter((one) => one.kept.parent === look.id))
const earlier = computed(() => look.verdicts.slice(0, -1))
</script>

<template>
  <FoldedAway class="about" :title="look.kept.occasion ? `About this look · ${look.kept.occasion}` : 'About this look'">
    <label
      >occasion
      <TextField
        small
        :value="look.kept.occasion ?? ''"
        :maxlength="120"
        placeholder="opening night"
        label="occasion"
        @change="text('occasion', $event)"
    /></label>
    <p class="row" role="group" aria-label="Time of day and season">
      <NButton
        text
        v-for="one in ['day', 'evening'] as const"
        :key="one"
        class="word"
        :aria-pressed="look.kept.time === one"
        @click="change({ time: look.kept.time === one ? '' : one })"
      >
        {{ one }}
      </NButton>
      <NButton
        text
        v-for="one in SEASONS"
        :key="one"
        class="word"
        :aria-pressed="look.kept.seasons?.includes(one) ?? false"
        @click="season(one)"
      >
        {{ one }}
      </NButton>
    </p>
    <p
      v-for="who in [
        { name: 'stylist_rating', word: 'you' },
        { name: 'client_rating', word: 'the client' },
      ] as const"
      :key="who.name"
      class="row"
      role="group"
      :aria-label="`Rating by ${who.word}`"
    >
      <span class="soft">{{ who.word }}</span>
      <NButton
        text
        v-for="value in 5"
        :key="value"
        class="word"
        :aria-pressed="look.kept[who.name] === value"
        :aria-label="`${value} of 5 by ${who.word}`"
        @click="rate(who.name, value)"
      >
        {{ value }}
      </NButton>
    </p>
    <label
      >notes <TextField small :rows="2" :value="look.kept.note ?? ''" :maxlength="2000" @change="text('note', $event)"
    /></label>
    <div class="worn">
      <img
        v-if="look.kept.photo"
        :src="`/api/looks/${look.id}/photo.jpg?turn=${look.kept.photo.number}`"
        :alt="`${look.name} as it was worn`"
      />
      <p v-if="look.kept.photo && !look.kept.photo.feet" role="status">
        The shoes are not in the picture: take another one from further away, down to the floor.
      </p>
      <p class="row">
        <ChooseFile
          accept="image/*"
          word
          label="Photo of the look as it is worn"
          @files="([one]) => one && emit('photo', one)"
          >{{ look.kept.photo ? 'another photo of it worn' : 'add a photo of it worn' }}</ChooseFile
        >
        <NButton text v-if="look.kept.photo" class="word link" @click="emit('photo', null)">
          take the photo away
        </NButton>
      </p>
    </div>
    <p v-if="parent">
      varies <NButton text class="word link" @click="emit('open', parent)">{{ parent.name }}</NButton>
    </p>
    <p v-if="variations.length">
      varied by
      <template v-for="(one, index) in variations" :key="one.id"
        ><template v-if="index">, </template
        ><NButton text class="word link" @click="emit('open', one)">{{ one.name }}</NButton></template
      >
    </p>
    <p v-for="one in earlier" :key="one.weights" class="soft">
      {{ one.overall.toFixed(0) }} on {{ one.on }}, by the rules of {{ one.weights }}
    </p>
  </FoldedAway>
</template>

<style scoped>
.about {
  font-size: 13px;
  margin-top: 8px;
}
label {
  display: grid;
  grid-template-columns: 62px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  color: var(--soft);
  margin-top: 4px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  align-items: baseline;
}
.worn img {
  display: block;
  max-width: 100%;
  max-height: 260px;
  margin-top: 6px;
}
.link {
  text-decoration: underline;
  padding: 0;
}
</style>
