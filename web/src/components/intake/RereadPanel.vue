<script setup lang="ts">
import { NButton, NCheckbox } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import { plural } from '@/lib/words'
import { useRereading } from '@/server/useIntake'

/** Photos read anew, all or those whose room tells another light; what would change is shown before it does. */
const { clientId, photos = null } = defineProps<{ clientId: string; photos?: string[] | null }>()
const emit = defineEmits<{ close: [] }>()
const left = ref<string[]>([])
const taking = ref(false)
const { state, problem, start, stop, take: takeOver, finished } = useRereading(() => clientId)
const chosen = computed(() => (state.value?.changes ?? []).filter((one) => !left.value.includes(one.photo_id)))
void start(photos)

const title = computed(() => (photos ? 'In the light of the room' : 'Read all again'))

async function take(wanted: string[]) {
  if (await takeOver(wanted)) taking.value = true
}
async function leave() {
  await takeOver([])
  emit('close')
}
watch(state, async (now) => {
  if (!taking.value || !now || now.waiting) return
  await finished()
  emit('close')
})
function turn(id: string) {
  left.value = left.value.includes(id) ? left.value.filter((one) => one !== id) : [...left.value, id]
}
</script>

<template>
  <section class="panel" :aria-label="title">
    <ProblemNote v-if="problem" :problem="problem" />
    <h2>{{ title }}</h2>
    <p v-if="state?.waiting" role="status">
      {{ plural(state.waiting, 'photo') }} still to be read. Nothing is changed yet.
    </p>
    <template v-else-if="state && !taking">
      <p v-if="!state.changes.length" role="status">Nothing would change.</p>
      <p v-else role="status">This is what would change. Your own words on a piece stay.</p>
      <ul v-if="state.changes.length">
        <li v-for="one in state.changes" :key="one.photo_id">
          <label>
            <NCheckbox
              :checked="!left.includes(one.photo_id)"
              :aria-label="one.label"
              @update:checked="turn(one.photo_id)"
            />
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
      <NButton type="primary" v-if="state?.changes.length && !taking" @click="take(chosen.map((one) => one.photo_id))">
        Take over {{ plural(chosen.length, 'reading') }}
      </NButton>
      <NButton v-if="state?.waiting && !taking" @click="stop()"> Stop, and show what was read </NButton>
      <NButton @click="leave()">Leave all as they are</NButton>
    </div>
  </section>
</template>

<style scoped>
.panel {
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
  text-align: left;
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
