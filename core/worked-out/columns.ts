/**
 * Fields that are worked out from others. Each has a column like any other field, which nobody writes: a row of it is worked
 * out when it is asked for, and again once something that it hangs on has changed. Nothing of it is stored.
 */
import { grown, type Column } from '../fields/columns/column'
import type { Value } from '../fields/contract'
import { isWorkedOut, typeOf } from '../fields/registry'
import { namesIn } from '../fields/formulas'
import type { Source } from '../fields/source'
import { momentNow, nextMoment, noRow, type ItemTable } from '../model/item-table'
import { isAutomatic } from '../model/names'
import { fieldContext } from '../model/reader'
import type { FactRef, Field, FieldId, Item } from '../model/records'
import type { ViewContext } from '../facts/contract'
import { maybeFact } from '../facts/registry'
import { prepare } from './cel'
import type { Read, Readable } from './read'
import { lookUpOf, rollUpOf, type Working } from './roll-ups'

/** Whose change, besides its own, changes what an item comes to. */
interface Spread {
  /** Of what is directly inside it. */
  children: boolean
  /** Of what is inside it at every level. */
  inside: boolean
  /** Of what it is directly inside of. */
  parent: boolean
  /** Of all that it is inside of. */
  above: boolean
}

/** More rows than this share of all are filled at once, where that can be. */
const few = 4

/** What a worked-out field comes to, by row. */
class WorkedColumn {
  readonly column: Column
  /** By row, the moment since which it may be another. */
  stamps = new Int32Array(0)
  /** Views read the column as it is: it is kept filled. */
  isRead = false
  #isKnown = new Uint8Array(0)
  #parent = new Int32Array(0)
  /** Up to when changes have been taken in. */
  #seen = -1
  /** Rows that are known. */
  #count = 0
  /** By row, the moment when all above it was last gone over. */
  #walked = new Int32Array(0)

  constructor(
    readonly table: ItemTable,
    readonly field: Field,
    readonly working: Working | undefined,
    readonly needs: readonly WorkedColumn[],
    readonly spread: Readonly<Spread>,
  ) {
    this.column = typeOf(field).column()
  }

  /** Takes in what has changed since it was last done: those rows are worked out anew when they are asked for. */
  refresh(): void {
    for (const need of this.needs) need.refresh()
    if (this.#seen === momentNow()) return
    const { table } = this
    if (this.#isKnown.length < table.listed.length) this.#grow(table.listed.length)
    const since = this.#seen
    const now = nextMoment()
    const { n, version, parent } = table
    if (since < 0) this.stamps.fill(now, 0, n)
    else
      for (let row = 0; row < n; row++)
        if (version[row]! > since || parent[row] !== this.#parent[row] || this.#hasNeedChanged(row, since))
          this.#spread(row, now)
    this.#parent.set(parent.subarray(0, n))
    this.#seen = momentNow()
  }
  #hasNeedChanged(row: number, since: number): boolean {
    for (const need of this.needs) if (need.stamps[row]! > since) return true
    return false
  }

  /** Has a row worked out. */
  ready = (row: number): void => {
    if (this.#isKnown[row]) return
    this.#isKnown[row] = 1
    this.#count++
    this.column.set(row, this.table.has(row) ? (this.working?.valueAt(row) ?? null) : null)
  }
  valueAt(row: number): Value {
    this.refresh()
    this.ready(row)
    return this.column.get(row)
  }
  /** Has every row worked out. */
  fill(): void {
    this.refresh()
    const { n } = this.table
    if (this.#count === n) return
    if (this.working?.fillAll && (n - this.#count) * few > n) {
      for (const need of this.needs) need.fill()
      this.working.fillAll(this.column)
      this.#isKnown.fill(1, 0, n)
      this.#count = n
      return
    }
    for (let row = 0; row < n; row++) this.ready(row)
  }

  #spread(row: number, now: number): void {
    const { table, spread } = this
    this.#forget(row, now)
    if (spread.children || spread.inside)
      for (const above of [table.parent[row]!, this.#parent[row]!]) this.#forgetAbove(above, now)
    if (spread.parent || spread.above) this.#forgetBelow(row, now)
  }
  #forgetAbove(from: number, now: number): void {
    const { parent } = this.table
    for (let at = from; at !== noRow && at < this.table.n; at = parent[at]!) {
      this.#forget(at, now)
      if (!this.spread.inside || this.#walked[at] === now) return
      this.#walked[at] = now
    }
  }
  #forgetBelow(row: number, now: number): void {
    const left = [row]
    for (let at = left.pop(); at !== undefined; at = left.pop())
      for (const child of this.table.childrenOf(at)) {
        this.#forget(child, now)
        if (this.spread.above) left.push(child)
      }
  }
  #forget(row: number, now: number): void {
    this.stamps[row] = now
    if (this.#isKnown[row]) this.#count--
    this.#isKnown[row] = 0
  }
  #grow(rows: number): void {
    this.stamps = grown(this.stamps, rows)
    this.#isKnown = grown(this.#isKnown, rows)
    this.#walked = grown(this.#walked, rows)
    this.#parent = grown(this.#parent, rows, noRow)
    this.column.grow(rows)
  }
}

/** The worked-out fields of a project's items, as they are on a day while nothing but items changes. */
class Project {
  readonly #columns = new Map<FieldId, WorkedColumn>()
  readonly #begun = new Set<FieldId>()

  constructor(
    readonly context: ViewContext,
    readonly edition = context.reader.edition,
  ) {}

  /** Undefined where it hangs on itself, which what is stored does not. */
  of(field: Field): WorkedColumn | undefined {
    const known = this.#columns.get(field.id)
    if (known) return known
    if (this.#begun.has(field.id)) return undefined
    this.#begun.add(field.id)
    const needs: WorkedColumn[] = []
    const spread: Spread = { ...spreadOf(field) }
    const working = this.#work(field, (key) => this.#read(key, needs, spread))
    this.#begun.delete(field.id)
    const column = new WorkedColumn(this.context.table, field, working, needs, spread)
    this.#columns.set(field.id, column)
    return column
  }
  #work(field: Field, read: Read): Working | undefined {
    if (field.type === 'rollUp') return rollUpOf(this.context, field, read)
    if (field.type === 'lookUp') return lookUpOf(this.context, field, read)
    const valueAt = prepare(this.context, field.settings, read)
    return valueAt && { valueAt }
  }
  #read(key: string, needs: WorkedColumn[], spread: Spread): Readable | undefined {
    const { reader, project, table } = this.context
    const fact = maybeFact(reader, project, refOf(key))
    if (!fact) return undefined
    const { field } = fact
    if (!field || !isWorkedOut(field)) {
      spread.inside ||= !!fact.kin?.inside
      spread.above ||= !!fact.kin?.above
      const column = field && table.column(field.id)
      return { fact, ...(field && { type: typeOf(field), column }), source: fact.source(this.context), ready: () => {} }
    }
    const its = this.of(field)
    if (!its) return undefined
    if (!needs.includes(its)) needs.push(its)
    const source = typeOf(field).source(its.column, fieldContext(reader, field))
    return { fact, type: typeOf(field), column: its.column, source, ready: its.ready }
  }

  /** Those that views read. */
  read(): WorkedColumn[] {
    return [...this.#columns.values()].filter(({ isRead }) => isRead)
  }
}

/** What a key names. */
const refOf = (key: string): FactRef => (isAutomatic(key) ? { fact: key } : { fact: 'field', field: key as FieldId })

function spreadOf({ type, settings: { over, formula } }: Field): Spread {
  const named = type === 'computed' ? namesIn(formula ?? '') : new Set([over])
  return {
    children: named.has('children'), inside: named.has('inside'), parent: named.has('parent'), above: false,
  } // prettier-ignore
}

const known = new WeakMap<ItemTable, Project>()
function projectOf(context: ViewContext): Project {
  const { table, reader, viewer } = context
  const before = known.get(table)
  const isSame = before?.edition === reader.edition && before.context.reader === reader
  if (isSame && before.context.viewer.today === viewer.today) return before
  const now = new Project(context)
  known.set(table, now)
  return now
}

/** How views read a worked-out field. Every row is worked out, and kept so by `changedSince`. */
export function source(context: ViewContext, field: Field): Source {
  const its = projectOf(context).of(field)!
  its.isRead = true
  its.fill()
  return typeOf(field).source(its.column, fieldContext(context.reader, field))
}

/** What the worked-out ones of some fields come to for one row; empty ones are left out. */
export function values(context: ViewContext, fields: readonly Field[], row: number): Item['values'] | undefined {
  let found: Record<string, Value> | undefined
  for (const field of fields) {
    if (!isWorkedOut(field)) continue
    const value = projectOf(context).of(field)!.valueAt(row)
    if (value !== null) (found ??= {})[field.id] = value
  }
  return found
}

/** What a field would come to by row, as it is said and not stored (yet). */
export function tryOut(context: ViewContext, field: Field): (row: number) => Value {
  const its = new Project(context).of(field)!
  return (row) => its.valueAt(row)
}

/** Works out anew what views read, and gives the rows where something of it may have changed since a moment. */
export function changedSince(context: ViewContext, since: number): number[] {
  const { table } = context
  const rows = new Set<number>()
  for (const one of known.get(table)?.read() ?? []) {
    one.fill()
    const { stamps } = one
    for (let row = 0; row < table.n; row++) if (stamps[row]! > since) rows.add(row)
  }
  return [...rows]
}
