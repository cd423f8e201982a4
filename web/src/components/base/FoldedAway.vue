<script setup lang="ts">
import { NButton, NCollapseTransition } from 'naive-ui'
import { ref, useId } from 'vue'

/** What stands behind one line until somebody wants it. */
defineProps<{ title: string }>()
const open = ref(false)
const id = useId()
</script>

<template>
  <div class="folded">
    <NButton text class="word fold" :aria-expanded="open" :aria-controls="id" @click="open = !open">
      <span class="mark" :class="{ open }" aria-hidden="true" />{{ title }}
    </NButton>
    <NCollapseTransition :id="id" :show="open"><slot /></NCollapseTransition>
  </div>
</template>

<style scoped>
.folded {
  font-size: 13px;
}
.fold {
  padding: 2px 0;
  font-size: 13px;
  font-weight: 650;
  text-align: left;
  white-space: normal;
}
.mark {
  width: 0;
  height: 0;
  margin-right: 7px;
  border: 4.5px solid transparent;
  border-left: 6px solid currentcolor;
  border-right: 0;
  flex: none;
}
.mark.open {
  transform: rotate(90deg);
}
</style>
