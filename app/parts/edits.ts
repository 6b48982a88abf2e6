/** What an editor asks for, as the command that does it. */
import type { Problem } from '#core/base/result'
import type { BareCommand } from '#core/commands/registry'
import { idsOf, type Value } from '#core/fields/value'
import { fieldTypes } from '#core/fields/registry'
import type { Field, Item, KindId, StatusId } from '#core/model/records'
import type { Setting } from '#core/items/set'
import type { useChanges } from '../data/changes'

type Changes = ReturnType<typeof useChanges>

const setting = (item: Item, key: string, set: Setting): BareCommand => ({
  type: 'items.set',
  items: [{ item: item.id, set: { [key]: set } }],
})

/** Sets one value; where someone changed it meanwhile, the notice offers to keep one's own after all. */
export function setValue(changes: Changes, item: Item, key: string, from: Value, to: Value): Promise<boolean> {
  const again = (problem: Problem): BareCommand | undefined => {
    const at = problem.at?.[0]
    return problem.code === 'changed-meanwhile' && at?.item === item.id
      ? setting(item, key, { from: (at.stored ?? null) as Value, to })
      : undefined
  }
  return changes.send(setting(item, key, { from, to }), again)
}

/** Puts one into a field of several, or takes it out where it is in. */
export function toggle(changes: Changes, item: Item, key: string, id: string): Promise<boolean> {
  const held = idsOf(item.values[key]).includes(id)
  return changes.send(setting(item, key, held ? { add: [], remove: [id] } : { add: [id], remove: [] }))
}

/** The one person of a field that holds one at most. */
export const chooseOnly = (changes: Changes, item: Item, key: string, id: string): Promise<boolean> =>
  changes.send(setting(item, key, { add: [id], remove: idsOf(item.values[key]).filter((held) => held !== id) }))

export const clearSeveral = (changes: Changes, item: Item, key: string): Promise<boolean> =>
  changes.send(setting(item, key, { add: [], remove: [...idsOf(item.values[key])] }))

/** A field that is changed by pressing it: a tick, or one's own vote. */
export function press(
  changes: Changes,
  item: Item,
  field: Field,
  me: string | undefined,
): Promise<boolean> | undefined {
  if (fieldTypes[field.type].isOwn) return me === undefined ? undefined : toggle(changes, item, field.id, me)
  const held = item.values[field.id] ?? null
  return setValue(changes, item, field.id, held, held ? null : true)
}

/** An item becomes one of another kind, in a status of its own choice. */
export const becomeKind = (changes: Changes, item: Item, kind: KindId, status: StatusId): Promise<boolean> =>
  changes.send({
    type: 'items.set',
    items: [{ item: item.id, set: { kind: { from: item.kind, to: kind }, status: { from: item.status, to: status } } }],
  })
