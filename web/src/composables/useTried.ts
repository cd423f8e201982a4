import { ref, type Ref } from 'vue'
import { asProblem, type Problem } from '@/api'

/** Runs what may fail and keeps what went wrong for the screen; a success clears it. */
export function useTried(): { problem: Ref<Problem | null>; tried: <T>(act: () => Promise<T>) => Promise<T | null> } {
  const problem = ref<Problem | null>(null)
  async function tried<T>(act: () => Promise<T>): Promise<T | null> {
    try {
      const done = await act()
      problem.value = null
      return done
    } catch (error) {
      problem.value = asProblem(error)
      return null
    }
  }
  return { problem, tried }
}
