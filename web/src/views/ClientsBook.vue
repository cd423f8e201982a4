<script setup lang="ts">
import { useRouter } from 'vue-router'
import type { Client } from '@/api'
import ProblemNote from '@/components/base/ProblemNote.vue'
import ClientCard from '@/components/client/ClientCard.vue'
import NewClient from '@/components/client/NewClient.vue'
import { useClients } from '@/server/useClients'

const router = useRouter()
const { answer: clients, problem } = useClients()
const open = (client: Client) => router.push({ name: 'intake', params: { client: client.id } })
</script>

<template>
  <section class="book">
    <div class="title">
      <h1>Clients’ book</h1>
      <p class="soft">Each rail beside its face, as one bolt of cloth</p>
    </div>
    <ProblemNote v-if="problem" :problem="problem" />
    <p v-if="clients?.length === 0" class="soft">The book is empty. Write in the first client below.</p>
    <ClientCard v-for="client in clients ?? []" :key="client.id" :client="client" />
    <NewClient v-if="clients" @added="open" />
  </section>
</template>

<style scoped>
.book {
  height: 100%;
  overflow: auto;
  padding: 22px 24px 40px;
  display: flex;
  flex-direction: column;
  gap: 16px;
  max-width: 1180px;
  margin: 0 auto;
}
.title {
  display: flex;
  align-items: baseline;
  gap: 14px;
}
</style>
