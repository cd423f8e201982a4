import createClient from 'openapi-fetch'
import type { components, paths } from './schema'

export type Client = components['schemas']['ClientAnswer']
export type BookEntry = components['schemas']['BookEntry']
export type Photo = components['schemas']['PhotoAnswer']
export type Taken = components['schemas']['TakenAnswer']
export type Piece = components['schemas']['PieceAnswer']
export type Judged = components['schemas']['JudgedAnswer']
export type Measures = components['schemas']['MeasuresDocument']
export type Measure = components['schemas']['MeasureDocument']
export type Mend = components['schemas']['MendDocument']
export type Stitch = components['schemas']['StitchAnswer']
export type KeptLook = components['schemas']['LookAnswer']
export type LookKept = Partial<components['schemas']['LookParticularsDocument']>
export type LookBody = components['schemas']['LookRequest']
export type Taste = components['schemas']['TasteAnswer']
export type Word = components['schemas']['WordRequest']
/** What changes of what is kept about a piece; what is left out stays. */
export type Kept = Partial<components['schemas']['ParticularsDocument']>
export type RailWord = components['schemas']['ChangeRequest']
export type DayVerdict = components['schemas']['DayVerdict']
export type Season = components['schemas']['Season']
export type Audit = components['schemas']['AuditAnswer']
export type Share = components['schemas']['ShareAnswer']
export type Work = components['schemas']['WorkAnswer']
export type Company = components['schemas']['CompanyAnswer']
export type Palette = components['schemas']['PaletteAnswer']
export type Leanings = components['schemas']['LeaningsAnswer']
export type Habit = components['schemas']['HabitAnswer']
export type RailChange = components['schemas']['ChangeAnswer']
export type Import = components['schemas']['ImportAnswer']
export type Bin = components['schemas']['Bin']
export type Metal = components['schemas']['Metal']
export type Category = components['schemas']['Category']
export type PatternType = components['schemas']['PatternType']
export type Light = components['schemas']['LightAnswer']
export type Worn = components['schemas']['Worn']
export type Schools = components['schemas']['ConventionsDocument']
export type Asking = components['schemas']['JudgeRequest']
export type Intent = components['schemas']['Intent']
export type Zone = components['schemas']['Zone']
export type Stroke = components['schemas']['StrokeRequest']
export type Alike = components['schemas']['AlikeAnswer']
export type Neighbour = components['schemas']['NeighbourAnswer']
export type Holdings = components['schemas']['HoldingsAnswer']
export type SetAside = components['schemas']['AsideAnswer']
export type Backups = components['schemas']['BackupsAnswer']
export type Studio = components['schemas']['StudioAnswer']
export type Rereading = components['schemas']['RereadingAnswer']
export type NeutralMark = components['schemas']['NeutralMark']
export type Spots = components['schemas']['SpotsDocument']
export type Portrait = components['schemas']['PortraitAnswer']
export type Colouring = components['schemas']['ColouringAnswer']
export type FaceColour = components['schemas']['FaceColour']
export type Trial = components['schemas']['TrialAnswer']
export type Drape = components['schemas']['DrapeAnswer']
export type Follows = components['schemas']['FollowsAnswer']
export type SideBySide = components['schemas']['SideBySideAnswer']
export type ComparedPhoto = components['schemas']['ComparedPhotoAnswer']
export type PhotoPair = components['schemas']['BesideAnswer']
export type Frame = components['schemas']['FrameAnswer']
export type About = components['schemas']['AboutDocument']
export type Erased = components['schemas']['ErasedAnswer']
export type Veil = components['schemas']['Veil']
export type Held = components['schemas']['Held']
export type Problem = { what: string; where: string; do: string }

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
