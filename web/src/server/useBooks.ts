import { computed, type Ref } from 'vue'
import type {
  Book,
  BookBody,
  BookChange,
  BookInList,
  Capsule,
  KeptLook,
  MadeAs,
  PageChange,
  ToldPage,
  WallInList,
} from '@/api'
import { cache, keys, showNow, touch } from './cache'
import { firstProblem } from './firstProblem'
import { answered, api } from './http'
import { usePlanList } from './usePlans'
import { useServer } from './useServer'
import { useStep } from './useStep'
import { useTried } from './useTried'

/** How often a book is looked at while it is being made, in milliseconds. */
const WATCHED_EVERY = 400

/** A client's books, the newest first. */
export function useBookList(clientId: Ref<string>) {
  const { answer, problem, fresh } = useServer<BookInList[]>(
    () => keys.lookbooks(clientId.value),
    () => answered(api.GET('/api/clients/{client_id}/books', { params: { path: { client_id: clientId.value } } })),
  )
  return { books: computed(() => answer.value ?? []), loaded: fresh, problem }
}

/** What a book can be made of. */
export function useBookSources(clientId: Ref<string>) {
  const at = () => ({ params: { path: { client_id: clientId.value } } })
  const { answer: looks, fresh } = useServer<KeptLook[]>(
    () => keys.looks(clientId.value),
    () => answered(api.GET('/api/clients/{client_id}/looks', at())),
  )
  const { answer: walls } = useServer<WallInList[]>(
    () => keys.walls(clientId.value),
    () => answered(api.GET('/api/clients/{client_id}/walls', at())),
  )
  const { plans } = usePlanList(clientId)
  const { answer: capsules } = useServer<Capsule[]>(
    () => keys.capsules(clientId.value),
    () => answered(api.GET('/api/clients/{client_id}/capsules', at())),
  )
  return {
    looks: computed(() => looks.value ?? []),
    walls: computed(() => walls.value ?? []),
    plans,
    capsules: computed(() => (capsules.value ?? []).filter((one) => one.curve.length > 0)),
    loaded: fresh,
  }
}

/** One of a client's books: written, put in order, made, let go, every step back. */
export function useBooks(clientId: Ref<string>, bookId: Ref<string>, pageId: Ref<string>) {
  const { problem: failed, tried } = useTried()
  const { told, inTurn, undo, redo } = useStep(clientId, tried)
  const at = () => ({ params: { path: { client_id: clientId.value } } })
  const path = () => ({ params: { path: { book_id: bookId.value } } })
  const key = () => keys.lookbook(clientId.value, bookId.value)
  const { answer: book, problem: unread } = useServer<Book>(
    () => (bookId.value ? key() : null),
    () => answered(api.GET('/api/books/{book_id}', path())),
    { keeps: true, every: () => (cache.getQueryData<Book>(key())?.making == null ? false : WATCHED_EVERY) },
  )
  const { answer: page, problem: untold } = useServer<ToldPage>(
    () => (bookId.value && pageId.value ? keys.bookPage(clientId.value, bookId.value, pageId.value) : null),
    () =>
      answered(
        api.GET('/api/books/{book_id}/pages/{page_id}', {
          params: { path: { book_id: bookId.value, page_id: pageId.value } },
        }),
      ),
    { keeps: true },
  )
  const done = (act: () => Promise<Book>) =>
    inTurn(() =>
      tried(async () => {
        const made = await act()
        const name = keys.lookbook(clientId.value, made.id)
        await showNow<Book>(name, () => made)
        await touch(keys.lookbooks(clientId.value), keys.bookPages(clientId.value), keys.changes(clientId.value))
        return made
      }),
    )
  const begin = (body: BookBody) => done(() => answered(api.POST('/api/clients/{client_id}/books', { ...at(), body })))
  const add = (looks: string[]) =>
    done(() => answered(api.POST('/api/books/{book_id}/pages', { ...path(), body: { looks } })))
  const change = (body: BookChange) => done(() => answered(api.PUT('/api/books/{book_id}', { ...path(), body })))
  const order = (by: 'occasion' | 'season') =>
    done(() => answered(api.POST('/api/books/{book_id}/order', { ...path(), body: { by } })))
  const write = (page_id: string, body: PageChange) =>
    done(() =>
      answered(
        api.PUT('/api/books/{book_id}/pages/{page_id}', {
          params: { path: { book_id: bookId.value, page_id } },
          body,
        }),
      ),
    )
  const make = (kinds: MadeAs[]) =>
    done(() => answered(api.POST('/api/books/{book_id}/making', { ...path(), body: { kinds } })))
  const stop = () => done(() => answered(api.DELETE('/api/books/{book_id}/making', path())))
  const letGo = (one: Book) =>
    inTurn(() =>
      tried(async () => {
        await answered(api.DELETE('/api/books/{book_id}', { params: { path: { book_id: one.id } } }))
        told.value = `${one.title} is let go. Ctrl+Z puts it back.`
        await touch(keys.lookbooks(clientId.value), keys.changes(clientId.value))
        return true
      }),
    )
  return {
    book,
    page,
    told,
    problem: firstProblem(failed, unread, untold),
    begin,
    add,
    change,
    order,
    write,
    make,
    stop,
    letGo,
    undo,
    redo,
  }
}
