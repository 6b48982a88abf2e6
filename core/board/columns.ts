import { assertNever } from '../base/result'
import { columnsOf, type Reader } from '../model/reader'
import type { BoardColumn, ProjectId } from '../model/records'

/** How much room a column has. `none`: it has no limit. */
export type Room =
  | { readonly is: 'none' }
  | { readonly is: 'room'; readonly by: number }
  | { readonly is: 'full' }
  | { readonly is: 'over'; readonly by: number }

/** How much room a column with some items has. `limit` null: it has none. */
export function roomOf(held: number, limit: number | null): Room {
  if (limit === null) return { is: 'none' }
  if (held < limit) return { is: 'room', by: limit - held }
  return held === limit ? { is: 'full' } : { is: 'over', by: held - limit }
}

/** A column’s room in words; none is ''. */
export function roomWords(room: Room): string {
  switch (room.is) {
    case 'none':
      return ''
    case 'room':
      return `room for ${room.by}`
    case 'full':
      return 'full'
    case 'over':
      return `${room.by} over`
    default:
      return assertNever(room)
  }
}

/** What a drop of `n` more cards would do. */
export interface Drop {
  readonly words: string
  /** The column would then hold more than it should. */
  readonly isOver: boolean
}

/** What a drop of `n` more cards on a column would do; with none more, how it is. */
export function dropOn(held: number, limit: number | null, n: number): Drop {
  const room = roomOf(held + n, limit)
  return {
    words: n ? moreWords(room, n === 1 ? '1 more' : `${n} more`) : roomWords(room) || 'here',
    isOver: room.is === 'over',
  }
}

function moreWords(room: Room, more: string): string {
  switch (room.is) {
    case 'none':
      return `${more} here`
    case 'room':
      return `${more}, then room for ${room.by}`
    case 'full':
      return `${more} makes it full`
    case 'over':
      return `${more} would make it ${room.by} over`
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
  return { columns, outside }
}
