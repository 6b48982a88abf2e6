import { compareText, TextIndex } from '../base/collation'
import { compareRanked } from '../base/ranked'
import type { PersonId } from '../base/ids'
import { must } from '../base/result'
import { weekOf, WorkingTime } from '../base/working-time'
import type { Names } from '../fields/contract'
import { entities, entityNames } from './entities'
import { ItemTable } from './item-table'
import { farEnd, LinkIndex, otherEnd, shownIn } from './links'
import { itemKey, type Reader } from './reader'
import type { EntityName, Field, Item, ItemId, Link, OptionOfField, ProjectId, Records, Workspace } from './records'

/** What working time is worked out from. */
const timed: ReadonlySet<EntityName> = new Set(['workspace', 'person', 'dayOff'])
type Apart = Exclude<EntityName, 'item'>
const noOptions: readonly OptionOfField[] = []

/**
 * A workspace: the items of each project in columns, all else in plain maps. It stands behind the reader port in a
 * browser's replica and in a room of the server. An item that is read is a copy: what is written goes through `put` and
 * `set`.
 */
export class State implements Reader {
  readonly #records = Object.fromEntries(entityNames.map((name) => [name, new Map()])) as {
    [E in Apart]: Map<string, Records[E]>
  }
  readonly #tables = new Map<ProjectId, ItemTable>()
  #people: { readonly byName: TextIndex<string>; readonly inOrder: readonly string[] } | undefined
  readonly #links = new LinkIndex()
  /** By person, '' for everyone; worked out when they are first asked for. */
  readonly #times = new Map<string, WorkingTime>()
  edition = 0
  /** By field; computed when they are first asked for. */
  #options: Map<string, OptionOfField[]> | undefined

  /** `nameOfOther`: names items that are not held here. */
  constructor(readonly nameOfOther: Names['item'] = () => undefined) {}

  readonly names: Names = {
    person: (id) => this.#records.person.get(id)?.name,
    craftOf: (id) => this.#records.person.get(id)?.craft ?? undefined,
    personNamed: (name) => this.#namedPeople().byName.find(name),
    item: (id) => this.#nameOfItem(id) ?? this.nameOfOther(id),
    itemNamed: (key) => this.#itemOfKey(key),
    peopleInOrder: () => this.#namedPeople().inOrder,
  }

  #nameOfItem(id: string): { key: string; title: string } | undefined {
    const place = this.placeOf(id)
    if (!place) return undefined
    const { table, row } = place
    const key = itemKey(this, { project: table.project, number: table.number.a[row]! })
    return { key, title: table.title.a[row] ?? '' }
  }
  #itemOfKey(key: string): string | undefined {
    const [, prefix = '', number = ''] = /^\s*([A-Z][A-Z0-9]*)-(\d+)\s*$/i.exec(key) ?? []
    if (!prefix) return undefined
    for (const project of this.#records.project.values()) {
      if (![project.prefix, ...project.oldPrefixes].includes(prefix.toUpperCase())) continue
      const table = this.#tables.get(project.id)
      const row = table ? table.number.a.indexOf(Number(number)) : -1
      return row < 0 ? undefined : table?.ids[row]
    }
    return undefined
  }

  workspace(): Workspace {
    return must([...this.#records.workspace.values()][0], 'workspace')
  }

  workingTime(person?: PersonId): WorkingTime {
    const known = this.#times.get(person ?? '')
    if (known) return known
    const free = [...this.#records.dayOff.values()].filter((off) => off.person === null || off.person === person)
    const week = (person && this.#records.person.get(person)?.hours) ?? weekOf(this.workspace().workingWeek)
    const time = new WorkingTime(week, free)
    this.#times.set(person ?? '', time)
    return time
  }

  holds(entity: EntityName): boolean {
    return entities[entity].held !== 'server only'
  }

  maybe<E extends EntityName>(entity: E, id: string): Records[E] | undefined {
    if (entity !== 'item') return this.#records[entity as Apart].get(id) as Records[E] | undefined
    const place = this.placeOf(id)
    return place && (place.table.at(place.row) as Records[E])
  }

  *all<E extends EntityName>(entity: E): Iterable<Records[E]> {
    if (entity !== 'item') yield* this.#records[entity as Apart].values() as Iterable<Records[E]>
    else for (const project of this.#tables.keys()) yield* this.itemsOf(project) as Iterable<Records[E]>
  }

  optionsOf(field: string): readonly OptionOfField[] {
    this.#options ??= this.#optionsByField()
    return this.#options.get(field) ?? noOptions
  }

  #optionsByField(): Map<string, OptionOfField[]> {
    const byField = new Map<string, OptionOfField[]>()
    for (const option of [...this.#records.option.values()].sort(compareRanked)) {
      const options = byField.get(option.field)
      if (options) options.push(option)
      else byField.set(option.field, [option])
    }
    return byField
  }

  #namedPeople() {
    return (this.#people ??= this.#peopleByName())
  }

  #peopleByName() {
    const people = [...this.#records.person.values()]
    return {
      byName: new TextIndex(people.map((person): [string, string] => [person.name, person.id])),
      inOrder: people.sort((a, b) => compareText(a.name, b.name)).map((person) => person.id as string),
    }
  }

  count(entity: EntityName): number {
    if (entity !== 'item') return this.#records[entity].size
    return [...this.#tables.values()].reduce((sum, table) => sum + table.size, 0)
  }

  *itemsOf(project: ProjectId): Iterable<Item> {
    const table = this.#tables.get(project)
    if (table) for (const row of table.rows()) yield table.at(row)
  }

  *childrenOf(item: ItemId): Iterable<Item> {
    const place = this.placeOf(item)
    if (place) for (const row of place.table.childrenOf(place.row)) yield place.table.at(row)
  }

  /** The items of a project by columns; an empty table where it has none yet. */
  table(project: ProjectId): ItemTable {
    const known = this.#tables.get(project)
    if (known) return known
    const table = new ItemTable(project, (field) => this.#records.field.get(field))
    this.#tables.set(project, table)
    return table
  }

  /** Where an item stands. */
  placeOf(item: string): { readonly table: ItemTable; readonly row: number } | undefined {
    for (const table of this.#tables.values()) {
      const row = table.maybeRow(item)
      if (row !== undefined) return { table, row }
    }
    return undefined
  }

  put<E extends EntityName>(entity: E, id: string, record: Records[E] | undefined): void {
    if (entities[entity].touches === 'everything') this.edition++
    this.#put(entity, id, record)
  }

  #put<E extends EntityName>(entity: E, id: string, record: Records[E] | undefined): void {
    if (entity === 'item') return this.#putItem(id, record as Item | undefined)
    const records = this.#records[entity as Apart] as Map<string, Records[E]>
    const before = records.get(id)
    if (entity === 'link') this.#relink(before as Link | undefined, record as Link | undefined)
    if (record === undefined) records.delete(id)
    else records.set(id, record)
    if (entity === 'person') this.#people = undefined
    if (timed.has(entity)) this.#times.clear()
    if (entity === 'option') this.#options = undefined
    if (entity === 'field') this.#retype(before as Field | undefined, record as Field | undefined)
  }

  /** What a record holds in one of its fields, an item's values by field id; undefined where there is no such record. */
  read(entity: EntityName, id: string, field: string): unknown {
    const place = entity === 'item' ? this.placeOf(id) : undefined
    if (place) return place.table.read(place.row, field)
    return (this.maybe(entity, id) as Record<string, unknown> | undefined)?.[field]
  }

  /** Writes one field of a record; nothing where it is not there. */
  set(entity: EntityName, id: string, field: string, value: unknown): void {
    const place = entity === 'item' ? this.placeOf(id) : undefined
    if (place && field !== 'project') return place.table.set(place.row, field, value)
    const record = this.maybe(entity, id)
    if (!record) return
    // A project's next number is nothing that anything shows.
    if (field !== 'nextNumber' && entities[entity].touches === 'everything') this.edition++
    this.#put(entity, id, { ...record, [field]: value } as Records[EntityName])
  }

  #putItem(id: string, item: Item | undefined): void {
    for (const table of this.#tables.values()) if (table.project !== item?.project) table.remove(id)
    if (!item) return
    this.table(item.project).put(item)
    for (const link of this.#links.of(id)) this.#showLinks(link, id)
  }

  linksOf(item: string): Iterable<Link> {
    return this.#links.of(item)
  }
  #relink(before: Link | undefined, now: Link | undefined): void {
    if (before) this.#links.remove(before)
    if (now) this.#links.add(now)
    const link = now ?? before
    if (link) for (const end of [link.from, link.to]) this.#showLinks(link, end)
  }
  /** Writes what an item shows of all links by the field of one of them. */
  #showLinks({ field }: Link, item: string): void {
    const by = this.#records.field.get(field)
    const place = by && this.placeOf(item)
    if (!by || !place) return
    for (const shown of new Set([by.id, otherEnd(by)])) {
      const ids = [...this.#links.of(item)].filter((one) => one.field === field && shownIn(one, by, item) === shown)
      place.table.link(place.row, shown, ids.map((one) => farEnd(one, item)).sort()) // prettier-ignore
    }
  }

  #retype(before: Field | undefined, now: Field | undefined): void {
    const field = before ?? now
    if (field && before?.type !== now?.type) this.#tables.get(field.project)?.retype(field.id)
  }

  /** Everything held, in an order of its own, for comparing two states. */
  snapshot(): Record<string, unknown[]> {
    const sorted = (rows: Iterable<{ readonly id: string }>) => [...rows].sort((a, b) => (a.id < b.id ? -1 : 1))
    return Object.fromEntries(entityNames.map((name) => [name, sorted(this.all(name))]))
  }
}
