<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Spots } from '@/api'
import { placeIn } from '@/lib/place'

/** A portrait with the places where skin, hair and eyes are read: small lenses that can be moved. */
const { picture, spots, name, tapping } = defineProps<{ picture: string; spots: Spots; name: string; tapping: boolean }>()
const emit = defineEmits<{ moved: [spots: Spots]; tapped: [place: { x: number; y: number }] }>()
type Part = keyof Spots
const PARTS: Part[] = ['skin', 'hair', 'eyes']
const STEP = 0.004

const room = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(room)
const natural = ref<[number, number]>([4, 5])
const size = computed(() => {
  const scale = Math.min((width.value || 1) / natural.value[0], (height.value || 1) / natural.value[1])
  return { width: natural.value[0] * scale, height: natural.value[1] * scale }
})
const lenses = computed(() => PARTS.flatMap((part) => spots[part].map((place, index) => ({ part, index, place }))))
const held = ref<{ part: Part; index: number; x: number; y: number } | null>(null)
const at = (part: Part, index: number, place: { x: number; y: number }) => {
  const now = held.value?.part === part && held.value.index === index ? held.value : place
  return { left: `${now.x * 100}%`, top: `${now.y * 100}%` }
}
const picture_box = ref<HTMLElement | null>(null)
const place = (event: PointerEvent) => placeIn(picture_box.value!, event)
function put(part: Part, index: number, to: { x: number; y: number }) {
  emit('moved', { ...spots, [part]: spots[part].map((old, i) => (i === index ? to : old)) })
}
function down(event: PointerEvent, part: Part, index: number) {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  held.value = { part, index, ...place(event) }
}
function move(event: PointerEvent) {
  if (held.value) held.value = { ...held.value, ...place(event) }
}
function up() {
  if (held.value) put(held.value.part, held.value.index, { x: held.value.x, y: held.value.y })
  held.value = null
}
function key(event: KeyboardEvent, part: Part, index: number, from: { x: number; y: number }) {
  const step = { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, -STEP], ArrowDown: [0, STEP] }[event.key]
  if (!step) return
  event.preventDefault()
  put(part, index, { x: from.x + (step[0] ?? 0), y: from.y + (step[1] ?? 0) })
}
function sized(event: Event) {
  const image = event.target as HTMLImageElement
  natural.value = [image.naturalWidth, image.naturalHeight]
}
</script>

<template>
  <div ref="room" class="room">
    <div ref="picture_box" class="picture" :class="{ tapping }" :style="{ width: `${size.width}px`, height: `${size.height}px` }" @pointerdown="tapping && emit('tapped', place($event))">
      <img :src="picture" :alt="`Portrait of ${name}, relit`" draggable="false" @load="sized" />
      <button
        v-for="lens in lenses" :key="`${lens.part}${lens.index}`" type="button" class="lens" :style="at(lens.part, lens.index, lens.place)" :aria-label="`${lens.part}, spot ${lens.index + 1}`"
        @pointerdown.stop="down($event, lens.part, lens.index)" @pointermove="move" @pointerup="up" @keydown="key($event, lens.part, lens.index, lens.place)"
      ><span>{{ lens.part }}</span></button>
    </div>
  </div>
</template>

<style scoped>
.room { width: 100%; height: 100%; display: grid; place-items: center; min-height: 0; overflow: hidden; }
.picture { position: relative; touch-action: none; }
.tapping { cursor: crosshair; }
img { width: 100%; height: 100%; display: block; user-select: none; }
.lens { position: absolute; width: 22px; height: 22px; margin: -11px 0 0 -11px; border-radius: 50%; border: 2px solid #111; background: none; box-shadow: 0 0 0 2px #fff, inset 0 0 0 2px #fff; cursor: grab; padding: 0; touch-action: none; }
.lens span { position: absolute; left: 26px; top: 2px; background: var(--sheet); color: var(--ink); font-size: 11px; line-height: 1; padding: 3px 5px; border-radius: 3px; }
</style>
