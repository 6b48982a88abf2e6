import type { Reader } from '../model/reader'
import type { Board, Column, ProjectId } from '../model/records'
import { assertNever } from '../base/result'

/** How much room a column has. `none`: it has no limit. */
export type Room =
  | { readonly is: 'none' }
  | { readonly is: 'room'; readonly by: number }
  | { readonly is: 'full' }
  | { readonly is: 'over'; readonly by: number }

export function roomOf(held: number, limit: number | null): Room {
  if (limit === null) return { is: 'none' }
  if (held < limit) return { is: 'room', by: limit - held }
  return held === limit ? { is: 'full' } : { is: 'over', by: held - limit }
}

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

/** What a drop of `n` more cards would do, in words. */
export function dropWords(held: number, limit: number | null, n: number): string {
  const room = roomOf(held + n, limit)
  const more = n === 1 ? '1 more' : `${n} more`
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

/**
 * How many items each column holds: every unarchived item of the project whose status the column holds, at every
 * level, whatever a view leaves out.
 */
export function heldByColumn(reader: Reader, project: ProjectId, board: Board): Map<string, number> {
  const columnOf = columnByStatus(board)
  const held = new Map(board.definition.columns.map((column) => [column.id, 0]))
  const { status, listed, n } = reader.table(project)
  const byCode = new Int32Array(status.codes.ids.length)
  for (let row = 0; row < n; row++) byCode[status.a[row]!]! += listed[row]!
  byCode.forEach((count, code) => {
    const column = columnOf.get(status.codes.ids[code]!)
    if (column) held.set(column.id, (held.get(column.id) ?? 0) + count)
  })
  return held
}

export const columnByStatus = (board: Board): Map<string, Column> =>
  new Map(board.definition.columns.flatMap((column) => column.statuses.map((status) => [status, column] as const)))
