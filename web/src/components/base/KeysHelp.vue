<script setup lang="ts">
import { NButton, NPopover } from 'naive-ui'
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
  <span class="help">
    <NPopover trigger="manual" placement="top-end" :show="open" :show-arrow="false" @clickoutside="open = false">
      <template #trigger>
        <NButton text class="word" :aria-expanded="open" @click.stop="open = !open"><kbd>?</kbd> keys</NButton>
      </template>
      <dl>
        <template v-for="[key, does] in keys" :key="key"
          ><dt>
            <kbd>{{ key }}</kbd>
          </dt>
          <dd>{{ does }}</dd></template
        >
      </dl>
    </NPopover>
  </span>
</template>

<style scoped>
.help {
  white-space: nowrap;
}
dl {
  width: 290px;
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 12px;
  margin: 0;
}
dd {
  margin: 0;
}
</style>
