import { expect, test } from 'vitest'
import { useTried } from './useTried'

const fails = (what: string) => async () => {
  throw new Error(what)
}
const works = async () => 'done'
/** An act that ends when it is told to. */
function held() {
  let end = () => {}
  const ended = new Promise<void>((resolve) => (end = resolve))
  return { act: () => ended, end }
}

test('a deed that works clears what went wrong before it', async () => {
  const { problem, tried } = useTried()
  expect(await tried(fails('broken'))).toBeNull()
  expect(problem.value).not.toBeNull()
  expect(await tried(works)).toBe('done')
  expect(problem.value).toBeNull()
})

test('an older deed that ends well leaves what went wrong meanwhile', async () => {
  const { problem, tried } = useTried()
  const older = held()
  const running = tried(older.act)
  await tried(fails('broken'))
  older.end()
  await running
  expect(problem.value).not.toBeNull()
})

test('what fails within a deed stays told', async () => {
  const { problem, tried } = useTried()
  await tried(() => tried(fails('broken')))
  expect(problem.value).not.toBeNull()
})
