<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useElementSize } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { FaceColour, Spots } from '@/api'
import { placeIn } from '@/lib/place'
import { readSpot } from '@/server/useColouring'

/** A portrait with the places where skin, hair and eyes are read: small lenses that can be moved and say what they read. */
const { id, picture, spots, name, tapping } = defineProps<{
  id: string
  picture: string
  spots: Spots
  name: string
  tapping: boolean
}>()
const emit = defineEmits<{ moved: [spots: Spots]; tapped: [place: { x: number; y: number }] }>()
type Part = 'skin' | 'hair' | 'eyes'
type Place = { x: number; y: number }
const PARTS: Part[] = ['skin', 'hair', 'eyes']
const STEP = 0.004
const LENS = 64
const NEARER = 5

const room = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(room)
const natural = ref<[number, number]>([4, 5])
const size = computed(() => {
  const scale = Math.min((width.value || 1) / natural.value[0], (height.value || 1) / natural.value[1])
  return { width: natural.value[0] * scale, height: natural.value[1] * scale }
})
const lenses = computed(() =>
  PARTS.flatMap((part) => (spots[part] ?? []).map((place, index) => ({ part, index, place }))),
)
const missing = computed(() => PARTS.filter((part) => !spots[part]?.length))
const held = ref<{ part: Part; index: number; x: number; y: number } | null>(null)
const live = ref<FaceColour | null>(null)
const where = (part: Part, index: number, place: Place): Place =>
  held.value?.part === part && held.value.index === index ? held.value : place
const at = (place: Place) => ({ left: `${place.x * 100}%`, top: `${place.y * 100}%` })
/** The picture as a lens sees it. */
const magnified = (place: Place) => ({
  backgroundImage: `url("${picture}")`,
  backgroundSize: `${size.value.width * NEARER}px ${size.value.height * NEARER}px`,
  backgroundPosition: `${LENS / 2 - place.x * size.value.width * NEARER}px ${LENS / 2 - place.y * size.value.height * NEARER}px`,
})
const picture_box = ref<HTMLElement | null>(null)
const place = (event: PointerEvent) => placeIn(picture_box.value!, event)

let asking = false
let again = false
/** Asks what the lens reads; one question at a time, always the newest place last. */
async function read() {
  if (asking) {
    again = true
    return
  }
  asking = true
  do {
    again = false
    const now = held.value
    if (!now) break
    try {
      live.value = await readSpot(id, now.part, now)
    } catch {
      live.value = null
    }
  } while (again)
  asking = false
}
watch(held, () => void read())
function put(part: Part, index: number, to: Place) {
  emit('moved', { ...spots, [part]: (spots[part] ?? []).map((old, i) => (i === index ? to : old)) })
}
const add = (part: Part) => emit('moved', { ...spots, [part]: [...(spots[part] ?? []), { x: 0.5, y: 0.45 }] })
const drop = (part: Part, index: number) =>
  emit('moved', { ...spots, [part]: (spots[part] ?? []).filter((_, i) => i !== index) })
function down(event: PointerEvent, part: Part, index: number) {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  held.value = { part, index, ...place(event) }
}
function move(event: PointerEvent) {
  if (held.value) held.value = { ...held.value, ...place(event) }
}
function up() {
  const now = held.value
  held.value = null
  live.value = null
  if (now) put(now.part, now.index, { x: now.x, y: now.y })
}
function key(event: KeyboardEvent, part: Part, index: number, from: Place) {
  if (event.key === 'Delete' || event.key === 'Backspace') {
    event.preventDefault()
    drop(part, index)
    return
  }
  const step = { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, -STEP], ArrowDown: [0, STEP] }[event.key]
  if (!step) return
  event.preventDefault()
  const within = (value: number) => Math.min(1, Math.max(0, value))
  put(part, index, { x: within(from.x + (step[0] ?? 0)), y: within(from.y + (step[1] ?? 0)) })
}
function sized(event: Event) {
  const image = event.target as HTMLImageElement
  natural.value = [image.naturalWidth, image.naturalHeight]
}
</script>

<template>
  <div ref="room" class="room">
    <div
      ref="picture_box"
      class="picture"
      :class="{ tapping }"
      :style="{ width: `${size.width}px`, height: `${size.height}px` }"
      @pointerdown="tapping && emit('tapped', place($event))"
    >
      <img :src="picture" :alt="`Portrait of ${name}, relit`" draggable="false" @load="sized" />
      <button
        v-for="lens in lenses"
        :key="`${lens.part}${lens.index}`"
        type="button"
        class="lens"
        :style="at(where(lens.part, lens.index, lens.place))"
        :aria-label="`${lens.part}, spot ${lens.index + 1}`"
        @pointerdown.stop="down($event, lens.part, lens.index)"
        @pointermove="move"
        @pointerup="up"
        @pointercancel="held = null"
        @keydown="key($event, lens.part, lens.index, lens.place)"
      >
        <span class="tag">{{ lens.part }}</span>
      </button>
      <div v-if="held" class="glass" :style="[at(held), magnified(held)]" aria-hidden="true" />
      <p v-if="held && live" class="live" :style="at(held)">
        L* {{ live.lab[0]!.toFixed(0) }}, a* {{ live.lab[1]!.toFixed(0) }}, b* {{ live.lab[2]!.toFixed(0) }}
      </p>
    </div>
    <p v-if="missing.length" class="missing">
      <NButton v-for="part in missing" :key="part" @click="add(part)">
        A lens for {{ part === 'eyes' ? 'an iris' : part }}
      </NButton>
    </p>
  </div>
</template>

<style scoped>
.room {
  position: relative;
  width: 100%;
  height: 100%;
  display: grid;
  place-items: center;
  min-height: 0;
  overflow: hidden;
}
.picture {
  position: relative;
  touch-action: none;
}
.tapping {
  cursor: crosshair;
}
img {
  width: 100%;
  height: 100%;
  display: block;
  user-select: none;
}
.lens {
  position: absolute;
  width: 22px;
  height: 22px;
  margin: -11px 0 0 -11px;
  border-radius: 50%;
  border: 2px solid #111;
  background: none;
  box-shadow:
    0 0 0 2px #fff,
    inset 0 0 0 2px #fff;
  cursor: grab;
  padding: 0;
  touch-action: none;
}
.lens:focus-visible {
  outline: 3px solid #111;
  outline-offset: 4px;
}
.tag {
  position: absolute;
  left: 26px;
  top: 2px;
  background: var(--sheet);
  color: var(--ink);
  font-size: 11px;
  line-height: 1;
  padding: 3px 5px;
  border-radius: 3px;
  opacity: 0;
  pointer-events: none;
}
.lens:hover .tag,
.lens:focus-visible .tag {
  opacity: 1;
}
.glass {
  position: absolute;
  width: 64px;
  height: 64px;
  margin: -84px 0 0 -32px;
  border-radius: 50%;
  border: 2px solid #111;
  box-shadow: 0 0 0 2px #fff;
  pointer-events: none;
  background-repeat: no-repeat;
}
.live {
  position: absolute;
  margin: -110px 0 0 -60px;
  width: 120px;
  text-align: center;
  background: var(--sheet);
  color: var(--ink);
  font-size: 12px;
  border-radius: 3px;
  padding: 1px 4px;
  pointer-events: none;
}
.missing {
  position: absolute;
  bottom: 8px;
  left: 8px;
  display: flex;
  gap: 8px;
}
</style>
