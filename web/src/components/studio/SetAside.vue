<script setup lang="ts">
import { NButton, NCheckbox, NSelect } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { Client, SetAside } from '@/api'
import { bytes, moment, plural } from '@/lib/words'

/** Files that the database does not know: nothing happens to them until the stylist says so. */
const { aside, clients } = defineProps<{ aside: SetAside[]; clients: Client[] }>()
const emit = defineEmits<{ take: [names: string[], clientId: string]; throwAway: [names: string[]] }>()
const chosen = ref<string[]>([])
const whose = ref<string | null>(null)
const sure = ref(false)
watch(
  () => aside,
  (now) => {
    chosen.value = chosen.value.filter((name) => now.some((one) => one.name === name))
    sure.value = false
  },
)
const named = computed(() => aside.filter((one) => chosen.value.includes(one.name)))
const takeable = computed(() => named.value.filter((one) => one.kind !== 'pictures'))
const owner = computed(() =>
  new Set(named.value.map((one) => one.client_id)).size === 1 ? (named.value[0]?.client_id ?? null) : null,
)
watch(owner, (id) => {
  if (id) whose.value = id
})
const options = computed(() => clients.map((one) => ({ label: one.name, value: one.id })))
const nameOf = (id: string | null) => clients.find((one) => one.id === id)?.name
const WORDS: Record<string, string> = {
  photo: 'photo',
  person: 'photo of a person',
  pictures: 'pictures of a photo that is not here',
}
const all = computed({
  get: () => chosen.value.length === aside.length,
  set: (on: boolean) => {
    chosen.value = on ? aside.map((one) => one.name) : []
  },
})
function turn(name: string, on: boolean) {
  chosen.value = on ? [...chosen.value, name] : chosen.value.filter((one) => one !== name)
  sure.value = false
}
</script>

<template>
  <section aria-labelledby="aside">
    <h2 id="aside">Set aside</h2>
    <p>
      {{ plural(aside.length, 'file') }} lay in the data folder and the database knows nothing of
      {{ aside.length === 1 ? 'it' : 'them' }}: it may be an older one, or the machine went off while
      {{ aside.length === 1 ? 'it' : 'they' }} came in. Nothing is deleted unless you say so.
    </p>
    <NCheckbox v-model:checked="all">all of them</NCheckbox>
    <ul>
      <li v-for="one in aside" :key="one.name">
        <NCheckbox
          :checked="chosen.includes(one.name)"
          :aria-label="`${WORDS[one.kind]}, ${moment(one.since)}`"
          @update:checked="(on: boolean) => turn(one.name, on)"
        >
          <span class="one">
            <img
              v-if="one.kind !== 'pictures'"
              :src="`/api/studio/aside/${one.name}/thumbnail.jpg`"
              alt=""
              loading="lazy"
            />
            <span v-else class="blank" />
            <span
              >{{ WORDS[one.kind] }}<br /><span class="soft"
                >{{ moment(one.since) }}, {{ bytes(one.bytes)
                }}{{ nameOf(one.client_id) ? `, of ${nameOf(one.client_id)}` : '' }}</span
              ></span
            >
          </span>
        </NCheckbox>
      </li>
    </ul>
    <p v-if="chosen.length" class="acts">
      <NSelect
        v-model:value="whose"
        class="whose"
        :options="options"
        placeholder="whose?"
        aria-label="Whose they are"
      />
      <NButton
        :disabled="!whose || !takeable.length"
        @click="
          emit(
            'take',
            takeable.map((one) => one.name),
            whose!,
          )
        "
        >Take {{ takeable.length }} in again</NButton
      >
      <NButton v-if="!sure" quaternary @click="sure = true">Delete {{ chosen.length }}</NButton>
      <span v-else class="acts" role="group" aria-label="Delete for good?">
        <span>They go for good.</span>
        <NButton type="primary" @click="emit('throwAway', chosen)">Delete {{ chosen.length }}</NButton>
        <NButton quaternary @click="sure = false">Keep</NButton>
      </span>
    </p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 10px;
  width: 100%;
  max-height: 320px;
  overflow: auto;
}
.one {
  display: flex;
  gap: 10px;
  align-items: center;
}
img,
.blank {
  width: 56px;
  height: 56px;
  object-fit: cover;
  background: var(--line);
  flex: none;
}
.whose {
  width: 220px;
}
</style>
