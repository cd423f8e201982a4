<script setup lang="ts">
import { NTooltip } from 'naive-ui'
import { onBeforeUnmount, onMounted, ref } from 'vue'

/** The one tip of the page: says what the thing under the pointer, or with the focus, has as its data-tip. */
const WAITS = 350
const told = ref('')
const open = ref(false)
const place = ref({ x: 0, y: 0 })
let over: Element | null = null
let waiting = 0

function come(event: Event) {
  const one = event.target instanceof Element ? event.target.closest('[data-tip]') : null
  if (one === over) return
  leave()
  over = one
  const tip = one?.getAttribute('data-tip')
  if (!one || !tip) return
  waiting = window.setTimeout(() => {
    const { left, width, top } = one.getBoundingClientRect()
    told.value = tip
    place.value = { x: left + width / 2, y: top }
    open.value = true
  }, WAITS)
}
function leave() {
  window.clearTimeout(waiting)
  over = null
  open.value = false
}
const ways: [string, (event: Event) => void][] = [
  ['pointerover', come],
  ['focusin', come],
  ['focusout', leave],
  ['pointerdown', leave],
  ['keydown', leave],
]
onMounted(() => ways.forEach(([name, act]) => document.addEventListener(name, act)))
onBeforeUnmount(() => {
  leave()
  ways.forEach(([name, act]) => document.removeEventListener(name, act))
})
</script>

<template>
  <NTooltip trigger="manual" :show="open" :x="place.x" :y="place.y" :style="{ maxWidth: '320px' }">{{ told }}</NTooltip>
</template>
