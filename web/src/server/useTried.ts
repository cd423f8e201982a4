import { ref, type Ref } from 'vue'
import type { Problem } from '@/api'
import { asProblem } from './http'

export type Try = <T>(act: () => Promise<T>) => Promise<T | null>

/**
 * Runs what may fail and keeps what went wrong for the screen. A success clears what went wrong before it began, never what
 * went wrong meanwhile. What is asked and not done has a problem of its own (useServer).
 */
export function useTried(): { problem: Ref<Problem | null>; tried: Try } {
  const problem = ref<Problem | null>(null)
  async function tried<T>(act: () => Promise<T>): Promise<T | null> {
    const before = problem.value
    try {
      const done = await act()
      if (problem.value === before) problem.value = null
      return done
    } catch (error) {
      problem.value = asProblem(error)
      return null
    }
  }
  return { problem, tried }
}
