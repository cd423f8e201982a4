import { shallowRef, watch, type Ref, type WatchSource } from 'vue'
import type { Problem } from '@/api'
import { useTried } from './useTried'

/** Something that is asked of the server again whenever what it rests on changes; the newest question wins. */
export function useAsked<T>(
  ask: () => Promise<T> | null,
  on: WatchSource[],
): { answer: Ref<T | null>; problem: Ref<Problem | null>; again: () => Promise<void> } {
  const answer = shallowRef<T | null>(null)
  const { problem, tried } = useTried()
  let newest = 0
  async function again() {
    const mine = ++newest
    const asked = ask()
    const got = asked && (await tried(() => asked))
    if (mine === newest && (got !== null || !asked)) answer.value = got
  }
  watch(on, again, { immediate: true })
  return { answer, problem, again }
}
