import { computed, shallowRef, type Ref, type WritableComputedRef } from 'vue'
import type { Problem } from '@/api'

/** The first of some problems. Putting it away, by writing null, shows the next one. */
export function firstProblem(...from: Ref<Problem | null>[]): WritableComputedRef<Problem | null, null> {
  const away = shallowRef<Problem[]>([])
  const shown = () => from.map((one) => one.value).find((one) => one !== null && !away.value.includes(one)) ?? null
  return computed({
    get: shown,
    set: () => {
      const now = shown()
      if (now) away.value = [...away.value, now].slice(-20)
    },
  })
}
