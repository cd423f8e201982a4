import { useQuery, type QueryKey } from '@tanstack/vue-query'
import { computed, ref, watch, type ComputedRef, type Ref } from 'vue'
import type { Problem } from '@/api'
import { asProblem } from './http'

interface Options {
  /** How often it is asked again by itself, in milliseconds; false for not at all. */
  every?: () => number | false
  /** Whether the answer to the question before stays until the new one is there. */
  keeps?: boolean
  /** Whether it may be asked now; what waits for something else is asked once that is there. */
  now?: () => boolean
  /** How long an answer that nobody shows is remembered, in milliseconds. */
  remembered?: number
}

export interface Served<T> {
  answer: ComputedRef<T | null>
  problem: ComputedRef<Problem | null>
  /** Whether an answer has come since this was opened or asked of somebody else; before, it may be an old one. */
  fresh: Ref<boolean>
  /** Whether it is being asked. */
  asking: ComputedRef<boolean>
  again: () => Promise<void>
}

/** A question to the server, by its name in the cache; without a name nothing is asked. */
export function useServer<T>(key: () => QueryKey | null, ask: () => Promise<T>, options: Options = {}): Served<T> {
  const name = computed(() => key())
  /** What was answered before nothing was asked says nothing of what is asked now. */
  let apart = false
  watch(name, (now) => (apart ||= now === null), { flush: 'sync' })
  const staying = <D>(before: D | undefined): D | undefined => (apart ? undefined : before)
  const query = useQuery({
    queryKey: computed(() => name.value ?? ['nothing']),
    queryFn: ask,
    enabled: computed(() => name.value !== null && (options.now?.() ?? true)),
    shallow: true,
    ...(options.every ? { refetchInterval: options.every } : {}),
    ...(options.keeps ? { placeholderData: staying } : {}),
    ...(options.remembered === undefined ? {} : { gcTime: options.remembered }),
  })
  const answer = computed(() => (name.value === null ? null : ((query.data.value as T | undefined) ?? null)))
  const problem = computed(() => (name.value !== null && query.error.value ? asProblem(query.error.value) : null))
  const fresh = ref(false)
  const settled = computed(() => query.isSuccess.value && !query.isFetching.value && !query.isPlaceholderData.value)
  watch(
    () => JSON.stringify(name.value),
    () => (fresh.value = false),
  )
  watch(
    [settled, name],
    () => {
      if (!settled.value || name.value === null) return
      fresh.value = true
      apart = false
    },
    { immediate: true },
  )
  const asking = computed(() => query.isFetching.value)
  return { answer, problem, fresh, asking, again: async () => void (await query.refetch()) }
}
