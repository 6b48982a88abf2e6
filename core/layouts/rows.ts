/** Items as pages show them. */
import { dateIn, dayNumber, type PlainDate } from '../base/dates'
import type { LayoutName } from '../model/names'
import { itemKey, pathOf, type Reader } from '../model/reader'
import { fieldTypes, isInItem, isWorkedOut } from '../fields/registry'
import type { Field, Item, ItemId, PersonId } from '../model/records'
import { viewContext } from '../facts/contract'
import { workings } from '../facts/workings'
import { lateDays, turnOf } from '../model/turn'
import type { GroupValue } from '../views/axes'
import type { TotalValues } from '../views/totals'

/** An item as a page shows it. */
export interface Row {
  readonly item: Item
  readonly key: string
  /** What names it in an address: its key, or its id until it has one. */
  readonly address: string
  /** Working days late; 0: it is not. */
  readonly late: number
  readonly turn: readonly string[]
  readonly children: number
  /** Which of the view's signals mark it, by their places; undefined: none. */
  readonly signals?: readonly number[]
  /** The same as long as nothing that a row shows has changed: a page then keeps the row that it has. */
  readonly v: string
}
/** An item with what it stands inside. */
export interface RowWithPath extends Row {
  /** Its parents, topmost first. */
  readonly path: readonly { readonly id: string; readonly title: string; readonly key: string }[]
  /** Whose turn it is, where one waits for others. */
  readonly waitsFor: readonly string[]
  /** Days since it came into its status. */
  readonly daysInStatus: number
}
/** An item where it stands in an outline. */
export interface OutlineRow extends Row {
  /** 0: it stands at the top. */
  readonly level: number
  /** Its outline number; '' where it, or what it stands in, is archived. */
  readonly place: string
  /** What is inside it is seen; undefined: there is nothing. */
  readonly isOpen?: boolean
  /** It is not in the view, but something inside it is. */
  readonly isAside?: true
  /** The siblings beside it in the view. */
  readonly above?: ItemId
  readonly below?: ItemId
  /** What it would stand in one level up; null: nothing. Undefined: it stands at the top. */
  readonly outer?: ItemId | null
  /** Items inside it that are in the view. */
  readonly inside: number
  /** The view's totals over it and what is inside it; only where there is something. */
  readonly totals?: TotalValues
}
/** The head of a group: its items come after it, unless it is folded. */
export interface GroupHead {
  /** Names the group among all of the view. */
  readonly head: string
  /** What the groups around it are and, last, what it is itself. */
  readonly path: readonly GroupValue[]
  readonly count: number
  readonly totals: TotalValues
  readonly folded: boolean
  readonly v: string
}
/** What a list is made of. */
export type ListLine = Row | GroupHead
/** Whether a line is the head of a group. */
export const isHead = (line: ListLine): line is GroupHead => 'head' in line
/** Whether a line is that of an outline. */
export const isOutlined = (line: ListLine): line is OutlineRow => 'level' in line
/** What names a line: an item that is in several groups has several lines that say the same. */
export const lineId = (line: ListLine): string => (isHead(line) ? line.head : line.item.id)

/** A stretch of a list: `rows` begin at `from`. */
export interface Stretch<R extends ListLine = ListLine> {
  readonly from: number
  readonly rows: readonly R[]
}
/** What the tally says of every view. */
export interface Sums {
  readonly items: number
  readonly late: number
  /** At the effort field's scale. */
  readonly effort: number
}

/** What every layout answers, besides its own. */
export interface ViewAnswer<L extends LayoutName> {
  readonly layout: L
  readonly sums: Sums
}

/** An item as a page shows it on a day; `shown`: fields of which those that are worked out, or links, are told with it. */
export function rowOf(reader: Reader, today: PlainDate, stored: Item, shown: readonly Field[] = []): Row {
  const apart = valuesApart(reader, today, stored, shown)
  const item = apart ? { ...stored, values: { ...stored.values, ...apart } } : stored
  const place = reader.placeOf(item.id)
  let children = 0
  if (place) for (const child of place.table.childrenOf(place.row)) children += place.table.listed[child]!
  const key = itemKey(reader, item)
  const late = lateDays(reader, item, today)
  const turn = turnOf(reader, item).people
  const address = item.number ? key : item.id
  const version = place && place.table.version[place.row]
  return {
    item,
    key,
    address,
    late,
    turn,
    children,
    v: [key, version, late, children, ...turn, apart && JSON.stringify(apart)].join(),
  }
}

/** What an item has in fields whose values do not stand in it: worked out, and links; undefined where there are none. */
export function valuesApart(
  reader: Reader,
  today: PlainDate,
  { id, project }: Pick<Item, 'id' | 'project'>,
  shown: readonly Field[],
): Item['values'] | undefined {
  if (shown.every(isInItem)) return undefined
  const row = reader.table(project).maybeRow(id)
  // Who looks makes no difference to a formula.
  const nobody = { me: '' as PersonId, today }
  if (row === undefined) return undefined
  const worked = shown.some(isWorkedOut) && workings()?.values(viewContext(reader, project, nobody), shown, row)
  const linked = shown.filter(({ type }) => fieldTypes[type].isLinked)
  if (!linked.length) return worked || undefined
  const { table } = viewContext(reader, project, nobody)
  const links = linked.map(({ id }) => [id, table.linkColumn(id).get(row)] as const).filter(([, ids]) => ids)
  return { ...worked, ...Object.fromEntries(links) }
}

/** The same with its parents. */
export function rowWithPath(
  reader: Reader,
  today: PlainDate,
  item: Item,
  waitsFor: readonly string[] = [],
  shown: readonly Field[] = [],
): RowWithPath {
  const path = pathOf(reader, item).map(({ id, title, ...parent }) => ({ id, title, key: itemKey(reader, parent) }))
  const row = rowOf(reader, today, item, shown)
  const daysInStatus = dayNumber(today) - dayNumber(dateIn(reader.workspace().timeZone, item.statusSince))
  return { ...row, path, waitsFor, daysInStatus, v: `${row.v},${daysInStatus}` }
}
