import { answered, api, type Piece } from '@/api'

let early: { client: string; pieces: Promise<Piece[]> } | null = null

const ask = (client: string): Promise<Piece[]> =>
  answered(api.GET('/api/clients/{client_id}/rail', { params: { path: { client_id: client } } }))

/** Asks for a rail while the screen that shows it is still being loaded. */
export function askEarly(client: string): void {
  early = { client, pieces: ask(client) }
  early.pieces.catch(() => {}) // the screen that takes it says what went wrong
}

/** The pieces of a rail; what was asked for early is taken once. */
export function railOf(client: string): Promise<Piece[]> {
  const asked = early
  early = null
  return asked?.client === client ? asked.pieces : ask(client)
}
