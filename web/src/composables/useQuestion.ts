import { useLocalStorage } from '@vueuse/core'
import { computed, watch, type Ref } from 'vue'
import type { Wall, WallBody } from '@/api'

export const NINE: WallBody = {
  name: '',
  number: 9,
  start: [],
  share: 'one',
  formality: null,
  warmth: null,
  wet: false,
  time: '',
  intent: null,
  theme: null,
  spread: false,
  seed: 0,
  by_log: false,
}

/** What is to be asked, kept on this machine at every change; a wall that is opened brings its own question. */
export function useQuestion(clientId: Ref<string>, wall: Ref<Wall | null>) {
  const all = useLocalStorage<Record<string, WallBody>>('look-questions', {})
  const body = computed<WallBody>(() => ({ ...NINE, ...all.value[clientId.value] }))
  const change = (next: Partial<WallBody>) =>
    (all.value = { ...all.value, [clientId.value]: { ...body.value, ...next } })
  watch(
    () => wall.value?.id,
    () => {
      const { wanted, name } = wall.value ?? {}
      if (wanted && name !== undefined) change({ ...wanted, name })
    },
    { immediate: true },
  )
  return { body, change }
}
