import { isSetChange, itemsOfChange, type Change } from '../change/patch'
import { itemKey, type Reader } from '../model/reader'
import { shownIn } from '../model/links'
import { isItemColumn, type DayOff, type EntityName, type Link } from '../model/records'

/** Columns that a person is shown; the others follow from them. */
export const shownColumns = ['title', 'kind', 'parent', 'archived'] as const

/** Whether a change stands in an item’s history. */
export const isOfItem = (change: Change, item: string): boolean =>
  itemsOfChange(change).includes(item) || isSaidOf(change, item)
const isSaidOf = ({ entity, id }: Change, item: string): boolean =>
  (entity === 'overrule' || entity === 'moveNote') && id.endsWith(`/${item}`)

/** The link that a change makes or unmakes. */
export const linkIn = (change: Change): Link | undefined =>
  change.entity === 'link' && !isSetChange(change) ? ((change.after ?? change.before) as Link) : undefined
/** What a status is called, also one that has been removed. */
export const statusName = (reader: Reader, id: unknown): string =>
  reader.maybe('status', String(id))?.name ?? 'a removed status'
/** The key of an item, also of one that is gone. */
export function keyOf(reader: Reader, id: unknown): string {
  const item = reader.maybe('item', String(id))
  return item ? itemKey(reader, item) : 'an item that is gone'
}

/** What undo would undo: `moving GLH-109 to Ready`, `changing effort of GLH-119`, `adding 12 items`. */
export function nameOf(reader: Reader, type: string, patch: readonly Change[]): string {
  // Whoever leaves hands items over: that they leave is what happens.
  const leaving = patch.find(({ entity, field }) => entity === 'person' && field === 'active')
  if (leaving) return nameOfAccess(reader, leaving, [leaving])
  const setUp = patch.find(({ entity }) => entity in setUpWords)
  if (setUp && type !== 'bring-in' && type !== 'projects.create' && type !== 'projects.delete')
    return nameOfSetUp(reader, setUp, setUpWords[setUp.entity] ?? '')
  const items = [...new Set(patch.filter((one) => one.entity === 'item').map((one) => one.id))]
  const made = patch.filter((one) => one.entity === 'item' && one.field === '*' && !isSetChange(one) && one.after)
  if (type === 'projects.delete') return 'deleting a project for good'
  if (type === 'bring-in') return `bringing in ${many(made.length)}`
  if (made.length) return `adding ${made.length === 1 ? label(reader, made[0]) : many(made.length)}`
  const first = items[0]
  if (!first) return nameOfOther(reader, patch)
  const which = items.length === 1 ? keyOf(reader, first) : many(items.length)
  const change = patch.find((one) => one.entity === 'item' && isWorthNaming(one.field))
  const link = change ? undefined : patch.flatMap((one) => linkIn(one) ?? [])[0]
  const by = link && reader.maybe('field', link.field)
  if (by) return `changing ${reader.maybe('field', shownIn(link, by, first) ?? '')?.name ?? by.name} of ${which}`
  if (!change) return `changing ${which}`
  if (change.field === 'status' && !isSetChange(change)) return `moving ${which} to ${statusName(reader, change.after)}`
  if (orders.has(change.field)) return `reordering ${which}`
  if (change.field === 'parent' && !isSetChange(change))
    return `moving ${which} ${change.after ? `into ${keyOf(reader, change.after)}` : 'to the top'}`
  if (change.field === 'archived' && !isSetChange(change)) return `${change.after ? 'archiving' : 'restoring'} ${which}`
  const name = isItemColumn(change.field)
    ? change.field
    : (reader.maybe('field', change.field)?.name ?? 'a removed field')
  return `changing ${name} of ${which}`
}

const many = (n: number): string => `${n} ${n === 1 ? 'item' : 'items'}`
/** Columns that say where an item stands among others. */
const orders: ReadonlySet<string> = new Set(['rank', 'siblingRank'])
const isWorthNaming = (field: string): boolean =>
  !isItemColumn(field) || field === 'status' || orders.has(field) || (shownColumns as readonly string[]).includes(field)
const label = (reader: Reader, change: Change | undefined): string => {
  const item = change && reader.maybe('item', change.id)
  return item ? (item.number ? itemKey(reader, item) : `“${item.title}”`) : ''
}
/** What an entry that is about no item did, by its first change. */
function nameOfOther(reader: Reader, patch: readonly Change[]): string {
  const first = patch.find((change) => change.entity === 'project') ?? patch[0]
  if (first?.entity === 'person' || first?.entity === 'member') return nameOfAccess(reader, first, patch)
  if (first?.entity === 'preference') return 'changing your settings'
  if (first?.entity === 'dayOff') return nameOfDayOff(reader, first, patch.length)
  if (first?.entity === 'workspace') return workspaceNames[first.field] ?? 'a change'
  if (first?.entity !== 'view' && first?.entity !== 'project') return 'a change'
  const record = recordOf(reader, first) as Named | undefined
  return `${doingOf(first)} the ${first.entity} ${record?.name ?? ''}`.trim()
}
const workspaceNames: Readonly<Record<string, string | undefined>> = {
  name: 'renaming the workspace', timeZone: 'changing the time zone', workingWeek: 'changing the working week',
} // prettier-ignore
/** `adding Christmas Day`, `removing 9 holidays`, `changing days off of Hamid`. */
function nameOfDayOff(reader: Reader, change: Change, count: number): string {
  const off = recordOf(reader, change) as DayOff | undefined
  const person = off?.person && reader.names.person(off.person)
  const what = person ? `days off of ${person}` : count > 1 && change.field === '*' ? `${count} holidays` : off?.name || 'a holiday' // prettier-ignore
  return `${doingOf(change)} ${what}`
}
/** What a project is set up with, by what its record is called. */
const setUpWords: Readonly<Partial<Record<EntityName, string>>> = {
  status: 'status', step: 'status', workflow: 'workflow', kind: 'kind', field: 'field', option: 'option',
  column: 'column', columnStatus: 'column', limit: 'limit',
} // prettier-ignore
/** `removing the status Being checked`, `changing the limit of In hand`. */
function nameOfSetUp(reader: Reader, change: Change, what: string): string {
  const record = recordOf(reader, change) as Partial<Named & Record<'label' | 'column' | 'status', string>> | undefined
  const { entity } = change
  if (change.field === 'name' && !isSetChange(change))
    return `renaming the ${what} ${String(change.before)} to ${String(change.after)}`
  const column = reader.maybe('column', record?.column ?? change.id.split('/')[0] ?? '')?.name ?? ''
  if (entity === 'limit') return `changing the limit of ${column}`.trim()
  if (entity === 'columnStatus') return `changing what ${column} holds`
  if (entity === 'kind' && change.field === 'workflow') return `changing the workflow of ${record?.name ?? ''}`
  const named = entity === 'step' ? statusName(reader, record?.status ?? change.id.split('/')[1]) : (record?.name ?? record?.label ?? '') // prettier-ignore
  const doing = doingOf(change) === 'archiving' ? 'removing' : doingOf(change)
  return `${doing} the ${what} ${named}`.trim()
}
/** The record that a change makes, takes away or changes. */
const recordOf = (reader: Reader, change: Change): unknown =>
  change.field === '*' && !isSetChange(change)
    ? (change.after ?? change.before)
    : reader.maybe(change.entity, change.id)
function doingOf(change: Change): string {
  if (isSetChange(change)) return 'changing'
  if (change.field === '*') return change.after ? 'adding' : 'removing'
  if (change.field === 'archived') return change.after ? 'archiving' : 'restoring'
  return change.field === 'rank' ? 'reordering' : 'changing'
}
function nameOfAccess(reader: Reader, change: Change, patch: readonly Change[]): string {
  const { entity, id, field } = change
  const person = (of: string) => (entity === 'person' ? of : (of.split('/')[1] ?? ''))
  const people = new Set(patch.flatMap((one) => (one.entity === entity ? [person(one.id)] : [])))
  const name = people.size > 1 ? `${people.size} people` : (reader.maybe('person', person(id))?.name ?? 'someone')
  if (entity === 'person' && field === '*') return 'adding people'
  if (field === 'active') return !isSetChange(change) && change.after ? `bringing ${name} back` : `removing ${name}`
  const own = entity === 'person' ? ownWords[field] : undefined
  return own ? `changing ${name}’s ${own}` : `changing what ${name} may do`
}
const ownWords: Readonly<Record<string, string>> = {
  name: 'name',
  colour: 'colour',
  craft: 'craft',
  hours: 'hours',
  email: 'e-mail',
}
interface Named {
  readonly name: string
}
