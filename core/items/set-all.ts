import * as z from 'zod/mini'
import { dayNumber, fromDayNumber, type PlainDate } from '../base/dates'
import { addWorkingDays, type WorkingTime } from '../base/working-time'
import * as ids from '../base/id-schemas'
import { firstInPieces, inPieces, type Pieces } from '../base/pieces'
import { must, problem, type Problem, type Result } from '../base/result'
import { distinct, text, whole } from '../base/schemas'
import { applied, defineCommand, type Applied } from '../change/command'
import type { Change } from '../change/patch'
import { severalSetting } from './set'
import { fieldTypes } from '../fields/registry'
import { idsOf, type Value } from '../fields/value'
import { idsMissingFrom } from '../base/sorted-ids'
import { valueRecord } from '../fields/value-record'
import type { Reader } from '../model/reader'
import { isItemColumn, type Item } from '../model/records'
import { changesNowhere, checkItem, projectsOf, stamp, StayIds } from './changes'
import { bytesOfMost, mostAtOnce, mostInTurn } from './limits'
import { severalIn } from './values'
import { applySetting, checkSetting, type Setting } from './set'

const shiftRecord = z.object({ shift: z.object({ of: z.enum(['day', 'workingDay']), n: whole(-1000, 1000) }) })
/** What all of some items get: a value; of a field of several, what comes in and what goes out; days later or earlier. */
export const settingForAll = z.union([z.object({ to: valueRecord }), severalSetting, shiftRecord])
/** What all of some items get. */
export type SettingForAll = Readonly<z.infer<typeof settingForAll>>

/**
 * Sets the same of many items, all or nothing. The last word wins: whatever they held goes. What has no date to shift
 * stays without.
 */
export const setAll = defineCommand({
  type: 'items.set-all',
  v: 1,
  body: z.object({
    items: distinct(ids.itemId, mostAtOnce, (id) => id),
    set: z.record(text(64), settingForAll),
  }),
  mostBytes: bytesOfMost,
  isLarge: ({ items }) => items.length > mostInTurn,
  refusedAnywhere: changesNowhere,
  projects: (reader, { items }) => projectsOf(reader, items),
  check: (reader, { items, set }, context): Pieces<Problem | undefined> =>
    firstInPieces(items, (id) => {
      const refused = checkItem(reader, id, context)
      if (refused) return refused
      const item = must(reader.maybe('item', id), 'item')
      const at = (field: string) => [{ item: id, field }]
      for (const [key, one] of Object.entries(set)) {
        if ('shift' in one && !isDateField(reader, key)) return problem('wrong-value', { field: key }, at(key))
        const setting = settingOf(reader, item, key, one)
        const wrong = setting && checkSetting(reader, item, key, setting, context.by)
        if (wrong) return wrong.at ? wrong : { ...wrong, at: at(key) }
      }
      return undefined
    }),
  *apply(reader, { items, set }, context): Pieces<Result<Applied>> {
    const stays = new StayIds(context.command)
    const changes: Change[] = []
    yield* inPieces(items, (id) => {
      const item = must(reader.maybe('item', id), 'item')
      const own = Object.entries(set).flatMap(([key, one]) => {
        const setting = settingOf(reader, item, key, one)
        return setting ? applySetting(reader, item, key, setting, context, stays) : []
      })
      if (own.length) changes.push(...own, ...stamp(item, context))
    })
    return applied(changes)
  },
})

const isDateField = (reader: Reader, key: string): boolean => reader.maybe('field', key)?.type === 'date'

/** The same for one item, from what it holds now; undefined where there is nothing to do. */
function settingOf(reader: Reader, item: Item, key: string, set: SettingForAll): Setting | undefined {
  if ('add' in set) return set
  const field = reader.maybe('field', key)
  if (field && 'to' in set && fieldTypes[field.type].several) {
    const [held, to] = [severalIn(reader, item, field), idsOf(set.to)]
    return { add: idsMissingFrom([...to], held), remove: idsMissingFrom([...held], to) }
  }
  const from = (isItemColumn(key) ? item[key] : (item.values[key] ?? null)) as Value
  if ('to' in set) return { from, to: set.to }
  return typeof from === 'string' ? { from, to: shifted(from, set.shift, reader.workingTime()) } : undefined
}

type Shift = z.infer<typeof shiftRecord>['shift']
/** A date some days, or working days, later. */
export const shifted = (date: PlainDate, { of, n }: Shift, calendar: WorkingTime): PlainDate =>
  of === 'day' ? fromDayNumber(dayNumber(date) + n) : addWorkingDays(date, n, calendar)
