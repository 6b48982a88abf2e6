import { dayNumber, fromDayNumber, instantOf, startOf, type Instant, type PlainDate } from '../base/dates'
import { daysOf } from '../facts/viewer'
import { fieldTypes, isInItem } from '../fields/registry'
import type { Value } from '../fields/value'
import type { Reader } from '../model/reader'
import type { GroupKey, Item, ItemId, KindId, StatusId } from '../model/records'
import type { GroupValue } from '../views/axes'

/** What an item must have to stand in a group; what no one fills in is not among it. */
export interface InGroup {
  readonly status?: StatusId
  readonly kind?: KindId
  readonly parent?: ItemId | null
  readonly values: Item['values']
}

/** What puts an item into the group that a path leads to. Of a period it is today, where that is in it, else its first day. */
export function inGroup(
  reader: Reader,
  keys: readonly GroupKey[],
  path: readonly GroupValue[],
  today: PlainDate,
): InGroup {
  const values: Record<string, Value> = {}
  const own: { status?: StatusId; kind?: KindId; parent?: ItemId | null } = {}
  for (const [i, value] of path.entries()) {
    const key = keys[i]
    if (!key || value === null) continue
    if (key.by.fact === 'status') own.status = value as StatusId
    else if (key.by.fact === 'kind') own.kind = value as KindId
    else if (key.by.fact === 'parent') own.parent = value as ItemId
    if (key.by.fact !== 'field') continue
    const field = reader.maybe('field', key.by.field)
    const type = field && fieldTypes[field.type]
    if (!field || !type || !isInItem(field) || type.isOwn) continue
    if (type.kind === 'day') values[field.id] = dayIn(key, Number(value), today)
    else if (type.kind === 'instant') values[field.id] = momentOn(reader, dayIn(key, Number(value), today))
    else if (type.kind === 'flag') values[field.id] = true
    else if (type.kind === 'choice' || type.kind === 'choices' || type.kind === 'number' || type.kind === 'text')
      values[field.id] = type.several ? [String(value)] : value
  }
  return { ...own, values }
}

/** The moment at which a day's clocks in the workspace say so many minutes after midnight. */
export const momentOn = (reader: Reader, day: PlainDate, minutes = 0): Instant =>
  instantOf(daysOf(reader.workspace()).at(dayNumber(day), minutes))

/** A day of a period: today, where that is in it, else its first. */
export function dayIn({ grain = 'day' }: GroupKey, first: number, today: PlainDate): PlainDate {
  const from = fromDayNumber(first)
  if (grain === 'day') return from
  return today >= from && today < fromDayNumber(startOf(grain, first, 1)) ? today : from
}
