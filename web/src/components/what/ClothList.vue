<script setup lang="ts">
import { NSelect } from 'naive-ui'
import type { Finish, Word } from '@/api'
import { FINISHES } from '@/lib/what'

/** All that a piece may be made of, found by typing; several may hold. */
const { label } = defineProps<{ finish: Finish[]; label: string; most?: number }>()
const emit = defineEmits<{ say: [word: Word] }>()
const options = FINISHES.map((value) => ({ value, label: value }))
const say = (finish: Finish[]) => emit('say', finish.length ? { finish } : { finish: null, unsaid: ['finish'] })
</script>

<template>
  <NSelect
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
