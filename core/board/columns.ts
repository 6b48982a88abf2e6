import { assertNever } from '../base/result'
import { figuresOf } from '../fields/registry'
import { NumberColumn } from '../fields/columns/column'
import { columnsOf, limitSetOf, type LimitSet, type Reader } from '../model/reader'
import type { BoardColumn, ProjectId } from '../model/records'

/** How much room a column has. `none`: it has no limit. */
export type Room =
  | { readonly is: 'none' }
  | { readonly is: 'room'; readonly by: number }
  | { readonly is: 'under'; readonly by: number }
  | { readonly is: 'full' }
  | { readonly is: 'over'; readonly by: number }

/** How much room a column that holds so much has. `limit` null: it has none; `least`: less than that is too little. */
export function roomOf(held: number, limit: number | null, least: number | null = null): Room {
  if (least !== null && held < least) return { is: 'under', by: least - held }
  if (limit === null) return { is: 'none' }
  if (held < limit) return { is: 'room', by: limit - held }
  return held === limit ? { is: 'full' } : { is: 'over', by: held - limit }
}

/** A column’s room in words; none is ''. `say`: an amount as its limit counts it. */
export function roomWords(room: Room, say: (amount: number) => string = String): string {
  switch (room.is) {
    case 'none':
      return ''
    case 'room':
      return `room for ${say(room.by)}`
    case 'under':
      return `${say(room.by)} too few`
    case 'full':
      return 'full'
    case 'over':
      return `${say(room.by)} over`
    default:
      return assertNever(room)
  }
}

/** How amounts that a limit counts are said: with the unit of its field, where it sums one. */
export function amountSaid(reader: Reader, of: string | null): (amount: number) => string {
  return of ? figuresOf(reader.maybe('field', of)).say : String
}

/** What a drop of `n` more cards would do. */
export interface Drop {
  readonly words: string
  /** The column would then hold more than it should. */
  readonly isOver: boolean
  /** Nobody may, but a lead with a reason. */
  readonly isStopped?: boolean
}

/** What more on a column would do, by what its limit counts; with nothing more, how it is. */
export function dropOn(
  held: number,
  limit: Pick<LimitSet, 'most' | 'stops'> | null,
  more: number,
  say: (amount: number) => string = String,
): Drop {
  const room = roomOf(held + more, limit?.most ?? null)
  const isOver = room.is === 'over'
  if (more > 0 && isOver && limit?.stops) return { words: `stops at ${say(limit.most ?? 0)}`, isOver, isStopped: true }
  return { words: more ? moreWords(room, `${say(more)} more`, say) : roomWords(room, say) || 'here', isOver }
}

function moreWords(room: Room, more: string, say: (amount: number) => string): string {
  switch (room.is) {
    case 'none':
      return `${more} here`
    case 'room':
      return `${more}, then room for ${say(room.by)}`
    case 'under':
      return `${more} here`
    case 'full':
      return `${more} makes it full`
    case 'over':
      return `${more} would make it ${say(room.by)} over`
    default:
      return assertNever(room)
  }
}

/** Which column of a board an item of a kind and a status is in. */
export class ColumnPlaces {
  /** By status: the column for every kind, and those for named ones. */
  readonly #byStatus = new Map<string, { all?: BoardColumn; readonly byKind: Map<string, BoardColumn> }>()
  readonly columns: readonly BoardColumn[]

  constructor(reader: Reader, board: string) {
    this.columns = columnsOf(reader, board)
    const byId = new Map(this.columns.map((column) => [column.id as string, column]))
    for (const { column, status, kind } of reader.all('columnStatus')) {
      const its = byId.get(column)
      if (!its) continue
      const places = this.#byStatus.get(status) ?? { byKind: new Map<string, BoardColumn>() }
      this.#byStatus.set(status, places)
      if (kind) places.byKind.set(kind, its)
      else places.all = its
    }
  }

  /** Undefined: no column of the board holds it. A column for the kind itself goes before one for every kind. */
  columnOf(kind: string, status: string): BoardColumn | undefined {
    const places = this.#byStatus.get(status)
    return places && (places.byKind.get(kind) ?? places.all)
  }
}

/** How many items a board has in each column, and in statuses that none of its columns holds. */
export interface Held {
  readonly columns: Map<string, number>
  readonly outside: Map<string, number>
  /** What the limit of a column counts, where that is the sum of a field, by column. */
  readonly sums: Map<string, number>
}
/**
 * How many items each column holds, by its id: every item of the project that is not archived and whose status the column
 * holds for its kind, at every level, whatever a view leaves out. The others by their status.
 */
export function heldByColumn(reader: Reader, project: ProjectId, places: ColumnPlaces): Held {
  const columns = new Map(places.columns.map((column) => [column.id as string, 0]))
  const outside = new Map<string, number>()
  const { kind, status, listed, n } = reader.table(project)
  const kinds = kind.codes.ids.length
  const counts = new Int32Array(status.codes.ids.length * kinds)
  for (let row = 0; row < n; row++) counts[status.a[row]! * kinds + kind.a[row]!]! += listed[row]!
  counts.forEach((count, at) => {
    if (!count) return
    const of = status.codes.ids[Math.floor(at / kinds)]!
    const column = places.columnOf(kind.codes.ids[at % kinds]!, of)
    if (column) columns.set(column.id, (columns.get(column.id) ?? 0) + count)
    else outside.set(of, (outside.get(of) ?? 0) + count)
  })
  return { columns, outside, sums: sumsByColumn(reader, project, places) }
}

/** The sums that limits count, at the scale of their fields. */
function sumsByColumn(reader: Reader, project: ProjectId, places: ColumnPlaces): Map<string, number> {
  const sums = new Map<string, number>()
  for (const { id } of places.columns) {
    const of = limitSetOf(reader, id)?.of
    if (of) sums.set(id, sumIn(reader, project, places, id, of))
  }
  return sums
}

function sumIn(reader: Reader, project: ProjectId, places: ColumnPlaces, id: string, field: string): number {
  const { kind, status, listed, n, values } = reader.table(project)
  const column = values.get(field)
  if (!(column instanceof NumberColumn)) return 0
  const kinds = kind.codes.ids.length
  const isIn = Array.from({ length: status.codes.ids.length * kinds }, (_, at) => places.columnOf(kind.codes.ids[at % kinds]!, status.codes.ids[Math.floor(at / kinds)]!)?.id === id) // prettier-ignore
  let sum = 0
  for (let row = 0; row < n; row++)
    if (listed[row] && isIn[status.a[row]! * kinds + kind.a[row]!] && !column.isEmpty(row)) sum += column.a[row]!
  return sum
}
