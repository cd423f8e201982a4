import { ref, watch, type Ref } from 'vue'
import type { Asking, Turn } from '@/api'
import { TURNS } from '@/lib/making'
import { useTurns } from '@/server/useTurns'

/** Where a look is to be turned to, and what turns it there; another look has not been asked yet. */
export function useTurning(clientId: Ref<string>, asking: Ref<Asking | null>) {
  const turningOpen = ref(false)
  const to = ref<Turn | null>(null)
  const { turns, turning, problem } = useTurns(clientId, asking, to)
  watch(
    () => asking.value?.pieces.join(),
    () => (to.value = null),
  )
  const turnedName = (name: string) => `${name}, ${TURNS.find((one) => one.to === to.value)?.word ?? 'turned'}`
  return { turningOpen, to, turns, turning, turnedName, problem }
}
