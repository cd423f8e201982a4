<script setup lang="ts">
import { NTable } from 'naive-ui'
import type { Holdings } from '@/api'
import { bytes, plural } from '@/lib/words'

/** Where the data is, how much of it, and what is kept about whom. */
defineProps<{ held: Holdings }>()
</script>

<template>
  <section aria-labelledby="kept">
    <h2 id="kept">Kept on this machine</h2>
    <p>
      Everything lies in <code>{{ held.folder }}</code>: {{ bytes(held.bytes) }}, {{ plural(held.photos, 'photo') }},
      readable by your user alone. The disk has {{ bytes(held.free) }} left.
    </p>
    <NTable v-if="held.clients.length" :bordered="false" size="small">
      <thead>
        <tr>
          <th scope="col">Client</th>
          <th scope="col">garment photos</th>
          <th scope="col">photos of them</th>
          <th scope="col">pieces</th>
          <th scope="col">looks</th>
          <th scope="col">files</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in held.clients" :key="one.client_id">
          <th scope="row">
            <RouterLink :to="{ name: 'about', params: { client: one.client_id } }">{{ one.name }}</RouterLink>
          </th>
          <td>{{ one.photos }}</td>
          <td>{{ one.portraits }}</td>
          <td>{{ one.pieces }}</td>
          <td>{{ one.looks }}</td>
          <td>{{ bytes(one.bytes) }}</td>
        </tr>
      </tbody>
    </NTable>
    <p class="soft">A client is taken out as open files, or erased with proof, on the page that a name leads to.</p>
  </section>
</template>

<style scoped>
th,
td {
  text-align: right;
  padding: 5px 12px 5px 0;
  border-bottom: 1px solid var(--line);
  font-weight: 400;
}
th:first-child {
  text-align: left;
}
thead th {
  color: var(--soft);
}
tbody th {
  font-weight: 650;
}
code {
  font: inherit;
  font-weight: 650;
  overflow-wrap: anywhere;
}
</style>
