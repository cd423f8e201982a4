import { computed, watch, type Ref } from 'vue'
import type { Need, Wall, WallBody, WallInList } from '@/api'
import { cache, keys, showNow, touch, touchAllBut } from './cache'
import { firstProblem } from './firstProblem'
import { answered, api } from './http'
import { useServer } from './useServer'
import { useStep } from './useStep'
import { useTried } from './useTried'

/** How often a wall is looked at while its looks are being made, in milliseconds. */
const WATCHED_EVERY = 120

/** A client's walls, and one of them: made, kept, dropped, every step back. */
export function useWalls(clientId: Ref<string>, wallId: Ref<string>) {
  const at = () => ({ params: { path: { client_id: clientId.value } } })
  const key = () => (wallId.value ? keys.wall(clientId.value, wallId.value) : null)
  const { answer: listed, problem: unlisted } = useServer<WallInList[]>(
    () => keys.walls(clientId.value),
    () => answered(api.GET('/api/clients/{client_id}/walls', at())),
  )
  const { answer: wall, problem: unshown } = useServer<Wall>(
    key,
    () => answered(api.GET('/api/walls/{wall_id}', { params: { path: { wall_id: wallId.value } } })),
    {
      every: () => {
        const now = key()
        const there = now && cache.getQueryData<Wall>(now)
        return there && there.making !== null ? WATCHED_EVERY : false
      },
    },
  )
  const { problem: failed, tried } = useTried()
  const { told, inTurn, undo, redo } = useStep(clientId, tried)
  const everything = (now: Wall) => touchAllBut(clientId.value, keys.wall(clientId.value, now.id))
  const listing = () => touch(keys.walls(clientId.value), keys.changes(clientId.value))
  /** changed: what is asked again; nobody waits for it. */
  const done = (act: () => Promise<Wall>, changed: (now: Wall) => Promise<void> | null = everything) =>
    inTurn(() =>
      tried(async () => {
        const now = await act()
        await showNow<Wall>(keys.wall(clientId.value, now.id), () => now)
        void changed(now)
        return now
      }),
    )
  /** Looks that are made change no piece and no kept look: what hangs there is drawn before anything is asked again. */
  const made = (act: () => Promise<Wall>) => done(act, (now) => (now.making === null ? listing() : null))
  watch(wall, (now, before) => {
    if (now?.making === null && before?.making != null && now.id === before.id) void listing()
  })
  const path = () => ({ params: { path: { wall_id: wallId.value } } })
  const lookAt = (look: string) => ({ params: { path: { wall_id: wallId.value, look_id: look } } })

  const make = (body: WallBody) => made(() => answered(api.POST('/api/clients/{client_id}/walls', { ...at(), body })))
  const makeAgain = (body: WallBody) =>
    made(() => answered(api.POST('/api/walls/{wall_id}/making', { ...path(), body })))
  const stop = () => done(() => answered(api.DELETE('/api/walls/{wall_id}/making', path())))
  const rename = (name: string) => done(() => answered(api.PUT('/api/walls/{wall_id}', { ...path(), body: { name } })))
  const tie = (look: string, keep: boolean) =>
    done(() => answered(api.PUT('/api/walls/{wall_id}/looks/{look_id}', { ...lookAt(look), body: { keep } })))
  const drop = (look: string) => done(() => answered(api.DELETE('/api/walls/{wall_id}/looks/{look_id}', lookAt(look))))
  const letGo = (wall: WallInList) =>
    inTurn(() =>
      tried(async () => {
        await answered(api.DELETE('/api/walls/{wall_id}', { params: { path: { wall_id: wall.id } } }))
        told.value = `${wall.name} is let go. Ctrl+Z puts it back.`
        await touch(keys.walls(clientId.value))
      }),
    )
  return {
    walls: computed(() => listed.value ?? []),
    wall,
    told,
    problem: firstProblem(failed, unshown, unlisted),
    make,
    makeAgain,
    stop,
    rename,
    tie,
    drop,
    letGo,
    undo,
    redo,
  }
}

/** What a piece that no look of a wall uses would need; nothing asked without a piece. */
export function useNeed(clientId: Ref<string>, wallId: Ref<string>, piece: Ref<string | null>) {
  const { answer, problem } = useServer<Need>(
    () => (piece.value && wallId.value ? keys.need(clientId.value, wallId.value, piece.value) : null),
    () =>
      answered(
        api.GET('/api/walls/{wall_id}/need', {
          params: { path: { wall_id: wallId.value }, query: { piece: piece.value ?? '' } },
        }),
      ),
  )
  return { need: answer, problem }
}
