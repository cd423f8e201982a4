<script setup lang="ts">
import { NButton, NCheckbox, NInput } from 'naive-ui'
import { ref } from 'vue'
import type { Client } from '@/api'
import ProblemNote from '@/components/base/ProblemNote.vue'
import { useNewClient } from '@/server/useClients'

const emit = defineEmits<{ added: [client: Client] }>()
const name = ref('')
const consent = ref(false)
const purpose = ref('')
const { problem, add: write } = useNewClient()

async function add() {
  const client = await write(name.value, consent.value, purpose.value)
  if (client) emit('added', client)
}
</script>

<template>
  <form class="tile new" @submit.prevent="add">
    <h2>A new client</h2>
    <div class="line">
      <NInput
        v-model:value="name"
        class="name"
        placeholder="Name or initials"
        :maxlength="120"
        :input-props="{ 'aria-label': 'Name or initials' }"
      />
      <NCheckbox v-model:checked="consent">agreed today to photos, kept on this machine only</NCheckbox>
      <NInput
        v-model:value="purpose"
        class="purpose"
        placeholder="What for, in their words"
        :maxlength="500"
        :input-props="{ 'aria-label': 'What the photos are for' }"
      />
      <NButton attr-type="submit">Add to the book</NButton>
    </div>
    <ProblemNote v-if="problem" :problem="problem" closable @close="problem = null" />
  </form>
</template>

<style scoped>
.new {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px 18px;
}
.name {
  width: 230px;
}
.purpose {
  width: 230px;
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
}
</style>
