<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { answered, api, asProblem, type BookEntry, type Client, type Problem } from '@/api'
import ProblemNote from '@/components/base/ProblemNote.vue'
import ClientCard from '@/components/client/ClientCard.vue'
import NewClient from '@/components/client/NewClient.vue'

const router = useRouter()
const clients = ref<BookEntry[] | null>(null)
const problem = ref<Problem | null>(null)

onMounted(async () => {
  try {
    clients.value = await answered(api.GET('/api/clients'))
  } catch (error) {
    problem.value = asProblem(error)
  }
})
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
