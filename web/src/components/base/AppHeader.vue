<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { useClient } from '@/server/useClient'
import FaceCard from '@/components/client/FaceCard.vue'

const STEPS = [
  { name: 'colouring', title: 'Colouring' },
  { name: 'rail', title: 'Rail' },
  { name: 'looks', title: 'Looks' },
  { name: 'plan', title: 'Plan' },
  { name: 'lookbook', title: 'Lookbook' },
]
const route = useRoute()
const { id, client } = useClient()
/** Making looks is a part of the looks. */
const here = computed(() => (route.name === 'make' ? 'looks' : String(route.name)))
</script>

<template>
  <header class="head">
    <RouterLink class="mark" :to="{ name: 'book' }" aria-label="Lucid Swatch: to the clients' book"
      >Lucid Swatch</RouterLink
    >
    <template v-if="id && client">
      <RouterLink
        class="client"
        :to="{ name: 'about', params: { client: id } }"
        :aria-label="`${client.name}: about the client`"
      >
        <FaceCard :client="client" :size="28" />
        {{ client.name }}
      </RouterLink>
      <nav class="steps" aria-label="Steps">
        <template v-for="(step, index) in STEPS" :key="step.name">
          <span v-if="index" class="stitch" aria-hidden="true" />
          <RouterLink
            :to="{ name: step.name, params: { client: id } }"
            :aria-current="here === step.name ? 'step' : undefined"
          >
            <span class="knot" aria-hidden="true" />{{ step.title }}
          </RouterLink>
        </template>
      </nav>
      <RouterLink
        class="buying"
        :to="{ name: 'before-buying', params: { client: id } }"
        :aria-current="here === 'before-buying' ? 'page' : undefined"
      >
        Before buying
      </RouterLink>
      <RouterLink
        class="intake"
        :to="{ name: 'intake', params: { client: id } }"
        :aria-current="here === 'intake' ? 'page' : undefined"
      >
        Intake · {{ client.waiting }}
      </RouterLink>
    </template>
    <RouterLink
      class="studio"
      :class="{ alone: !(id && client) }"
      :to="{ name: 'studio' }"
      :aria-current="here === 'studio' ? 'page' : undefined"
      >Studio</RouterLink
    >
  </header>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: 14px;
  height: 56px;
  padding: 0 16px;
  background: var(--paper);
  border-bottom: 1px solid var(--line);
  flex: none;
}
.mark {
  font:
    italic 600 23px/1 'Petrona Variable',
    serif;
  text-decoration: none;
  white-space: nowrap;
}
.client {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 3px 14px 3px 3px;
  background: var(--room);
  border-radius: 18px;
  font-weight: 650;
  text-decoration: none;
  white-space: nowrap;
}
.steps {
  display: flex;
  align-items: center;
  gap: 7px;
  margin-left: 8px;
  min-width: 0;
}
.steps a {
  display: flex;
  align-items: center;
  gap: 7px;
  text-decoration: none;
  color: var(--soft);
  padding: 4px 2px;
}
.steps a[aria-current] {
  color: var(--ink);
  font-weight: 700;
}
.knot {
  width: 14px;
  height: 14px;
  border: 2px solid var(--rule);
  border-radius: 50%;
}
[aria-current] .knot {
  background: var(--ink);
  border-color: var(--ink);
}
.stitch {
  width: 14px;
  flex: 0 1 auto;
  min-width: 4px;
  border-top: 2px dashed var(--line);
}
.buying {
  margin-left: auto;
  padding: 7px 4px;
  font-weight: 650;
  text-decoration: none;
  white-space: nowrap;
}
.buying[aria-current] {
  text-decoration: underline;
  text-underline-offset: 4px;
}
.intake {
  border: 1.2px solid var(--rule);
  border-radius: 6px;
  padding: 7px 13px;
  font-weight: 650;
  text-decoration: none;
  white-space: nowrap;
}
.studio {
  text-decoration: none;
  font-weight: 650;
  padding: 7px 4px;
}
.studio.alone {
  margin-left: auto;
}
.studio[aria-current] {
  text-decoration: underline;
  text-underline-offset: 4px;
}
.intake[aria-current] {
  background: var(--ink);
  color: var(--sheet);
}
</style>
