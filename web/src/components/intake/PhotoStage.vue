<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { NeutralMark, Photo, Stroke } from '@/api'
import { placeIn } from '@/lib/place'

export type Shown = 'as shot' | 'relit' | 'cloth only'
export type Tool = 'look' | 'neutral' | 'cloth' | 'not cloth' | 'box'
/** The photo with the garment's outline; a place to tap something neutral or to draw on. */
const { photo, shown, tool } = defineProps<{ photo: Photo; shown: Shown; tool: Tool }>()
const emit = defineEmits<{ neutral: [mark: NeutralMark]; stroke: [stroke: Stroke] }>()

const BRUSH = 0.028
const room = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(room)
const line = ref<[number, number][]>([])
const source = computed(() => {
  const { as_shot, relit, cloth_only } = photo.pictures
  return (shown === 'relit' ? relit : shown === 'cloth only' ? cloth_only : as_shot) ?? as_shot
})
const natural = ref<[number, number]>([3, 4])
const size = computed(() => {
  const [w, h] = photo.reading ? [photo.reading.photo.width, photo.reading.photo.height] : natural.value
  const scale = Math.min((width.value || 1) / w, (height.value || 1) / h)
  return { width: Math.floor(w * scale), height: Math.floor(h * scale) }
})
const paths = computed(() =>
  (photo.outline ?? [])
    .map(
      (polygon) =>
        `M${polygon.map(([x, y]) => `${(x ?? 0) * size.value.width},${(y ?? 0) * size.value.height}`).join('L')}Z`,
    )
    .join(' '),
)
/** What is, or may be, paper; what the stylist refused is not framed. */
const frame = computed(() =>
  photo.sheet && photo.sheet.said !== false
    ? photo.sheet.corners.map(([x, y]) => `${(x ?? 0) * size.value.width},${(y ?? 0) * size.value.height}`).join(' ')
    : '',
)
const drawn = computed(() => line.value.map(([x, y]) => `${x * size.value.width},${y * size.value.height}`).join(' '))
const brush = computed(() => BRUSH * Math.max(size.value.width, size.value.height))
watch(
  () => photo.id,
  () => (line.value = []),
)

function place(event: PointerEvent): [number, number] {
  const { x, y } = placeIn(event.currentTarget as Element, event)
  return [x, y]
}
function down(event: PointerEvent) {
  const [x, y] = place(event)
  if (tool === 'neutral') emit('neutral', { x, y, lightness: null })
  if (tool === 'cloth' || tool === 'not cloth' || tool === 'box') {
    line.value = [[x, y]]
    ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  }
}
function move(event: PointerEvent) {
  if (!line.value.length) return
  if (tool === 'box') line.value = [line.value[0]!, place(event)]
  else line.value.push(place(event))
}
function up() {
  const box = tool === 'box'
  if (line.value.length > (box ? 1 : 0))
    emit('stroke', { cloth: tool !== 'not cloth', points: line.value, width: BRUSH, box })
  line.value = []
}
function sized(event: Event) {
  const image = event.target as HTMLImageElement
  natural.value = [image.naturalWidth, image.naturalHeight]
}
</script>

<template>
  <div ref="room" class="room">
    <div
      v-if="source"
      class="photo"
      :class="tool.replace(' ', '-')"
      :style="{ width: `${size.width}px`, height: `${size.height}px` }"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="up"
    >
      <img :src="source" :alt="`${photo.name}, ${shown}`" draggable="false" @load="sized" />
      <svg :width="size.width" :height="size.height" aria-hidden="true">
        <template v-if="shown !== 'cloth only'">
          <path class="under" :d="paths" />
          <path class="outline" :d="paths" />
        </template>
        <rect
          v-if="tool === 'box' && line.length > 1"
          class="outline"
          fill="none"
          :x="Math.min(line[0]![0], line[1]![0]) * size.width"
          :y="Math.min(line[0]![1], line[1]![1]) * size.height"
          :width="Math.abs(line[1]![0] - line[0]![0]) * size.width"
          :height="Math.abs(line[1]![1] - line[0]![1]) * size.height"
        />
        <polyline
          v-else-if="line.length"
          :points="drawn"
          class="stroke"
          :class="{ not: tool === 'not cloth' }"
          :stroke-width="brush"
        />
        <template v-if="frame && shown !== 'cloth only'">
          <polygon class="under" :points="frame" />
          <polygon class="frame" :class="{ unsure: !photo.sheet!.used }" :points="frame" />
        </template>
        <g
          v-if="photo.neutral"
          class="neutral"
          :transform="`translate(${photo.neutral.x * size.width} ${photo.neutral.y * size.height})`"
        >
          <circle r="13" class="halo" />
          <circle r="13" />
          <path d="M0-22v8M0 14v8M-22 0h8M14 0h8" />
        </g>
      </svg>
    </div>
    <p v-else class="wait">
      {{ photo.state === 'failed' ? 'There is no picture to show.' : photo.stage || 'This photo waits to be read.' }}
    </p>
  </div>
</template>

<style scoped>
.room {
  width: 100%;
  height: 100%;
  display: grid;
  place-items: center;
  min-height: 0;
  overflow: hidden;
}
.photo {
  position: relative;
  touch-action: none;
}
.neutral {
  cursor: crosshair;
}
.cloth,
.not-cloth,
.box {
  cursor: crosshair;
}
img {
  width: 100%;
  height: 100%;
  display: block;
  user-select: none;
}
svg {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
path,
polygon,
circle {
  fill: none;
}
.frame {
  stroke: #111;
  stroke-width: 1.6;
}
.frame.unsure {
  stroke-dasharray: 3 4;
}
.under {
  stroke: #fff;
  stroke-width: 3.4;
}
.outline {
  stroke: #111;
  stroke-width: 1.8;
  stroke-dasharray: 8 5;
}
.stroke {
  fill: none;
  stroke: #fff;
  stroke-linecap: round;
  stroke-linejoin: round;
  opacity: 0.75;
}
.stroke.not {
  stroke: #111;
}
.neutral circle,
.neutral path {
  stroke: #111;
  stroke-width: 1.8;
}
.neutral .halo {
  stroke: #fff;
  stroke-width: 4.5;
}
.wait {
  background: var(--paper);
  color: var(--ink);
  padding: 8px 14px;
  border-radius: 6px;
}
</style>
