/** Limits that stop: whatever way an item comes in, a stopped column goes no further past its limit. */
import { amountSaid, ColumnPlaces, heldByColumn } from '../board/columns'
import { inPieces, type Pieces } from '../base/pieces'
import { problem, type Problem } from '../base/result'
import { boardsOf, limitSetOf, type LimitSet, type Reader } from '../model/reader'
import type { BoardColumn, Item, ProjectId } from '../model/records'
import type { After } from './after'

/** What a project is set up with; setting it up, and undo, are held to no limit. */
const setUp =
  /^(?:status|step|kind|field|option|column|limit|workflow|project|projects|person|member|people|view|look)\.|^revert$/
/** A command as the laws look at it. */
export interface HeldCommand {
  readonly type: string
  readonly commands?: readonly { readonly type: string }[]
  readonly through?: string | undefined
}
/** Whether a command is held to limits that stop, to allowed moves and to what entering a status asks for. */
export const isHeldToLimits = ({ type, commands }: HeldCommand): boolean =>
  commands ? commands.some((one) => !setUp.test(one.type)) : !setUp.test(type)

/** So many of the items that come are named. */
const mostNamed = 1000

interface Stop {
  readonly column: BoardColumn
  readonly limit: LimitSet & { readonly most: number }
}

/** A column that a patch takes further past a limit that stops. */
export function* overfilled(reader: Reader, after: After): Pieces<Problem | undefined> {
  for (const project of projectsIn(reader, after))
    for (const { id } of boardsOf(reader, project)) {
      const places = new ColumnPlaces(reader, id)
      const stops = places.columns.flatMap((column): Stop[] => {
        const limit = limitSetOf(reader, column.id)
        return limit?.stops && limit.most !== null ? [{ column, limit: { ...limit, most: limit.most } }] : []
      })
      const broken = stops.length ? yield* firstFull(reader, after, project, places, stops) : undefined
      if (broken) return broken
    }
  return undefined
}

/** Those with a limit that stops, and with items that the patch touches. */
function projectsIn(reader: Reader, after: After): ProjectId[] {
  const stopped = new Set<string>()
  for (const { column, stops } of reader.all('limit')) {
    const board = stops ? reader.maybe('column', column)?.board : undefined
    const project = board && reader.maybe('board', board)?.project
    if (project) stopped.add(project)
  }
  if (!stopped.size) return []
  const found = new Set<ProjectId>()
  for (const { id } of after.of('item')) {
    const project = after.column(id, 'project')
    if (project && stopped.has(project)) found.add(project)
  }
  return [...found]
}

function* firstFull(
  reader: Reader,
  after: After,
  project: ProjectId,
  places: ColumnPlaces,
  stops: readonly Stop[],
): Pieces<Problem | undefined> {
  const more = new Map<string, number>()
  const coming = new Map<string, string[]>()
  const limitOfColumn = new Map(stops.map(({ column, limit }) => [column.id as string, limit]))
  const add = (item: Item | undefined, sign: 1 | -1): string | undefined => {
    if (!item || item.archived || item.project !== project) return undefined
    const column = places.columnOf(item.kind, item.status)?.id
    const limit = column && limitOfColumn.get(column)
    if (!column || !limit) return undefined
    more.set(column, (more.get(column) ?? 0) + sign * (limit.of ? Number(item.values[limit.of] ?? 0) : 1))
    return column
  }
  yield* inPieces(after.of('item'), ({ id }) => {
    if (after.column(id, 'project') !== project && reader.placeOf(id)?.table.project !== project) return
    add(reader.maybe('item', id), -1)
    const column = add(after.item(id), 1)
    if (!column) return
    const known = coming.get(column)
    if (!known) coming.set(column, [id])
    else if (known.length < mostNamed) known.push(id)
  })
  const let_ = new Set(after.of('overrule').flatMap(({ id }) => after.maybe('overrule', id)?.column ?? []))
  const held = stops.some(({ column }) => (more.get(column.id) ?? 0) > 0)
    ? heldByColumn(reader, project, places)
    : undefined
  for (const { column, limit } of stops) {
    const by = more.get(column.id) ?? 0
    if (by <= 0 || let_.has(column.id)) continue
    const would = (held?.sums.get(column.id) ?? held?.columns.get(column.id) ?? 0) + by
    if (would <= limit.most) continue
    const places = (coming.get(column.id) ?? []).map((item) => ({ item, field: column.id as string }))
    const say = amountSaid(reader, limit.of)
    return problem('column-full', { name: column.name, most: say(limit.most), would: say(would) }, places)
  }
  return undefined
}
