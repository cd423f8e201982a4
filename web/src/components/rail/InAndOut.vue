<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref, shallowRef } from 'vue'
import type { Import } from '@/api'
import ChooseFile from '@/components/fields/ChooseFile.vue'
import ProblemNote from '@/components/base/ProblemNote.vue'
import { plural } from '@/lib/words'
import { useRailImport } from '@/server/useRailPanels'

/** The rail leaves as open files and comes back; what an import would do is said before it does it. */
const { clientId } = defineProps<{ clientId: string }>()
const { problem, send } = useRailImport(() => clientId)
const plan = shallowRef<Import | null>(null)
const done = ref('')
const busy = ref(false)
let file: File | null = null

async function ask(apply: boolean) {
  const sent = file
  if (!sent) return
  busy.value = true
  const answer = await send(sent, apply)
  busy.value = false
  if (!answer) return
  plan.value = apply ? null : answer
  if (apply)
    done.value = `${plural(answer.added.length, 'piece')} came in, ${Object.keys(answer.changed).length} changed. Ctrl+Z takes it back.`
}
function choose([chosen]: File[]) {
  file = chosen ?? null
  done.value = ''
  plan.value = null
  void ask(false)
}
const nothing = (one: Import) => !one.added.length && !Object.keys(one.changed).length
</script>

<template>
  <div class="inout">
    <section>
      <h3>Take the rail out</h3>
      <p class="ways">
        <NButton tag="a" :href="`/api/clients/${clientId}/rail.json`" download>JSON</NButton>
        <NButton tag="a" :href="`/api/clients/${clientId}/rail.csv`" download>Table (CSV)</NButton>
        <NButton tag="a" :href="`/api/clients/${clientId}/rail.zip`" download>Archive with photos</NButton>
      </p>
      <p class="soft">JSON and the archive hold everything; the table leaves out photos and readings.</p>
    </section>
    <section>
      <h3>Take a rail in</h3>
      <ChooseFile accept=".json,.csv,.zip" label="Choose a file" @files="choose" />
      <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
      <p v-if="busy" role="status">Reading the file…</p>
      <div v-if="plan" class="plan">
        <p>
          <strong>{{ nothing(plan) ? 'Nothing would change' : 'This would' }}</strong>
          <template v-if="plan.added.length">
            hang {{ plural(plan.added.length, 'new piece')
            }}<template v-if="plan.photos"> with {{ plural(plan.photos, 'photo') }}</template
            >: {{ plan.added.slice(0, 6).join(', ') }}{{ plan.added.length > 6 ? ' and more' : '' }}.</template
          >
          <template v-if="Object.keys(plan.changed).length">
            Change {{ plural(Object.keys(plan.changed).length, 'piece') }}:
            {{
              Object.entries(plan.changed)
                .slice(0, 5)
                .map(([label, what]) => `${label} (${what.join(', ')})`)
                .join(', ')
            }}.</template
          >
          <template v-if="plan.same">
            {{ plural(plan.same, 'piece is', 'pieces are') }} here already, just so.</template
          >
          Pieces that are not in the file stay.
        </p>
        <p v-for="one in plan.dropped" :key="one">Not kept: {{ one }}.</p>
        <p class="ways">
          <NButton type="primary" v-if="!nothing(plan)" :disabled="busy" @click="ask(true)"> Take it in </NButton>
          <NButton @click="plan = null">Leave it</NButton>
        </p>
      </div>
      <p v-if="done" role="status">{{ done }}</p>
    </section>
  </div>
</template>

<style scoped>
.inout {
  display: grid;
  grid-template-columns: 1fr 1.4fr;
  gap: 24px;
}
h3 {
  font-size: 16px;
  margin-bottom: 6px;
}
section {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
}
.ways {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
.plan {
  display: grid;
  gap: 8px;
}
</style>
