import createClient from 'openapi-fetch'
import type { paths } from '@/api/schema'
import type { Problem } from '@/api'

/** Only what lies in this folder speaks to the server. */
export const api = createClient<paths>({ baseUrl: '/' })

const UNREACHABLE: Problem = {
  what: 'the application does not answer.',
  where: '',
  do: 'See whether it still runs, start it again if not; what was kept is safe.',
}

/** The data of an answer; throws a Problem that can be shown as it is. */
export async function answered<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let done
  try {
    done = await call
  } catch {
    throw UNREACHABLE
  }
  if (done.response.ok) return done.data as T
  throw asProblem(done.error)
}

export function asProblem(error: unknown): Problem {
  if (typeof error === 'object' && error !== null && 'what' in error) {
    const { what, where, do: todo } = error as Partial<Problem>
    return { what: what ?? '', where: where ?? '', do: todo ?? '' }
  }
  return UNREACHABLE
}

/** Files as the body of a form, with what is said beside them: the generated client has no words for files. */
export function asForm(
  field: string,
  files: File[],
  beside: Record<string, string> = {},
): { body: never; bodySerializer: () => FormData } {
  const form = new FormData()
  for (const file of files) form.append(field, file, file.name)
  for (const [name, value] of Object.entries(beside)) form.append(name, value)
  return { body: form as never, bodySerializer: () => form }
}
