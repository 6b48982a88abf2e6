/** Items of a table that go into another group, or to another place in the order; groups that go to another place. */
import type { Problem } from '#core/base/result'
import type { BareCommand } from '#core/commands/registry'
import { regrouped } from '#core/entry/regrouped'
import { isHead, type GroupHead, type ListLine } from '#core/layouts/rows'
import type { Reader } from '#core/model/reader'
import type { GroupKey, ItemId, OptionId, StatusId, ViewDefinition } from '#core/model/records'
import type { PlainDate } from '#core/base/dates'
import { isRanked } from '../ranked'
import { tableWords } from '../words'
import { headOf, type Aimed, type Moving } from './line-drag'

/** A table whose lines are moved. */
export interface Grouped {
  readonly reader: Reader
  readonly definition: ViewDefinition
  readonly today: PlainDate
  lineAt(index: number): ListLine | undefined
  /** Where titles begin, in px from the left of the rows. */
  titleAt(): number
  /** What a group is called, with those around it. */
  nameOf(head: GroupHead): string
  send(bare: BareCommand): void
  /** Why something can't be done. */
  tell(why: Problem): void
}

const isSamePath = (one: GroupHead | undefined, other: GroupHead | undefined) => one?.head === other?.head

/** What items get in another group; or why one of them does not go there. */
export function intoGroup(
  { reader, definition, today }: Pick<Grouped, 'reader' | 'definition' | 'today'>,
  moving: readonly Moving[],
  head: GroupHead,
): { readonly bare?: BareCommand } | { readonly why: Problem } {
  const items = []
  for (const { row, head: from } of moving) {
    const read = regrouped(reader, definition.group, row.item, [from?.path ?? [], head.path], today)
    if (!read.ok) return { why: read.problem }
    if (Object.keys(read.value).length) items.push({ item: row.item.id, set: read.value })
  }
  return items.length ? { bare: { type: 'items.set', items } as BareCommand } : {}
}

/** Sends items into a group, or tells why they stay. */
export function putIntoGroup(table: Grouped, moving: readonly Moving[], head: GroupHead): void {
  const found = intoGroup(table, moving, head)
  if ('why' in found) table.tell(found.why)
  else if (found.bare) table.send(found.bare)
}

/** Items go into the group that the pointer is over; over their own, to another place in the team's order. */
export const rowAim =
  (table: Grouped, moving: readonly Moving[]): Aimed =>
  (on, gap) => {
    const head = headOf(table.lineAt, on)
    if (head && moving.some((one) => !isSamePath(one.head, head))) {
      const found = intoGroup(table, moving, head)
      const words = 'why' in found ? tableWords.notBy(String(found.why.said?.what ?? '')) : tableWords.intoGroup(table.nameOf(head)) // prettier-ignore
      const at = lineOf(table, head, on)
      return { gap: at + 1, left: table.titleAt(), words, put: () => putIntoGroup(table, moving, head) }
    }
    if (!isRanked(table.definition)) return undefined
    const ids = new Set<string>(moving.map(({ row }) => row.item.id))
    const item = (at: number): ItemId | undefined => {
      const line = table.lineAt(at)
      return line && !isHead(line) ? line.item.id : undefined
    }
    const [above, below] = [item(gap - 1), item(gap)]
    const place = below && !ids.has(below) ? { before: below } : above && !ids.has(above) ? { after: above } : undefined
    if (!place) return undefined
    const items = moving.map(({ row }) => ({ item: row.item.id, place }))
    return {
      gap,
      left: table.titleAt(),
      words: tableWords.toPlace,
      put: () => table.send({ type: 'items.move', items }),
    }
  }
/** The line of a head, from one that is in its group. */
function lineOf({ lineAt }: Grouped, { head }: GroupHead, from: number): number {
  for (let at = from; at >= 0; at--) {
    const line = lineAt(at)
    if (line && isHead(line) && line.head === head) return at
  }
  return from
}

/** The group before or after one, at its own level. */
export function groupBeside(lineAt: Grouped['lineAt'], from: number, way: -1 | 1): GroupHead | undefined {
  const own = headOf(lineAt, from)
  if (!own) return undefined
  for (let at = from + way; ; at += way) {
    const line = lineAt(at)
    if (!line) return undefined
    if (isHead(line) && line.path.length === own.path.length && line.head !== own.head) return line
  }
}

/** What a group is that can be named, coloured and ordered from its head. */
export type NamedGroup =
  | { readonly entity: 'status'; readonly id: StatusId; readonly name: string; readonly colour: string }
  | { readonly entity: 'option'; readonly id: OptionId; readonly name: string; readonly colour: string }
/** Undefined: what it is is not the project's to name, such as a day or a person. */
export function namedGroup(reader: Reader, key: GroupKey | undefined, head: GroupHead): NamedGroup | undefined {
  const value = head.path.at(-1)
  if (!key || typeof value !== 'string') return undefined
  const status = key.by.fact === 'status' ? reader.maybe('status', value) : undefined
  if (status) return { entity: 'status', id: status.id, name: status.name, colour: status.colour }
  const option = key.by.fact === 'field' ? reader.maybe('option', value) : undefined
  return option && { entity: 'option', id: option.id, name: option.label, colour: option.colour }
}

/** A group goes to another place among those of its level. */
export const headAim =
  (table: Grouped, head: GroupHead): Aimed =>
  (on) => {
    const level = head.path.length - 1
    const key = table.definition.group[level]
    const own = namedGroup(table.reader, key, head)
    const over = headOf(table.lineAt, on)
    const target = over && namedGroup(table.reader, key, { ...over, path: over.path.slice(0, level + 1) })
    if (!own || !target || target.id === own.id || key?.down || key?.byTotal) return undefined
    return {
      gap: lineOf(table, { ...over, head: JSON.stringify(over.path.slice(0, level + 1)) }, on),
      left: table.titleAt(),
      words: tableWords.beforeGroup(target.name),
      put: () => table.send(ordering(own, target.id)),
    }
  }
/** The command by which a group comes before another; null: after all. */
export const ordering = ({ entity, id }: NamedGroup, before: string | null): BareCommand =>
  ({ type: `${entity}.order`, target: id, before }) as BareCommand
