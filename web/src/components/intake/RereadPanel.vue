<script setup lang="ts">
import { useTimeoutPoll } from '@vueuse/core'
import { computed, ref } from 'vue'
import { answered, api, type Rereading } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import { useTried } from '@/composables/useTried'
import { plural } from '@/lib/words'

/** Every photo read anew; what would change is shown before it does. */
const { clientId } = defineProps<{ clientId: string }>()
const emit = defineEmits<{ close: [] }>()
const state = ref<Rereading | null>(null)
const left = ref<string[]>([])
const taking = ref(false)
const { problem, tried } = useTried()
const path = computed(() => ({ params: { path: { client_id: clientId } } }))
const chosen = computed(() => (state.value?.changes ?? []).filter((one) => !left.value.includes(one.photo_id)))

async function look() {
  await tried(async () => {
    state.value = await answered(api.GET('/api/clients/{client_id}/rereading', path.value))
    if (state.value.waiting) return
    poll.pause()
    if (taking.value) emit('close')
  })
}
const poll = useTimeoutPoll(look, 400, { immediate: false })
void tried(async () => {
  state.value = await answered(api.POST('/api/clients/{client_id}/rereading', path.value))
  poll.resume()
})
const take = (photos: string[]) =>
  tried(async () => {
    state.value = await answered(
      api.POST('/api/clients/{client_id}/rereading/take', { ...path.value, body: { photos } }),
    )
    taking.value = true
    poll.resume()
  })
function turn(id: string) {
  left.value = left.value.includes(id) ? left.value.filter((one) => one !== id) : [...left.value, id]
}
</script>

<template>
  <section class="anew" aria-label="Read all again">
    <ProblemNote v-if="problem" :problem="problem" />
    <h2>Read all again</h2>
    <p v-if="state?.waiting" role="status">
      {{ plural(state.waiting, 'photo') }} still to be read. Nothing is changed yet.
    </p>
    <template v-else-if="state && !taking">
      <p v-if="!state.changes.length" role="status">Nothing would change.</p>
      <p v-else role="status">This is what would change. Your own words on a piece stay.</p>
      <ul v-if="state.changes.length">
        <li v-for="one in state.changes" :key="one.photo_id">
          <label>
            <input type="checkbox" :checked="!left.includes(one.photo_id)" @change="turn(one.photo_id)" />
            <img :src="one.picture" alt="" />
            <span class="name">{{ one.label }}</span>
            <PinkedSwatch :hex="one.before_hex" :width="54" :height="34" />
            <span aria-hidden="true">→</span>
            <PinkedSwatch :hex="one.after_hex" :width="54" :height="34" />
            <span class="soft"
              >{{ one.difference.toFixed(1) }} ΔE<template v-if="one.bin_before !== one.bin_after">
                · {{ one.bin_before }} → {{ one.bin_after }}</template
              ><template v-else-if="one.before !== one.after"> · {{ one.before }} → {{ one.after }}</template></span
            >
          </label>
        </li>
      </ul>
    </template>
    <div class="acts">
      <button
        v-if="state?.changes.length && !taking"
        class="button firm"
        type="button"
        @click="take(chosen.map((one) => one.photo_id))"
      >
        Take over {{ plural(chosen.length, 'reading') }}
      </button>
      <button
        class="button"
        type="button"
        @click="
          take([])
          emit('close')
        "
      >
        Leave all as they are
      </button>
    </div>
  </section>
</template>

<style scoped>
.anew {
  background: var(--paper);
  color: var(--ink);
  border-radius: 8px;
  padding: 20px 24px;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 10px;
  min-height: 0;
  max-height: 100%;
}
h2 {
  margin: 0;
}
p {
  margin: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  overflow: auto;
  display: grid;
  gap: 4px;
  width: 100%;
}
label {
  display: grid;
  grid-template-columns: 20px 40px minmax(90px, 1fr) 54px 16px 54px minmax(120px, 1.2fr);
  gap: 8px;
  align-items: center;
  padding: 3px 0;
  border-bottom: 1px solid var(--line);
  cursor: pointer;
}
img {
  width: 40px;
  height: 44px;
  object-fit: cover;
}
.name {
  font-weight: 650;
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
