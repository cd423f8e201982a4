/** Removes what this browser remembers of an erased client: words on photos, looks that were being made. */
export function forgetClient(clientId: string, photoIds: string[]): void {
  for (const key of Object.keys(localStorage)) {
    const kept = localStorage.getItem(key) ?? ''
    if (key.includes(clientId)) {
      localStorage.removeItem(key)
      continue
    }
    if (!kept.startsWith('{')) continue
    const value = JSON.parse(kept) as Record<string, unknown>
    const gone = [clientId, ...photoIds].filter((id) => id in value)
    if (!gone.length) continue
    for (const id of gone) delete value[id]
    localStorage.setItem(key, JSON.stringify(value))
  }
}
