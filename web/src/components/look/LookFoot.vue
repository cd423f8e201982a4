<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Light } from '@/api'
import KeysHelp from '@/components/base/KeysHelp.vue'
import ChoiceList from '@/components/fields/ChoiceList.vue'
import { useSurround } from '@/composables/useSurround'
import type { Surround } from '@/theme'

/** How a look is seen: squinted at, laid out, seated, over a day, in a light and a surround. */
const { lights, lightName } = defineProps<{
  squint: boolean
  flat: boolean
  seated: boolean
  day: boolean
  lights: Light[]
  /** Empty for as measured. */
  lightName: string
  keys: [string, string][]
}>()
const emit = defineEmits<{ squint: []; flat: []; seated: []; day: []; light: [name: string] }>()
const SURROUND_CHOICES = ['day', 'judging', 'evening'].map((one) => ({ value: one, label: one }))
const surround = useSurround()
const lightChoices = computed(() => lights.map((one, index) => ({ value: index ? one.name : '', label: one.name })))
const note = computed(() => lights.find((one, index) => index > 0 && one.name === lightName)?.note)
</script>

<template>
  <div class="foot">
    <NButton text class="word" :aria-pressed="squint" @click="emit('squint')"> <kbd>Space</kbd> squint </NButton>
    <NButton text class="word" :aria-pressed="flat" @click="emit('flat')"> laid out </NButton>
    <NButton text class="word" :aria-pressed="seated" @click="emit('seated')">seated</NButton>
    <NButton text class="word" :aria-pressed="day" @click="emit('day')">a day</NButton>
    <span class="around" :data-tip="note"
      >light
      <ChoiceList class="wide" :value="lightName" :options="lightChoices" label="light" @change="emit('light', $event)"
    /></span>
    <span class="around"
      >surround
      <ChoiceList
        class="short"
        :value="surround"
        :options="SURROUND_CHOICES"
        label="surround"
        @change="surround = $event as Surround"
    /></span>
    <KeysHelp :keys="keys" />
  </div>
</template>

<style scoped>
.foot {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 10px;
  padding: 6px 14px;
  background: var(--paper);
  color: var(--ink);
  border-top: 1px solid var(--line);
  font-size: 13px;
}
.foot .word {
  padding-inline: 0;
}
.around {
  margin-left: auto;
  display: inline-flex;
  gap: 6px;
  align-items: center;
  white-space: nowrap;
  color: var(--soft);
}
.wide {
  width: 112px;
}
.short {
  width: 84px;
}
</style>
