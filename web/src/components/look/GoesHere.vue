<script setup lang="ts">
import { computed } from 'vue'
import type { Judged, Piece } from '@/api'
import PinkedSwatch from '@/components/base/PinkedSwatch.vue'
import { placesOf } from '@/lib/goes'
import { hangLength } from '@/lib/rail'
import { signed } from '@/lib/words'

/** What could go here, with what each would do to the look. */
const { rail, worn, judged } = defineProps<{ rail: Piece[]; worn: string[]; judged: Judged | null }>()
defineEmits<{ put: [piece: Piece] }>()
const change = (id: string) => judged?.effects[id]?.change ?? 0
const places = computed(() => placesOf(rail, worn, change))
const said = (piece: Piece) => {
  if (worn.includes(piece.id)) return `${piece.label}, in the look; take it off: ${signed(change(piece.id), 1)}`
  return judged ? `${piece.label}: ${signed(change(piece.id), 1)} to the whole` : piece.label
}
function along(event: KeyboardEvent) {
  const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
  if (!step) return
  const buttons = [...(event.currentTarget as HTMLElement).querySelectorAll('button')]
  buttons[buttons.indexOf(document.activeElement as HTMLButtonElement) + step]?.focus()
  event.preventDefault()
}
</script>

<template>
  <section class="goes" aria-label="What goes here">
    <h2>What goes here</h2>
    <p class="soft">{{ judged ? 'Each piece shows what it would do to this look' : 'Take any piece to begin' }}</p>
    <div @keydown="along">
      <section v-for="place in places" :key="place.title" :aria-label="place.title">
        <h3>{{ place.title }}</h3>
        <ul>
          <li v-for="piece in place.pieces" :key="piece.id">
            <button
              type="button"
              :class="{ worn: worn.includes(piece.id) }"
              :aria-pressed="worn.includes(piece.id)"
              :aria-label="said(piece)"
              :data-tip="said(piece)"
              @click="$emit('put', piece)"
            >
              <PinkedSwatch
                :hex="piece.colours[0]?.hex ?? ''"
                :picture="piece.cloth"
                :width="28"
                :height="Math.max(22, hangLength(piece) * 0.36)"
                hanging
              />
            </button>
            <span class="change" aria-hidden="true">{{
              worn.includes(piece.id) ? 'in' : judged ? signed(change(piece.id)) : ''
            }}</span>
          </li>
        </ul>
      </section>
    </div>
  </section>
</template>

<style scoped>
.goes {
  padding: 16px 14px 14px 20px;
}
h3 {
  font:
    650 13px/1 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  border-bottom: 3px solid var(--rule);
  padding-bottom: 5px;
  margin: 13px 0 0;
}
ul {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 3px;
  padding: 0;
  margin: 0;
}
li {
  width: 34px;
  text-align: center;
  font-size: 12.5px;
}
button {
  display: block;
  width: 34px;
  padding: 0 3px 4px;
  border: 0;
  background: none;
  cursor: pointer;
  min-height: 32px;
}
button.worn {
  outline: 2px solid var(--ink);
  outline-offset: -1px;
}
button:hover {
  background: var(--paper);
}
.change {
  line-height: 16px;
}
</style>
