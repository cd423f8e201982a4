<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import type { FaceColour } from '@/api'
import NumberField from '@/components/fields/NumberField.vue'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import type { Part } from '@/server/useColouring'
import { capital } from '@/lib/words'

/** Skin, hair or eyes as known, and other ways to know it: the colour reader, the eye. */
const { part, colour, doubt } = defineProps<{ part: Part; colour: FaceColour | null; doubt: number | null }>()
const emit = defineEmits<{ eye: [lab: number[]]; reader: [] }>()
const open = ref(false)
const lab = ref<number[]>([50, 10, 15])
function start() {
  lab.value = colour ? colour.lab.map((v) => Math.round(v)) : [50, 10, 15]
  open.value = !open.value
}
const AXES = [
  ['L*', 0, 100],
  ['a*', -60, 60],
  ['b*', -60, 60],
] as const
function setByEye(lab: number[]) {
  emit('eye', lab)
  open.value = false
}
</script>

<template>
  <li>
    <PinkedSwatch :hex="open ? `lab(${lab.join(' ')})` : (colour?.hex ?? 'transparent')" :width="100" :height="56" />
    <strong>{{ capital(part) }}</strong>
    <span v-if="colour" class="soft"
      >L* {{ colour.lab[0]!.toFixed(0) }}, a* {{ colour.lab[1]!.toFixed(0) }}, b* {{ colour.lab[2]!.toFixed(0)
      }}<template v-if="doubt"> ± {{ doubt.toFixed(0) }}</template></span
    >
    <span v-else class="soft">not known</span>
    <span class="ways">
      <NButton
        text
        class="word"
        :aria-label="`Read the ${part} with the colour reader`"
        :disabled="part === 'eyes'"
        @click="emit('reader')"
      >
        reader
      </NButton>
      <NButton text class="word" :aria-expanded="open" :aria-label="`Set the ${part} by eye`" @click="start">
        by eye
      </NButton>
    </span>
    <form v-if="open" class="eye" @submit.prevent="setByEye(lab)">
      <label v-for="([axis, low, high], index) in AXES" :key="axis"
        >{{ axis }}
        <NumberField :value="lab[index] ?? null" :min="low" :max="high" :step="1" @change="lab[index] = $event ?? 0"
      /></label>
      <NButton attr-type="submit">Set</NButton>
    </form>
  </li>
</template>

<style scoped>
li {
  display: flex;
  flex-direction: column;
  font-size: 13px;
  min-width: 0;
}
.ways {
  display: flex;
  gap: 10px;
}
.eye {
  display: grid;
  gap: 4px;
}
.eye label {
  display: flex;
  justify-content: space-between;
  gap: 6px;
}
.eye .n-button {
  min-height: 30px;
  padding: 2px 10px;
  justify-content: center;
}
.number-field {
  width: 64px;
}
</style>
