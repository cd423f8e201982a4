<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { What, Word } from '@/api'
import { chosenFinish } from '@/lib/what'
import { percent } from '@/lib/words'

/** What the piece is likely made of, each with a close look at what speaks for it. */
const {
  what,
  firstKey = null,
  narrow = false,
} = defineProps<{
  what: What
  /** The key of the first one, where they have keys. */
  firstKey?: number | null
  /** One below the other. */
  narrow?: boolean
}>()
const emit = defineEmits<{ say: [word: Word] }>()
</script>

<template>
  <div class="cloths" :class="{ narrow }" role="group" aria-label="What cloth is it?">
    <NButton
      v-for="(one, index) in what.cloths.slice(0, 3)"
      :key="one.finish"
      size="small"
      class="cloth"
      :type="what.finish.includes(one.finish) && !what.unsaid.includes('finish') ? 'primary' : 'default'"
      :aria-pressed="what.finish.includes(one.finish)"
      :data-tip="`${one.finish}: ${one.because}`"
      @click="emit('say', chosenFinish(what, one.finish))"
    >
      <img v-if="one.picture" :src="one.picture" alt="" />
      <span class="told">
        <span class="name"
          ><kbd v-if="firstKey !== null">{{ firstKey + index }}</kbd> {{ one.finish }}</span
        >
        <span class="why">{{ percent(one.confidence) }} · {{ one.because }}</span>
      </span>
    </NButton>
  </div>
</template>

<style scoped>
.cloths {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 6px;
}
.narrow {
  grid-template-columns: minmax(0, 1fr);
}
.cloth {
  height: auto;
  padding: 3px 5px 3px 3px;
  justify-content: flex-start;
  overflow: hidden;
}
.cloth :deep(.n-button__content) {
  gap: 6px;
  min-width: 0;
}
.cloth img {
  width: 44px;
  height: 50px;
  object-fit: cover;
  flex: none;
  border-radius: 3px;
}
.narrow .cloth img {
  width: 44px;
  height: 34px;
}
.told {
  display: flex;
  flex-direction: column;
  text-align: left;
  line-height: 1.2;
  min-width: 0;
  white-space: normal;
}
.name {
  white-space: nowrap;
}
.why {
  font-weight: 400;
  font-size: 11.5px;
  line-height: 1.15;
}
</style>
