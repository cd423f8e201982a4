<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Photo, Room } from '@/api'
import { plural } from '@/lib/words'

/** Where the light of a photo comes from: the room it was taken in, and the paper that lies in one of its photos. */
const { photo, room, photos, beside } = defineProps<{
  photo: Photo
  room: Room | null
  photos: Photo[]
  /** The photo whose room this one could join. */
  beside: Photo | null
}>()
defineEmits<{ paper: [is: boolean | null]; leave: []; join: []; begin: []; show: [] }>()

const LAMPS: Record<string, string> = {
  daylight: 'in daylight',
  filament: 'under filament lamps',
  'warm LED': 'under warm LED lamps',
  'white LED': 'under white LED lamps',
  tube: 'under tube lamps',
}
const lender = computed(() => photos.find((one) => one.id === photo.lent_by) ?? null)
const hangs = computed(() => photo.state === 'hung')
const asked = computed(() => photo.sheet && photo.sheet.said === null && !photo.sheet.sure && !hangs.value)
const first = computed(() => room?.photos[0] === photo.id)
const lit = computed(() => {
  const under = room?.lamp ? `, ${LAMPS[room.lamp] ?? room.lamp}` : ''
  if (lender.value) return `lit as ${lender.value.name} tells${under}`
  if (room?.lenders.includes(photo.id)) return `whose light it tells${under}`
  return `estimated together${under}`
})
/** Those that are not being read again already. */
const changing = computed(() => {
  const now = new Set(photos.filter((one) => one.changing).map((one) => one.id))
  return (room?.would_change ?? []).filter((id) => !now.has(id))
})
const gains = computed(() => {
  if (!room || room.with_paper === null || room.uncertainty - room.with_paper < 0.5) return null
  return `${room.uncertainty.toFixed(0)} to ${room.with_paper.toFixed(0)} ΔE`
})
</script>

<template>
  <div class="light">
    <div v-if="asked" class="ask" role="status">
      <strong>Is what is framed paper or a grey card?</strong>
      <span class="answers">
        <NButton size="small" @click="$emit('paper', true)">Yes <kbd>Y</kbd></NButton>
        <NButton size="small" @click="$emit('paper', false)">No <kbd>U</kbd></NButton>
      </span>
    </div>
    <p v-else-if="photo.sheet?.used" class="line">
      <span>The framed paper tells its light.</span>
      <NButton v-if="!hangs" text class="word" @click="$emit('paper', false)">that is no paper <kbd>U</kbd></NButton>
    </p>
    <p v-else-if="photo.sheet && photo.sheet.said === false" class="line">
      <span>What is framed is no paper, as you said.</span>
      <NButton v-if="!hangs" text class="word" @click="$emit('paper', true)">it is <kbd>Y</kbd></NButton>
    </p>
    <p v-if="room" class="line">
      <span>In a room of {{ room.photos.length }}, {{ lit }}.</span>
      <NButton text class="word" @click="$emit('leave')">take it out <kbd>I</kbd></NButton>
      <NButton v-if="!first" text class="word" @click="$emit('begin')">a new room begins here <kbd>Z</kbd></NButton>
    </p>
    <p v-else-if="beside" class="line">
      <span>In no room with others.</span>
      <NButton text class="word" @click="$emit('join')">it was taken with {{ beside.name }} <kbd>I</kbd></NButton>
    </p>
    <p v-if="gains" class="line soft">
      Lay a sheet of paper in one photo of this room: what its light leaves open would go from {{ gains }}.
    </p>
    <p v-if="changing.length" class="line">
      <span>{{ plural(changing.length, 'photo') }} of this room would look different now.</span>
      <NButton text class="word" @click="$emit('show')">show what would change <kbd>Y</kbd></NButton>
    </p>
  </div>
</template>

<style scoped>
.light {
  display: grid;
  gap: 4px;
  font-size: 13.5px;
}
.ask {
  border: 1.2px solid var(--ink);
  border-radius: 6px;
  padding: 7px 10px;
  background: var(--sheet);
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}
.answers {
  display: flex;
  gap: 6px;
}
.line {
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  align-items: baseline;
  overflow-wrap: anywhere;
}
</style>
