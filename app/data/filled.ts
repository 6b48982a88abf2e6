import type { Problem } from '#core/base/result'
import { partsOf, together } from '#core/commands/bare'
import type { BareCommand } from '#core/commands/registry'
import { fieldTypes } from '#core/fields/registry'
import { idsOf, type Value } from '#core/fields/value'
import type { Setting } from '#core/items/set'
import type { Field, ItemId, StatusId } from '#core/model/records'

/** What a status asks for before something comes into it. */
export interface Lacking {
  readonly bare: BareCommand
  readonly problem: Problem
}
/** What somebody fills in for all of them. */
export interface Filling {
  readonly values: readonly { readonly field: Field; readonly value: Value }[]
  readonly note: string
}

/** Whether what is missing can be said together with it. */
export const canBeFilled = ({ type }: BareCommand): boolean => type !== 'bring-in' && type !== 'revert'

/** The same once more, with what was missing. */
export function filled({ bare, problem }: Lacking, filling: Filling): BareCommand {
  const lacks = new Map<string, Set<string>>()
  for (const { item = '', field = '' } of problem.at ?? []) lacks.set(item, (lacks.get(item) ?? new Set()).add(field))
  const given = (item: string) => filling.values.filter(({ field }) => lacks.get(item)?.has(field.id))
  const made = new Set<string>()
  const parts = partsOf(bare).map((part): BareCommand => {
    if (part.type !== 'items.add') return part
    const items = part.items.map((one) => {
      made.add(one.item)
      const more = given(one.item).map(({ field, value }) => [field.id, plain(value)])
      return { ...one, values: { ...one.values, ...Object.fromEntries(more) } }
    })
    return { ...part, items }
  })
  const items = [...lacks.keys()].flatMap((item) => {
    const values = made.has(item) ? [] : given(item)
    const set = Object.fromEntries(values.map(({ field, value }) => [field.id, settingOf(field, value)]))
    return values.length ? [{ item: item as ItemId, set }] : []
  })
  const notes = (problem.at ?? []).flatMap(
    ({ item, field, yours }): BareCommand[] =>
    field === 'note' ? [{ type: 'items.note', status: yours as StatusId, item: item as ItemId, text: filling.note }] : [], // prettier-ignore
  )
  return together([...parts, ...(items.length ? [{ type: 'items.set', items } as BareCommand] : []), ...notes])
}

/** As it is sent: a list of its own. */
const plain = (value: Value): Value => (Array.isArray(value) ? [...idsOf(value)] : value)
const settingOf = (field: Field, value: Value): Setting =>
  fieldTypes[field.type].several ? { add: [...idsOf(value)], remove: [] } : { from: null, to: value }
