<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { ref } from 'vue'
import type { Finish, Word } from '@/api'
import { FINISHES } from '@/lib/what'

/** All that a piece may be made of, found by typing; several may hold. */
const { label } = defineProps<{ finish: Finish[]; label: string; most?: number }>()
const emit = defineEmits<{ say: [word: Word] }>()
const options = FINISHES.map((value) => ({ value, label: value }))
const list = ref<InstanceType<typeof NSelect> | null>(null)
const open = ref(false)
/** One word at a time: the list does not stay over what is below it, and the keys are the screen's again. */
function say(finish: Finish[]) {
  emit('say', finish.length ? { finish } : { finish: null, unsaid: ['finish'] })
  open.value = false
  list.value?.blur()
  list.value?.blurInput()
}
</script>

<template>
  <NSelect
    ref="list"
    v-model:show="open"
    class="finish"
    multiple
    filterable
    :value="finish"
    :options="options"
    :max-tag-count="most ?? 3"
    placeholder="cloth"
    :input-props="{ 'aria-label': label }"
    @update:value="say"
  />
</template>
