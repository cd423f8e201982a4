import type { Taste } from '@/api'
import { keys, touch } from './cache'
import { answered, api } from './http'
import { firstProblem } from './firstProblem'
import { useServer } from './useServer'
import { useTried } from './useTried'

/** What the stylist's own verdicts say of the rules; moved only when asked, and put back at will. */
export function useTaste() {
  const { answer, problem: asked } = useServer<Taste>(
    () => keys.taste,
    () => answered(api.GET('/api/taste')),
  )
  const { problem: failed, tried } = useTried()
  const changed = (act: () => Promise<unknown>) =>
    tried(async () => {
      await act()
      await touch(keys.taste, ['client'])
    })
  const move = () => changed(() => answered(api.POST('/api/taste')))
  const back = () => changed(() => answered(api.DELETE('/api/taste')))
  return { taste: answer, problem: firstProblem(failed, asked), move, back }
}
