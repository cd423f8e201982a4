<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import ProblemNote from '@/components/base/ProblemNote.vue'
import TabRow from '@/components/base/TabRow.vue'
import CapsulePart from '@/components/plan/CapsulePart.vue'
import DaysPart from '@/components/plan/DaysPart.vue'
import WornPart from '@/components/plan/WornPart.vue'
import { firstProblem } from '@/server/firstProblem'
import { useClient } from '@/server/useClient'
import { useKeptLooks } from '@/server/useKeptLooks'
import { usePieces } from '@/server/useRail'

/** Looks become days: what is worn when, from how few pieces, and what was really worn. */
const PARTS = [
  { name: 'days', word: 'days' },
  { name: 'worn', word: 'worn' },
  { name: 'capsule', word: 'capsule' },
] as const
type Part = (typeof PARTS)[number]['name']
const route = useRoute()
const router = useRouter()
const { id, client, problem: clientProblem } = useClient()
const { pieces: rail, loaded, problem: railProblem } = usePieces(id)
const { looks, problem: lookProblem } = useKeptLooks(id)
const problem = firstProblem(clientProblem, railProblem, lookProblem)
const part = computed<Part>(() => (route.params.part as Part) || 'days')
const thing = computed(() => String(route.params.id ?? ''))
const show = (name: Part) => router.push({ name: 'plan', params: { client: id.value, part: name, id: '' } })
</script>

<template>
  <section class="plan">
    <div class="title">
      <h1>Plan</h1>
      <TabRow :tabs="[...PARTS]" :shown="part" label="What is planned" @show="show" />
    </div>
    <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
    <template v-if="client && loaded">
      <DaysPart
        v-if="part === 'days'"
        :key="id"
        :client-id="id"
        :plan-id="thing"
        :client="client"
        :rail="rail"
        :looks="looks"
      />
      <WornPart v-else-if="part === 'worn'" :key="id" :client-id="id" :rail="rail" :looks="looks" />
      <CapsulePart v-else :key="id" :client-id="id" :capsule-id="thing" :rail="rail" />
    </template>
  </section>
</template>

<style scoped>
.plan {
  height: 100%;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.title {
  display: flex;
  align-items: baseline;
  gap: 20px;
  padding: 8px 20px 0;
}
</style>
