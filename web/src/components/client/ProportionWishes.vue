<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { About } from '@/api'

/** What a client wishes for the proportions of a look; what nobody names is free. */
type Wishes = NonNullable<About['wishes']>
const { wishes } = defineProps<{ wishes: Wishes }>()
const emit = defineEmits<{ wish: [change: Partial<Wishes>] }>()
const PLACES = ['shoulder', 'waist', 'hip', 'hem'] as const
const BARE = ['neck', 'arms', 'waist', 'knees', 'ankles'] as const
type Place = (typeof PLACES)[number]
type Part = (typeof BARE)[number]

function turned<T extends string>(list: readonly T[] | undefined, one: T): T[] {
  return list?.includes(one) ? list.filter((other) => other !== one) : [...(list ?? []), one]
}
const without = <T extends string>(list: readonly T[] | undefined, one: T) => (list ?? []).filter((o) => o !== one)
/** What is welcome is not unwelcome as well. */
const fullness = (side: 'full' | 'not_full', one: Place) =>
  emit('wish', {
    [side]: turned(wishes[side], one),
    [side === 'full' ? 'not_full' : 'full']: without(wishes[side === 'full' ? 'not_full' : 'full'], one),
  })
const bare = (side: 'shown' | 'covered', one: Part) =>
  emit('wish', {
    [side]: turned(wishes[side], one),
    [side === 'shown' ? 'covered' : 'shown']: without(wishes[side === 'shown' ? 'covered' : 'shown'], one),
  })
</script>

<template>
  <div class="wishes">
    <fieldset v-for="side in ['full', 'not_full'] as const" :key="side">
      <legend>{{ side === 'full' ? 'Fullness is welcome at' : 'No fullness at' }}</legend>
      <NButton
        v-for="one in PLACES"
        :key="one"
        text
        class="word"
        :aria-pressed="wishes[side]?.includes(one) ?? false"
        @click="fullness(side, one)"
      >
        {{ one }}
      </NButton>
    </fieldset>
    <fieldset v-for="side in ['shown', 'covered'] as const" :key="side">
      <legend>{{ side === 'shown' ? 'To be shown' : 'To be covered' }}</legend>
      <NButton
        v-for="one in BARE"
        :key="one"
        text
        class="word"
        :aria-pressed="wishes[side]?.includes(one) ?? false"
        @click="bare(side, one)"
      >
        {{ one }}
      </NButton>
    </fieldset>
    <fieldset>
      <legend>Rather</legend>
      <NButton
        v-for="one in ['leg', 'body'] as const"
        :key="one"
        text
        class="word"
        :aria-pressed="wishes.longer === one"
        @click="emit('wish', { longer: wishes.longer === one ? null : one })"
      >
        a longer {{ one }}
      </NButton>
      <NButton
        v-for="one in ['petite', 'tall'] as const"
        :key="one"
        text
        class="word"
        :aria-pressed="wishes.stature === one"
        @click="emit('wish', { stature: wishes.stature === one ? null : one })"
      >
        {{ one }}
      </NButton>
    </fieldset>
  </div>
</template>

<style scoped>
.wishes {
  display: grid;
  gap: 10px;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
}
legend {
  color: var(--soft);
  padding: 0;
}
</style>
