import * as z from 'zod/mini'
import { distinct, list, text } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { rankBetween } from '../base/ranks'
import { firstProblem, must, problem, type Problem } from '../base/result'
import { oneLine } from '../base/text'
import { idsAlsoIn, idsMissingFrom, isSameValue } from '../base/sorted-ids'
import { applied, defineCommand, type Context } from '../change/command'
import type { Change } from '../change/patch'
import type { Value } from '../fields/contract'
import { fieldTypes } from '../fields/registry'
import type { Reader } from '../model/reader'
import type { Item, ItemId, KindId, StatusId } from '../model/records'
import { checkTitle } from './add'
import { changedMeanwhile, changeOf, changeStatus, checkItem, stamp, StayIds } from './changes'
import { lastSiblingRank } from './ranks'
import { emptied } from './fallbacks'
import { checkUnique, checkValue, linkChanges, normalised, severalIn } from './values'
import { valueRecord } from '../fields/value-record'

const fromTo = z.object({ from: valueRecord, to: valueRecord })
/** What comes into a field of several, and what goes out. */
export const severalSetting = z.object({ add: list(text(64), 500), remove: list(text(64), 500) })
/** One value from what it was made from to another; or, of a field of several, what comes in and what goes out. */
export const settingRecord = z.union([fromTo, severalSetting])
/** A new value with the one it was made from, or what is added and removed. */
export type Setting = Readonly<z.infer<typeof settingRecord>>

/** Columns of the item that are set like fields. */
const ownColumns = ['title', 'status', 'kind', 'parent'] as const
type OwnColumn = (typeof ownColumns)[number]
const isOwnColumn = (key: string): key is OwnColumn => (ownColumns as readonly string[]).includes(key)

/** Sets values of some items; the most used command. All or nothing. */
export const setValues = defineCommand({
  type: 'items.set',
  v: 1,
  body: z.object({
    items: distinct(z.object({ item: ids.itemId, set: z.record(text(64), settingRecord) }), 1000, ({ item }) => item),
  }),
  projects: (reader, body) => [...new Set(body.items.flatMap(({ item }) => reader.maybe('item', item)?.project ?? []))],
  check: (reader, body, context) =>
    firstProblem(
      body.items,
      (item) =>
        checkItem(reader, item.item, context) ??
        firstProblem(Object.entries(item.set), ([key, setting]) =>
          checkSetting(reader, must(reader.maybe('item', item.item), 'item'), key, setting, context.by),
        ),
    ),
  apply(reader, body, context) {
    const stays = new StayIds(context.command)
    return applied(
      body.items.flatMap((one) => {
        const item = must(reader.maybe('item', one.item), 'item')
        const changes = Object.entries(one.set).flatMap(([key, setting]) =>
          applySetting(reader, item, key, setting, context, stays),
        )
        return changes.length ? [...changes, ...stamp(item, context)] : []
      }),
    )
  },
})

/** Why a value of an item may not be set so. */
export function checkSetting(
  reader: Reader,
  item: Item,
  key: string,
  setting: Setting,
  by: Context['by'],
): Problem | undefined {
  if (isOwnColumn(key))
    return 'to' in setting ? checkColumn(reader, item, key, setting) : problem('wrong-value', { field: key })
  const field = reader.maybe('field', key)
  if (!field) return problem('unknown-field')
  const type = fieldTypes[field.type]
  if (type.isApart) return problem('wrong-value', { field: field.name })
  if (!('to' in setting)) {
    if (!type.several) return problem('wrong-value', { field: field.name })
    if (type.isOwn && [...setting.add, ...setting.remove].some((id) => id !== by.person)) return problem('not-allowed', { needs: 'own' }) // prettier-ignore
    if (type.isLinked && setting.add.includes(item.id)) return problem('linked-itself', { field: field.name })
    const held = severalIn(reader, item, field).filter((id) => !setting.remove.includes(id))
    if (field.settings.single && setting.add.length && idsMissingFrom(held, setting.add).length)
      return problem(type.isLinked ? 'one-item' : 'one-person', { field: field.name })
    const after = [...held, ...setting.add]
    return emptied(field, item.values[field.id], after) ?? checkValue(reader, field, setting.add, item.project)
  }
  if (type.several) return problem('wrong-value', { field: field.name })
  const wrong =
    emptied(field, item.values[field.id], normalised(setting.to)) ??
    checkValue(reader, field, setting.to, item.project) ??
    checkUnique(reader, field, setting.to, item.id)
  if (wrong) return wrong
  const stored = item.values[field.id] ?? null
  return isSameValue(stored, normalised(setting.from)) || isSameValue(stored, normalised(setting.to))
    ? undefined
    : changedMeanwhile(item, field.id, setting.to, stored)
}

function checkColumn(
  reader: Reader,
  item: Item,
  key: OwnColumn,
  { from, to }: { from: Value; to: Value },
): Problem | undefined {
  const wrong = checkOwn[key](reader, to)
  if (wrong) return wrong
  return isSameValue(item[key], from) || isSameValue(item[key], to)
    ? undefined
    : changedMeanwhile(item, key, to, item[key])
}

/** What a column may be set to; that a status fits a kind and a parent makes no loop is a law. */
const checkOwn: Readonly<Record<OwnColumn, (reader: Reader, to: Value) => Problem | undefined>> = {
  title: (_reader, to) => (typeof to === 'string' ? checkTitle(to) : problem('no-title')),
  status: (reader, to) => isThere(reader, 'status', to),
  kind: (reader, to) => isThere(reader, 'kind', to),
  parent: (reader, to) => (to === null || reader.placeOf(String(to)) ? undefined : problem('gone')),
}
const isThere = (reader: Reader, key: 'status' | 'kind', to: Value): Problem | undefined =>
  typeof to === 'string' && reader.maybe(key, to) ? undefined : problem('wrong-value', { field: key })

/** The changes by which a value of an item is set. */
export function applySetting(
  reader: Reader,
  item: Item,
  key: string,
  setting: Setting,
  context: Context,
  stays: StayIds,
): Change[] {
  if (!('to' in setting)) return applyToSet(reader, item, key, setting)
  if (key === 'status') return changeStatus(reader, item, setting.to as StatusId, context, stays)
  if (key === 'parent') return changeParent(reader, item, setting.to as ItemId | null)
  if (key === 'title') return changeOf(item, key, item.title, oneLine(String(setting.to)))
  if (key === 'kind') return changeOf(item, key, item.kind, setting.to as KindId)
  return changeOf(item, key, item.values[key], normalised(setting.to))
}

function applyToSet(reader: Reader, item: Item, key: string, setting: { add: string[]; remove: string[] }): Change[] {
  const field = must(reader.maybe('field', key), 'field')
  const held = severalIn(reader, item, field)
  const added = idsMissingFrom([...new Set(setting.add)], held)
  const removed = idsAlsoIn([...new Set(setting.remove)], held).filter((id) => !setting.add.includes(id))
  if (fieldTypes[field.type].isLinked) return linkChanges(field, item.id, added, removed)
  return added.length || removed.length ? [{ entity: 'item', id: item.id, field: key, added, removed }] : []
}

function changeParent(reader: Reader, item: Item, parent: ItemId | null): Change[] {
  if (item.parent === parent) return []
  const siblingRank = rankBetween(lastSiblingRank(reader, item.project, parent), undefined)
  return [
    ...changeOf(item, 'parent', item.parent, parent),
    ...changeOf(item, 'siblingRank', item.siblingRank, siblingRank),
  ]
}
