import type { BookEntry } from '@/api'
import { keys, touch } from './cache'
import { answered, api } from './http'
import { useServer } from './useServer'
import { useTried } from './useTried'

/** The clients' book. wanted: whether it is needed yet. */
export function useClients(wanted: () => boolean = () => true) {
  return useServer<BookEntry[]>(
    () => (wanted() ? keys.clients : null),
    () => answered(api.GET('/api/clients')),
  )
}

/** A client who is new in the book. */
export function useNewClient() {
  const { problem, tried } = useTried()
  const add = (name: string, consent: boolean, consent_for: string) =>
    tried(async () => {
      const client = await answered(api.POST('/api/clients', { body: { name, note: '', consent, consent_for } }))
      await touch(keys.clients)
      return client
    })
  return { problem, add }
}
