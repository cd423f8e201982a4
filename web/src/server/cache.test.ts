import { QueryObserver } from '@tanstack/vue-query'
import { beforeEach, expect, test } from 'vitest'
import { cache, showNow, touch, touchAllBut } from './cache'

const KEY = ['client', 'one', 'photos']

/** A server whose answers come when they are let go, each with what it knew when it was asked. */
function slowServer() {
  let knows = 'before'
  const answers: (() => void)[] = []
  const ask = () => {
    const said = knows
    return new Promise<string>((resolve) => answers.push(() => resolve(said)))
  }
  return { ask, answers, change: () => (knows = 'after') }
}
const turns = () => new Promise((resolve) => setTimeout(resolve))
const shown = (ask: () => Promise<string>) => {
  const observer = new QueryObserver(cache, { queryKey: KEY, queryFn: ask })
  return { stop: observer.subscribe(() => {}), said: () => observer.getCurrentResult().data }
}
/** A list whose first answer is there. */
async function answeredList() {
  const server = slowServer()
  const list = shown(server.ask)
  server.answers[0]?.()
  await turns()
  return { server, list }
}

beforeEach(() => cache.clear())

test.each([
  ['by its name', () => touch(KEY)],
  ['with all of its client', () => touchAllBut('one', ['client', 'one', 'jobs'])],
])('a first answer from before a change is asked for again, touched %s', async (_, touched) => {
  const server = slowServer()
  const list = shown(server.ask)
  server.change()
  const done = touched()
  server.answers[0]?.()
  await turns()
  expect(server.answers).toHaveLength(2)
  server.answers[1]?.()
  await done
  expect(list.said()).toBe('after')
  list.stop()
})

test('an answer that is there is asked for once', async () => {
  const { server, list } = await answeredList()
  server.change()
  const done = touch(KEY)
  await turns()
  server.answers[1]?.()
  await done
  expect(server.answers).toHaveLength(2)
  expect(list.said()).toBe('after')
  list.stop()
})

test('an older answer does not undo what is known, and whoever shows it hears that one was on its way', async () => {
  const { server, list } = await answeredList()
  void touch(KEY)
  await turns()
  expect(await showNow<string>(KEY, () => 'known')).toBe(true)
  server.answers[1]?.()
  await turns()
  expect(list.said()).toBe('known')
  expect(await showNow<string>(KEY, (before) => `${before} well`)).toBe(false)
  expect(list.said()).toBe('known well')
  list.stop()
})
