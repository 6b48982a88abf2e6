/** Conditions about an item's relatives: each item is asked once, however many relatives it has. */
import type { Kin } from '../facts/contract'
import { noRow, type ItemTable } from '../model/item-table'
import type { Condition } from '../model/records'
import { tested, type Test } from './asked'
import * as scan from './scans'

type KinName = Extract<Condition, { that: Condition }>['about']

/** What a relation makes of what holds of an item. */
interface Relation {
  readonly kin: Kin
  readonly cost: number
  /** Of one row, given what holds of any other. */
  of(table: ItemTable, row: number, that: (row: number) => boolean, isMet: (row: number) => boolean): boolean
  /** Of all rows at once: sets `met` where it holds, given `that` of all rows. */
  ofAll(table: ItemTable, that: Uint8Array, met: Uint8Array): void
}

const relations: Readonly<Record<KinName, Relation>> = {
  anyChild: {
    kin: { inside: true },
    cost: 20,
    of(table, row, that) {
      for (const child of table.childrenOf(row)) if (table.listed[child] && that(child)) return true
      return false
    },
    ofAll({ n, parent, listed }, that, met) {
      for (let row = 0; row < n; row++) {
        if (!that[row]) continue
        const above = parent[row]!
        if (above !== noRow) met[above]! |= listed[row]!
      }
    },
  },
  // An item with nothing inside it has no child that could fail, yet nobody means it.
  allChildren: {
    kin: { inside: true },
    cost: 20,
    of(table, row, that) {
      let some = false
      for (const child of table.childrenOf(row)) {
        if (!table.listed[child]) continue
        if (!that(child)) return false
        some = true
      }
      return some
    },
    ofAll({ n, parent, listed }, that, met) {
      const fails = new Uint8Array(n)
      for (let row = 0; row < n; row++) {
        const above = parent[row]!
        if (!listed[row] || above === noRow) continue
        met[above] = 1
        if (!that[row]) fails[above] = 1
      }
      for (let row = 0; row < n; row++) met[row]! &= 1 - fails[row]!
    },
  },
  parent: {
    kin: { above: true },
    cost: 10,
    of: ({ parent }, row, that) => parent[row] !== noRow && that(parent[row]!),
    ofAll({ n, parent }, that, met) {
      for (let row = 0; row < n; row++) {
        const above = parent[row]!
        if (above !== noRow) met[row] = that[above]!
      }
    },
  },
  someAncestor: {
    kin: { above: true },
    cost: 20,
    of: ({ parent }, row, that, isMet) => parent[row] !== noRow && (that(parent[row]!) || isMet(parent[row]!)),
    ofAll({ levels: { order, parentAt } }, that, met) {
      for (let k = 0; k < order.length; k++) {
        const above = parentAt[k]!
        if (above !== noRow) met[order[k]!] = that[order[above]!]! | met[order[above]!]!
      }
    },
  },
}

/** An item meets it whose relatives meet `that`. */
export function ofKin(table: ItemTable, name: KinName, that: Test): Test {
  const relation = relations[name]
  const found = new Found(table)
  const asked = new Found(table)
  const isThat = (row: number): boolean => asked.get(row) ?? asked.set(row, that.test(row))
  const above = (row: number): boolean => found.get(row) ?? false
  function ask(row: number): boolean {
    const known = found.get(row)
    if (known !== undefined) return known
    // From the top down, so that a chain of any length is asked without going deep.
    const way = name === 'someAncestor' ? unknownAbove(table, row, found) : [row]
    for (const one of way.reverse()) found.set(one, relation.of(table, one, isThat, above))
    return found.get(row)!
  }
  const { scratch } = table
  /** Of every row, all at once; what is found is gone once it has been used. */
  function ofAll<T>(use: (met: Uint8Array, every: Int32Array) => T): T {
    const { n } = table
    const every = scratch.everyRow(n)
    const [marks, met] = [scratch.marks(n), scratch.marks(n)]
    that.mark(every, n, marks)
    relation.ofAll(table, marks, met)
    scratch.giveBack(marks, n)
    const used = use(met, every)
    scratch.giveBack(met, n)
    return used
  }
  /** Where most rows are asked it is quicker to ask all of them, column by column. */
  const isMost = (m: number): boolean => m * 4 > table.n
  return {
    ...tested(ask, relation.cost + that.cost, { ...that.kin, ...relation.kin }),
    keep: (from, m, to) =>
      isMost(m) ? ofAll((met) => scan.keepFlagged(met, from, m, to)) : scan.keepTested(ask, from, m, to),
    mark(from, m, marks) {
      if (!isMost(m)) return scan.markTested(ask, from, m, marks)
      ofAll((met, every) => {
        if (from === every && m === table.n) for (let row = 0; row < m; row++) marks[row]! |= met[row]!
        else for (let k = 0; k < m; k++) marks[k]! |= met[from[k]!]!
      })
    },
  }
}

/** The row and those above it of which nothing has been found, the lowest first. */
function unknownAbove(table: ItemTable, row: number, found: Found): number[] {
  const way: number[] = []
  for (let at = row; at !== noRow && found.get(at) === undefined && way.length <= table.n; at = table.parent[at]!)
    way.push(at)
  return way
}

/** What has been found of each row, until anything of the table changes. */
class Found {
  /** By row: 1 where it is not met, 2 where it is. */
  #at = new Uint8Array(0)
  #edition = -1
  constructor(readonly table: ItemTable) {}

  get(row: number): boolean | undefined {
    if (this.#edition !== this.table.edition) this.#forget()
    const found = this.#at[row]
    return found ? found === 2 : undefined
  }
  set(row: number, isMet: boolean): boolean {
    this.#at[row] = isMet ? 2 : 1
    return isMet
  }
  #forget(): void {
    this.#edition = this.table.edition
    if (this.#at.length < this.table.n) this.#at = new Uint8Array(this.table.n)
    else this.#at.fill(0)
  }
}
