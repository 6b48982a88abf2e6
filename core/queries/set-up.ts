import { ColumnPlaces, heldByColumn } from '../board/columns'
import type { CommandId, ProjectId } from '../base/ids'
import type { Effects } from '../commands/effects'
import { commandOf, type BareCommand } from '../commands/registry'
import { personActor } from '../change/actor'
import type { Result } from '../base/result'
import { itemsHeld } from '../projects/delete'
import { retypeOutcome, type RetypeOutcome, type Retyping } from '../projects/set-up/retype'
import { boardsOf, type Reader } from '../model/reader'
import { askedQuery, compared, watchedQuery } from './contract'

/** How many items of a project stand where. */
export interface StandingAnswer {
  /** By status: archived items aside. */
  readonly statuses: Readonly<Record<string, number>>
  /** By column of any of its boards. */
  readonly columns: Readonly<Record<string, number>>
  /** What the limits of columns count, where that is the sum of a field. */
  readonly sums: Readonly<Record<string, number>>
}

/** How many items stand in each status and column of a project. */
export const standing = watchedQuery<{ readonly project: ProjectId }, StandingAnswer>(({ state }, { project }) =>
  compared(() => standingIn(state, project)),
)

function standingIn(reader: Reader, project: ProjectId): StandingAnswer {
  const { status, listed, n } = reader.table(project)
  const counts = new Int32Array(status.codes.ids.length)
  for (let row = 0; row < n; row++) counts[status.a[row]!]! += listed[row]!
  const boards = boardsOf(reader, project).map(({ id }) => heldByColumn(reader, project, new ColumnPlaces(reader, id)))
  return {
    statuses: Object.fromEntries(status.codes.ids.map((id, at) => [id, counts[at] ?? 0])),
    columns: Object.fromEntries(boards.flatMap(({ columns }) => [...columns])),
    sums: Object.fromEntries(boards.flatMap(({ sums }) => [...sums])),
  }
}

/** What says beforehand what a command would touch is no part of what a page begins with. */
export const fetchEffects = () => import('../commands/effects')
/** What a command would touch, or why it cannot be done. */
export const effects = askedQuery<{ readonly command: BareCommand }, Result<Effects>>(
  async ({ state, me, today }, { command }) => {
    const { effects: effectsOf } = await fetchEffects()
    const one = commandOf('00000000-0000-7000-8000-000000000000' as CommandId, command)
    const now = `${today()}T12:00:00.000Z`
    return effectsOf(state, one, {
      command: one.id, by: personActor(me), now, today: today(), isRoom: false, entryOf: () => undefined,
      longText: () => undefined,
    }) // prettier-ignore
  },
)

/** What would become of the values of a field that is made one of another type. */
export const retyped = askedQuery<{ readonly retyping: Retyping }, RetypeOutcome>(({ state }, { retyping }) => retypeOutcome(state, retyping)) // prettier-ignore

/** How long items stay in each status, in ms, by status: the median of the stays that have ended. */
export type TypicalStays = Readonly<Record<string, number>>
export const typicalStays = askedQuery<{ readonly project: ProjectId }, TypicalStays>(
  async ({ server }, { project }) => (await server?.typicalStays(project)) ?? {},
)

/** How many items a project holds, archived ones among them. */
export const itemsInAll = askedQuery<{ readonly project: ProjectId }, number>(({ state }, { project }) => itemsHeld(state, project)) // prettier-ignore
