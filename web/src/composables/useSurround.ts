import { useLocalStorage } from '@vueuse/core'
import { watch } from 'vue'
import { hangSurround, SURROUNDS, type Surround } from '@/theme'

const surround = useLocalStorage<Surround>('surround', 'day')

/** What people judge colour against: chosen once, kept on this machine. */
export function useSurround() {
  if (!(surround.value in SURROUNDS)) surround.value = 'day'
  watch(surround, hangSurround, { immediate: true })
  return surround
}
