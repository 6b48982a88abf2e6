import * as z from 'zod/mini'
import { list, text } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { rankBetween } from '../base/ranks'
import { firstProblem, assertNever, must, ok, problem, type Problem } from '../base/result'
import { idsAlsoIn, idsMissingFrom, isSameValue } from '../base/sorted-ids'
import { defineCommand, type Context } from '../change/command'
import type { Change } from '../change/patch'
import type { Value } from '../fields/contract'
import { fieldTypes } from '../fields/registry'
import type { Reader } from '../model/reader'
import type { Item, ItemId, KindId, StatusId } from '../model/records'
import { checkTitle } from './add'
import {
  changedMeanwhile,
  changeOf,
  changeStatus,
  checkItem,
  checkParent,
  checkStatus,
  lastSiblingRank,
  stamp,
  StayIds,
} from './changes'
import { checkUnique, checkValue, normalised, valueRecord } from './values'

const fromTo = z.object({ from: valueRecord, to: valueRecord })
const addRemove = z.object({ add: list(text(64), 500), remove: list(text(64), 500) })
/** One value from what it was made from to another; or, of a field of several, what comes in and what goes out. */
export const settingRecord = z.union([fromTo, addRemove])
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
    items: list(z.object({ item: ids.itemId, set: z.record(text(64), settingRecord) }), 1000, 1),
  }),
  projects: (reader, body) => [...new Set(body.items.flatMap(({ item }) => reader.maybe('item', item)?.project ?? []))],
  check: (reader, body, context) =>
    firstProblem(
      body.items,
      (one) =>
        checkItem(reader, one.item, context) ??
        firstProblem(Object.entries(one.set), ([key, setting]) =>
          checkSetting(reader, must(reader.maybe('item', one.item), 'item'), key, setting, one.set),
        ),
    ),
  apply(reader, body, context) {
    const stays = new StayIds(context.command)
    return ok(
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

function checkSetting(
  reader: Reader,
  item: Item,
  key: string,
  setting: Setting,
  all: Record<string, Setting>,
): Problem | undefined {
  if (isOwnColumn(key))
    return 'to' in setting ? checkColumn(reader, item, key, setting, all) : problem('wrong-value', { field: key })
  const field = reader.maybe('field', key)
  if (!field) return problem('unknown-field')
  if (field.type === 'longText') return problem('wrong-value', { field: field.name })
  if (!('to' in setting)) {
    if (!fieldTypes[field.type].several) return problem('wrong-value', { field: field.name })
    return checkValue(reader, field, setting.add, item.project)
  }
  if (fieldTypes[field.type].several) return problem('wrong-value', { field: field.name })
  const wrong = checkValue(reader, field, setting.to, item.project) ?? checkUnique(reader, field, setting.to, item.id)
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
  setting: { from: Value; to: Value },
  all: Record<string, Setting>,
): Problem | undefined {
  const to = setting.to
  const kindSetting = all.kind
  const kind = kindSetting && 'to' in kindSetting ? String(kindSetting.to) : item.kind
  switch (key) {
    case 'title': {
      const wrong = typeof to === 'string' ? checkTitle(to) : problem('no-title')
      if (wrong) return wrong
      break
    }
    case 'status': {
      const wrong = checkStatus(reader, item, kind, item.status, to as StatusId)
      if (wrong) return wrong
      break
    }
    case 'kind': {
      const found = typeof to === 'string' ? reader.maybe('kind', to) : undefined
      if (!found || found.project !== item.project) return problem('wrong-value', { field: 'kind' })
      // The status must be one of the new kind's workflow, unless it is changed along with the kind.
      if (!all.status && reader.maybe('status', item.status)?.workflow !== found.workflow)
        return problem('wrong-value', { field: 'kind' })
      break
    }
    case 'parent': {
      const wrong = checkParent(reader, item, to as ItemId | null)
      if (wrong) return wrong
      break
    }
    default:
      return assertNever(key)
  }
  return isSameValue(item[key], setting.from) || isSameValue(item[key], to)
    ? undefined
    : changedMeanwhile(item, key, to, item[key])
}

function applySetting(
  reader: Reader,
  item: Item,
  key: string,
  setting: Setting,
  context: Context,
  stays: StayIds,
): Change[] {
  if (!('to' in setting)) return applyToSet(item, key, setting)
  if (key === 'status') return changeStatus(reader, item, setting.to as StatusId, context, stays)
  if (key === 'parent') return changeParent(reader, item, setting.to as ItemId | null)
  if (key === 'title') return changeOf(item, key, item.title, String(setting.to).trim())
  if (key === 'kind') return changeOf(item, key, item.kind, setting.to as KindId)
  return changeOf(item, key, item.values[key], normalised(setting.to))
}

function applyToSet(item: Item, key: string, setting: { add: string[]; remove: string[] }): Change[] {
  const held = item.values[key] as readonly string[] | undefined
  const added = idsMissingFrom([...new Set(setting.add)], held)
  const removed = idsAlsoIn([...new Set(setting.remove)], held).filter((id) => !setting.add.includes(id))
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
