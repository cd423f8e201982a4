<script setup lang="ts">
import { NButton, NInput, NProgress } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { Backups } from '@/api'
import FoldedAway from '@/components/base/FoldedAway.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import { bytes, moment, plural } from '@/lib/words'

/** Backups: the last one, those that are kept, one by hand, and how one is put back. */
const { kept, folder } = defineProps<{ kept: Backups; folder: string }>()
const emit = defineEmits<{ make: [passphrase: string | null]; stop: []; move: [place: string] }>()
const place = ref('')
const passphrase = ref('')
const moving = ref(false)
watch(
  () => kept.place,
  (now) => {
    place.value = now
  },
  { immediate: true },
)
const newest = computed(() => kept.backups[0] ?? null)
const running = computed(() => kept.by_hand?.running ?? false)
const done = computed(() => (kept.by_hand ? Math.round((100 * kept.by_hand.done) / Math.max(kept.by_hand.of, 1)) : 0))
function make() {
  emit('make', passphrase.value || null)
  passphrase.value = ''
}
function move() {
  emit('move', place.value)
  moving.value = false
}
</script>

<template>
  <section aria-labelledby="backups">
    <h2 id="backups">Backups</h2>
    <p v-if="newest">
      The last one was made {{ moment(newest.made_at) }}: {{ bytes(newest.bytes) }}, {{ plural(newest.files, 'file') }},
      read again and whole<template v-if="newest.missing"
        >; {{ plural(newest.missing, 'photo') }} that the database names {{ newest.missing === 1 ? 'was' : 'were' }} not
        there</template
      >.
    </p>
    <p v-else>None was made yet. One is made by itself every day from now on; the last seven are kept.</p>
    <p v-if="kept.problem" role="alert"><strong>The last one by itself was not made:</strong> {{ kept.problem }}</p>
    <p>
      They lie in <code>{{ kept.place }}</code><template v-if="kept.same_disk"
        >, on the disk of the photos themselves: another disk would survive this one.</template
      ><template v-else>, on another disk than the photos.</template>
    </p>
    <form v-if="moving" class="acts" @submit.prevent="move">
      <NInput
        v-model:value="place"
        class="path"
        :input-props="{ 'aria-label': 'Folder for backups', spellcheck: false }"
      />
      <NButton attr-type="submit">Keep them there</NButton>
      <NButton quaternary @click="moving = false">Leave it</NButton>
    </form>
    <div v-else class="acts">
      <NButton type="primary" :disabled="running" @click="make">Make one now</NButton>
      <NInput
        v-model:value="passphrase"
        class="pass"
        type="password"
        placeholder="passphrase, to seal it"
        show-password-on="click"
        :disabled="running"
        :input-props="{ 'aria-label': 'Passphrase to seal it with', autocomplete: 'off' }"
        @keydown.enter="make"
      />
      <NButton quaternary @click="moving = true">Keep them elsewhere</NButton>
    </div>
    <p v-if="passphrase" class="soft">Nobody can open a sealed backup without its passphrase, this program neither.</p>
    <div v-if="running" class="acts" role="status">
      <NProgress class="progress" type="line" :percentage="done" :show-indicator="false" />
      <span>{{ kept.by_hand?.done }} of {{ kept.by_hand?.of }} files</span>
      <NButton size="small" @click="emit('stop')">Stop</NButton>
    </div>
    <p v-else-if="kept.by_hand?.file" role="status">
      Made: <code>{{ kept.by_hand.file }}</code>
    </p>
    <ProblemNote v-if="kept.by_hand?.problem" :problem="kept.by_hand.problem" />
    <FoldedAway v-if="kept.backups.length" :title="plural(kept.backups.length, 'backup')">
      <ul>
        <li v-for="one in kept.backups" :key="one.name">
          <a :href="`/api/studio/backups/${one.name}`" download>{{ one.name }}</a>
          <span class="soft"
            >{{ moment(one.made_at) }}, {{ bytes(one.bytes) }}{{ one.by_itself ? ', by itself' : ', by hand'
            }}{{ one.sealed ? ', sealed' : '' }}</span
          >
        </li>
      </ul>
    </FoldedAway>
    <p class="soft">
      To put one back, stop the application (Ctrl+C where it was started) and type
      <code>lucid-swatch restore {{ newest ? `${kept.place}/${newest.name}` : 'FILE' }} --data {{ folder }}</code
      >. The backup is verified first, and what is here now is kept beside it.
    </p>
  </section>
</template>

<style scoped>
.path {
  width: 420px;
}
.pass {
  width: 240px;
}
.progress {
  width: 260px;
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  display: grid;
  gap: 4px;
}
li {
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
}
code {
  font: inherit;
  font-weight: 650;
  overflow-wrap: anywhere;
}
</style>
