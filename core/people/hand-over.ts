import { idsOf } from '../fields/value'
import { fieldTypes } from '../fields/registry'
import type { FieldId, ItemId } from '../base/ids'
import { viewContext } from '../facts/contract'
import { peopleColumns } from '../facts/people'
import { openAt } from '../facts/phase'
import { fieldsOf, itemKey, type Reader } from '../model/reader'
import type { Item, PersonId, Project } from '../model/records'

/** An item that somebody is on, and the people fields that name them. */
export interface HeldItem {
  readonly item: ItemId
  readonly key: string
  readonly title: string
  readonly fields: readonly FieldId[]
}
/** What somebody who leaves has to hand over: what is being worked on or checked, and what waits. */
export interface OpenWork {
  readonly inHand: readonly HeldItem[]
  readonly waiting: readonly HeldItem[]
}
/** Who gets it; null: nobody, it is there to be taken. */
export interface Successors {
  readonly inHand: PersonId | null
  readonly waiting: PersonId | null
}

/** Every unfinished item that names somebody in a people field, by the order of projects and ranks. */
export function openWorkOf(reader: Reader, person: PersonId, projects: Iterable<Project>): OpenWork {
  const work: { inHand: HeldItem[]; waiting: HeldItem[] } = { inHand: [], waiting: [] }
  for (const project of projects) {
    const context = viewContext(reader, project.id, { me: person, today: '1970-01-01' })
    const [isOpen, columns] = [openAt(context), peopleColumns(context)]
    const fields = fieldsOf(reader, project.id).filter((field) => fieldTypes[field.type].choices === 'people')
    const { order, n } = context.table.rank.ordering
    for (let k = 0; k < n; k++) {
      const row = order[k]!
      if (!isOpen(row) || !columns.some((column) => column.codesAt(row).includes(column.codes.maybe(person)))) continue
      const item = context.table.at(row)
      const naming = fields.filter((field) => idsOf(item.values[field.id]).includes(person)).map(({ id }) => id)
      if (!naming.length) continue
      const isActive = reader.maybe('status', item.status)?.phase === 'active'
      work[isActive ? 'inHand' : 'waiting'].push(held(reader, item, naming))
    }
  }
  return work
}
const held = (reader: Reader, item: Item, fields: readonly FieldId[]): HeldItem => ({
  item: item.id, key: itemKey(reader, item), title: item.title, fields,
}) // prettier-ignore

/** Most items that one command sets. */
const most = 1000

/** The bodies of `items.set` that put others in somebody's place. */
export function handedOver(work: OpenWork, person: PersonId, to: Successors) {
  const setting = (next: PersonId | null) => ({ add: next ? [next] : [], remove: [person as string] })
  const items = [
    ...work.inHand.map((one) => ({ ...one, next: to.inHand })),
    ...work.waiting.map((one) => ({ ...one, next: to.waiting })),
  ].map(({ item, fields, next }) => ({ item, set: Object.fromEntries(fields.map((field) => [field, setting(next)])) }))
  return Array.from({ length: Math.ceil(items.length / most) }, (_, i) => items.slice(i * most, (i + 1) * most))
}
