<script setup lang="ts">
import { RouterLink } from 'vue-router'
import type { BookEntry } from '@/api'
import BoltOfCloth from '@/components/rail/BoltOfCloth.vue'
import { plural } from '@/lib/words'
import FaceCard from './FaceCard.vue'

defineProps<{ client: BookEntry }>()
</script>

<template>
  <article class="tile card" :aria-label="client.name">
    <FaceCard :client="client" :size="132" />
    <div class="told">
      <h2>
        <RouterLink :to="{ name: 'rail', params: { client: client.id } }">{{ client.name }}</RouterLink>
      </h2>
      <p class="soft note">{{ client.note }}</p>
      <BoltOfCloth v-if="client.bolt.length" :colours="client.bolt" :height="42" />
      <p v-else class="soft empty">Nothing hangs yet. Photograph the first pieces and drop them into the intake.</p>
      <p class="ways">
        <RouterLink :to="{ name: 'rail', params: { client: client.id } }"
          >{{ plural(client.pieces, 'piece') }} on the rail</RouterLink
        >
        <span v-if="client.doubtful">{{ client.doubtful }} in doubt</span>
        <RouterLink :to="{ name: 'looks', params: { client: client.id } }"
          >{{ plural(client.looks, 'look') }} kept</RouterLink
        >
        <RouterLink :to="{ name: 'intake', params: { client: client.id } }"
          >{{ plural(client.waiting, 'photo') }} to go through</RouterLink
        >
        <RouterLink :to="{ name: 'about', params: { client: client.id } }">About</RouterLink>
        <span v-if="client.consent_withdrawn_on" class="soft"
          >consent withdrawn on {{ client.consent_withdrawn_on }}</span
        >
        <span v-else class="soft">agreed to photos on {{ client.consent_on }}</span>
        <span v-if="client.archived" class="soft">archived</span>
      </p>
    </div>
  </article>
</template>

<style scoped>
.card {
  display: flex;
  gap: 20px;
  align-items: stretch;
}
.told {
  flex: 1;
  min-width: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.told h2 a {
  text-decoration: none;
}
.told h2 a:hover {
  text-decoration: underline;
}
.note {
  max-width: 78ch;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin-top: auto;
}
.ways a {
  font-weight: 650;
}
.empty {
  padding: 10px 0;
}
</style>
