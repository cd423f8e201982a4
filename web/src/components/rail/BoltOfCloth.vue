<script setup lang="ts">
import { computed } from 'vue'
import { pinkedPath } from '@/lib/pinked'

/** A rail seen as one bolt: every colour as wide as what it covers. */
const { colours, height = 44 } = defineProps<{
  colours: { hex: string; share: number; name: string }[]
  height?: number
}>()
const clip = computed(() => pinkedPath(64, Math.max(3, Math.round(height / 7)), 3))
const words = computed(() => {
  const byName = new Map<string, number>()
  for (const { name, share } of colours) byName.set(name, (byName.get(name) ?? 0) + share)
  const most = [...byName].sort((a, b) => b[1] - a[1]).slice(0, 4)
  return `Most of the cloth: ${most.map(([name, share]) => `${name} ${Math.round(share * 100)} %`).join(', ')}`
})
</script>

<template>
  <div class="edge">
    <div class="bolt" role="img" :aria-label="words" :style="{ clipPath: clip, height: `${height}px` }">
      <span
        v-for="(colour, index) in colours"
        :key="index"
        :data-tip="colour.name"
        :style="{ background: colour.hex, flexGrow: colour.share }"
      />
    </div>
  </div>
</template>

<style scoped>
/* a line along the pinked edge, so that white cloth is no gap in the bolt */
.edge {
  filter: drop-shadow(0 0 0.7px var(--soft));
}
.bolt {
  display: flex;
  width: 100%;
  forced-color-adjust: none;
}
.bolt span {
  flex-basis: 0;
  min-width: 0;
}
</style>
