import { ref, type Ref } from 'vue'
import { asProblem, type Problem } from '@/api'

type Try = <T>(act: () => Promise<T>) => Promise<T | null>

/**
 * Runs what may fail and keeps what went wrong for the screen. A success clears what went wrong before it began, never what
 * went wrong meanwhile. What the screen looks up by itself goes `unasked`: its success clears no other problem than its own.
 */
export function useTried(): { problem: Ref<Problem | null>; tried: Try; unasked: Try } {
  const problem = ref<Problem | null>(null)
  let fromUnasked = false
  async function run<T>(act: () => Promise<T>, unasked: boolean): Promise<T | null> {
    const before = problem.value
    try {
      const done = await act()
      if (problem.value === before && (!unasked || fromUnasked)) problem.value = null
      return done
    } catch (error) {
      problem.value = asProblem(error)
      fromUnasked = unasked
      return null
    }
  }
  return { problem, tried: (act) => run(act, false), unasked: (act) => run(act, true) }
}
