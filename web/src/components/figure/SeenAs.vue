<script setup lang="ts">
import { computed, useId } from 'vue'
import type { Light } from '@/api'

/** What is drawn within, as it is seen in a light, and as a room sees it from afar. */
const { light = null, squint = false } = defineProps<{
  /** None is as measured. */
  light?: Light | null
  squint?: boolean
}>()
const key = useId()
/** Centimetres over which a squinting eye blurs. */
const BLUR = 2.8
/** Rows of the light's matrix as a filter wants them. */
const seen = computed(() =>
  light?.matrix
    .map((row) => [...row, 0, 0].join(' '))
    .concat('0 0 0 1 0')
    .join(' '),
)
</script>

<template>
  <g>
    <filter v-if="seen" :id="`light-${key}`" color-interpolation-filters="linearRGB" x="0" y="0" width="1" height="1">
      <feColorMatrix type="matrix" :values="seen" />
    </filter>
    <filter v-if="squint" :id="`squint-${key}`" x="-10%" y="-10%" width="120%" height="120%">
      <feGaussianBlur :stdDeviation="BLUR" />
    </filter>
    <g :filter="seen ? `url(#light-${key})` : undefined">
      <g :filter="squint ? `url(#squint-${key})` : undefined">
        <slot />
      </g>
    </g>
  </g>
</template>
