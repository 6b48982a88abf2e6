/** What changes of an item that is put into another group of a view. */
import { dayNumber, fromDayNumber, weekday, startOf, type PlainDate } from '../base/dates'
import { fail, ok, problem, type Result } from '../base/result'
import { maybeFact } from '../facts/registry'
import { daysOf } from '../facts/viewer'
import { fieldTypes, isInItem } from '../fields/registry'
import type { Value } from '../fields/value'
import type { Setting } from '../items/set'
import { severalIn } from '../items/values'
import type { Reader } from '../model/reader'
import type { Field, GroupKey, Item } from '../model/records'
import type { GroupValue } from '../views/axes'
import { dayIn, momentOn } from './in-group'

/**
 * What puts an item of one group into another: both by their paths, as far as these differ. Of several values the one that it came
 * from is replaced; a day keeps its weekday, and a
 * moment its time too; where nothing is held, it is cleared. Fails where a level is nothing that anyone fills in.
 */
export function regrouped(
  reader: Reader,
  keys: readonly GroupKey[],
  item: Item,
  [from, to]: readonly [from: readonly GroupValue[], to: readonly GroupValue[]],
  today: PlainDate,
): Result<Readonly<Record<string, Setting>>> {
  const set: Record<string, Setting> = {}
  for (const [level, value] of to.entries()) {
    const key = keys[level]
    if (!key || from[level] === value) continue
    const named = key.by.fact === 'field' ? key.by.field : key.by.fact
    const setting =
      key.by.fact === 'field'
        ? settingOf(reader, key, item, from[level] ?? null, value, today)
        : ownSetting(item, key.by.fact, value)
    if (!setting) return fail(problem('not-by-hand', { what: maybeFact(reader, item.project, key.by)?.name ?? '' }))
    set[named] = setting
  }
  return ok(set)
}

function ownSetting(item: Item, column: string, value: GroupValue): Setting | undefined {
  if (column === 'parent') return { from: item.parent, to: value }
  if ((column === 'status' || column === 'kind') && value !== null) return { from: item[column], to: value }
  return undefined
}

function settingOf(
  reader: Reader,
  key: GroupKey,
  item: Item,
  from: GroupValue,
  to: GroupValue,
  today: PlainDate,
): Setting | undefined {
  const field = reader.maybe('field', key.by.fact === 'field' ? key.by.field : '')
  if (!field || !isSetByHand(field)) return undefined
  const type = fieldTypes[field.type]
  if (type.several) {
    const [had, gets] = [severalIn(reader, item, field), to === null ? [] : [String(to)]]
    // In the group of those without any it has none; one who is there alone makes room for the other.
    const leaves = to === null || field.settings.single ? had : had.filter((id) => id === from)
    return { add: gets.filter((id) => !had.includes(id)), remove: leaves.filter((id) => !gets.includes(id)) }
  }
  const held = item.values[field.id] ?? null
  return { from: held, to: valueIn(reader, field, key, held, to, today) }
}

function valueIn(reader: Reader, field: Field, key: GroupKey, held: Value, to: GroupValue, today: PlainDate): Value {
  if (to === null) return null
  const { kind } = fieldTypes[field.type]
  if (kind === 'flag') return true
  if (kind !== 'day' && kind !== 'instant') return to
  if (typeof held !== 'string') {
    const day = dayIn(key, Number(to), today)
    return kind === 'day' ? day : momentOn(reader, day)
  }
  if (kind === 'day') return sameWeekday(key, held as PlainDate, Number(to))
  const zone = daysOf(reader.workspace())
  const at = Date.parse(held)
  return momentOn(reader, sameWeekday(key, fromDayNumber(zone.dayOf(at)), Number(to)), zone.minutesAt(at))
}

/** The day of a period that is as far into it as a day into its own, at the same weekday. */
function sameWeekday({ grain = 'day' }: GroupKey, day: PlainDate, first: number): PlainDate {
  if (grain === 'day') return fromDayNumber(first)
  const at = dayNumber(day)
  const wanted = first + at - startOf(grain, at)
  const end = startOf(grain, first, 1)
  const its = weekday(day)
  const days = Array.from({ length: end - first }, (_, i) => first + i).filter((one) => weekday(fromDayNumber(one)) === its) // prettier-ignore
  return fromDayNumber(days.sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted))[0] ?? first)
}

/** Whether items are put into groups of a field by hand. */
const isSetByHand = (field: Field): boolean => {
  const { kind, isOwn, isApart, isLinked } = fieldTypes[field.type]
  return (
    (isLinked || isInItem(field)) &&
    !isOwn &&
    !isApart &&
    ['choice', 'choices', 'flag', 'day', 'instant', 'number', 'text'].includes(kind)
  )
}
