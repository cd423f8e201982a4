<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { useKeys } from '@/composables/useKeys'

/** What the keys of this screen do; `?` opens and closes it. */
defineProps<{ keys: [string, string][] }>()
const open = ref(false)
useKeys(() => ({
  '?': () => (open.value = !open.value),
  ...(open.value ? { escape: () => (open.value = false) } : {}),
}))
</script>

<template>
  <aside class="help">
    <NButton text class="word" :aria-expanded="open" @click="open = !open"><kbd>?</kbd> keys</NButton>
    <dl v-if="open" class="tile">
      <template v-for="[key, does] in keys" :key="key"
        ><dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ does }}</dd></template
      >
    </dl>
  </aside>
</template>

<style scoped>
.help {
  position: relative;
}
dl {
  position: absolute;
  right: 0;
  bottom: 34px;
  width: 300px;
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 12px;
  margin: 0;
  z-index: 20;
  background: var(--sheet);
  color: var(--ink);
}
dd {
  margin: 0;
}
</style>
