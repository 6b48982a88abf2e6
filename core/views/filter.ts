/** Conditions, compiled to run over columns. */
import { foldText } from '../base/collation'
import { assertNever } from '../base/result'
import { noDay } from '../fields/columns/column'
import type { CodesColumn, Rows } from '../fields/columns/codes'
import type { ItemTable } from '../model/item-table'
import type { Scratch } from '../model/scratch'
import type { Condition, FactTest } from '../model/records'
import type { Kin, ViewContext } from '../facts/contract'
import { maybeFact } from '../facts/registry'
import { dayMeant, daysOf, meant } from '../facts/viewer'
import type { ChoiceSource, ChoicesSource, Source } from '../fields/source'
import { tested, type Candidates, type Test } from './asked'
import { ofKin } from './kin'
import * as scan from './scans'

const never: Test = { test: () => false, keep: () => 0, mark: () => {}, cost: 0 }
/** All conditions of a list; only what is listed meets them. */
export const compileAll = (context: ViewContext, conditions: readonly Condition[]): Test =>
  all([listed(context.table), ...conditions.flatMap((condition) => compile(context, condition) ?? [])])

const listed = (table: ItemTable): Test => ({
  test: (row) => table.listed[row] === 1,
  keep: (from, m, to) => scan.keepFlagged(table.listed, from, m, to),
  mark: (from, m, marks) => scan.markTested((row) => table.listed[row] === 1, from, m, marks),
  isMetByAll: () => table.listedCount === table.n,
  cost: 0,
})

/** Undefined: it cannot be asked (any more), as of a field that was removed, and so leaves nothing out. */
export function compile(context: ViewContext, condition: Condition): Test | undefined {
  switch (condition.about) {
    case 'fact': {
      const fact = maybeFact(context.reader, context.project, condition.fact)
      const test = fact && compileTest(context, fact.source(context), condition.test)
      return test && fact.kin ? { ...test, kin: fact.kin } : test
    }
    case 'all':
    case 'any':
    case 'none': {
      const tests = condition.of.flatMap((one) => compile(context, one) ?? [])
      if (!tests.length) return undefined
      const { scratch } = context.table
      if (condition.about === 'all') return all(tests)
      return condition.about === 'any' ? any(tests, scratch) : not(any(tests, scratch), scratch)
    }
    case 'was':
      return was(context, condition)
    case 'anyChild':
    case 'allChildren':
    case 'parent':
    case 'someAncestor': {
      const that = compile(context, condition.that)
      return that && ofKin(context.table, condition.about, that)
    }
    default:
      return assertNever(condition)
  }
}

/** The kin of all of these together. */
export function kinOf(all: readonly ({ readonly kin?: Kin } | undefined)[]): { kin?: Kin } {
  const inside = all.some((one) => one?.kin?.inside)
  const above = all.some((one) => one?.kin?.above)
  return inside || above ? { kin: { inside, above } } : {}
}
const costOf = (tests: readonly Test[]) => tests.reduce((sum, test) => sum + test.cost, 1)

function all(tests: readonly Test[]): Test {
  if (tests.length === 1) return tests[0]!
  const order = [...tests].sort((a, b) => a.cost - b.cost)
  const few = tests.flatMap((test) => test.candidates ?? []).sort((a, b) => a.most() - b.most())[0]
  return {
    test: (row) => order.every((test) => test.test(row)),
    keep(from, m, to) {
      let [rows, n] = [from, m]
      for (const one of order) {
        if (one.isMetByAll?.()) continue
        n = one.keep(rows, n, to)
        rows = to
      }
      if (rows === from && to !== from) to.set(from.subarray(0, m))
      return n
    },
    keepAll(m, to) {
      const [first, ...rest] = order.filter((test) => !test.isMetByAll?.())
      const kept = first?.keepAll?.(m, to)
      return kept === undefined ? kept : rest.reduce((n, test) => test.keep(to, n, to), kept)
    },
    isMetByAll: () => order.every((test) => test.isMetByAll?.()),
    mark(from, m, marks) {
      const mine = new Uint8Array(m)
      for (const [i, one] of order.entries()) {
        const its = i ? new Uint8Array(m) : mine
        one.mark(from, m, its)
        if (i) for (let k = 0; k < m; k++) mine[k]! &= its[k]!
      }
      if (!order.length) mine.fill(1)
      for (let k = 0; k < m; k++) marks[k]! |= mine[k]!
    },
    cost: costOf(tests),
    ...(few && { candidates: few }),
    ...kinOf(tests),
  }
}

function any(tests: readonly Test[], scratch: Scratch): Test {
  if (tests.length === 1) return tests[0]!
  const order = [...tests].sort((a, b) => a.cost - b.cost)
  const last = order.at(-1)!
  return {
    test: (row) => order.some((test) => test.test(row)),
    keep(from, m, to) {
      const marks = scratch.marks(m)
      for (const one of order) if (one !== last || !last.keepOr) one.mark(from, m, marks)
      const n = last.keepOr?.(marks, from, m, to) ?? scan.keepMarked(marks, 1, from, m, to)
      scratch.giveBack(marks, m)
      return n
    },
    mark(from, m, marks) {
      for (const one of order) one.mark(from, m, marks)
    },
    cost: costOf(tests),
    ...kinOf(tests),
    ...(tests.every((test) => test.candidates) && { candidates: union(tests.map((test) => test.candidates!)) }),
  }
}

function union(parts: readonly Candidates[]): Candidates {
  if (parts.length === 1) return parts[0]!
  return {
    most: () => parts.reduce((sum, list) => sum + list.most(), 0),
    rows: () =>
      parts
        .map((list) => list.rows())
        .reduce((a, b) => {
          const both = new Int32Array(a.n + b.n)
          return { n: scan.keepEither(a.a, a.n, b.a, b.n, both), a: both }
        }),
  }
}

function not(one: Test, scratch: Scratch): Test {
  if (one.negated) return one.negated()
  return {
    test: (row) => !one.test(row),
    keep(from, m, to) {
      const marks = scratch.marks(m)
      one.mark(from, m, marks)
      const n = scan.keepMarked(marks, 0, from, m, to)
      scratch.giveBack(marks, m)
      return n
    },
    mark(from, m, marks) {
      const its = scratch.marks(m)
      one.mark(from, m, its)
      for (let k = 0; k < m; k++) marks[k]! |= 1 - its[k]!
      scratch.giveBack(its, m)
    },
    cost: one.cost + 1,
    ...kinOf([one]),
  }
}

function compileTest(context: ViewContext, source: Source, test: FactTest): Test | undefined {
  if (test.is === 'empty') return not(filled(source), context.table.scratch)
  if (test.is === 'filled') return filled(source)
  switch (source.kind) {
    case 'choice':
      if (test.is !== 'anyOf') return undefined
      return coded(source, new Set(meant(test.values, context.reader, context.viewer)))
    case 'choices':
      if (test.is !== 'anyOf' && test.is !== 'allOf') return undefined
      return severalOf(context, source, test)
    case 'number':
      if (test.is !== 'between') return undefined
      return within(source.column ?? source.at, test.from ?? -Infinity, test.to ?? Infinity)
    case 'day':
      if (test.is !== 'days') return undefined
      return within(source.column, ...daysMeant(context, test))
    case 'instant': {
      if (test.is !== 'days') return undefined
      const days = daysOf(context.reader.workspace())
      const [from, to] = daysMeant(context, test)
      return within(
        source.column,
        from === firstDay ? -Infinity : days.begin(from),
        to === noDay - 1 ? Infinity : days.begin(to + 1) - 1,
      )
    }
    case 'text':
      return test.is === 'has' ? words(source, test.words) : undefined
    case 'flag':
      return undefined
    default:
      return assertNever(source)
  }
}

const firstDay = -0x80000000
function daysMeant({ reader, viewer }: ViewContext, { from, to }: Extract<FactTest, { is: 'days' }>): [number, number] {
  const time = reader.workingTime()
  return [
    from === null ? firstDay : dayMeant(from, viewer.today, time),
    to === null ? noDay - 1 : dayMeant(to, viewer.today, time),
  ]
}

function filled(source: Source): Test {
  switch (source.kind) {
    case 'choice': {
      return source.column.codes.ids.length ? coded(source, undefined) : never
    }
    case 'choices':
      return source.column
        ? tested((row) => !source.column!.isEmpty(row), 3)
        : tested((row) => source.valuesAt(row).length > 0)
    case 'number':
      return within(source.column ?? source.at, -Infinity, Infinity)
    case 'day':
      return within(source.column, firstDay, noDay - 1)
    case 'instant':
      return within(source.column, -Infinity, Infinity)
    case 'text':
      return tested((row) => !source.column.isEmpty(row), 3)
    case 'flag':
      return tested(source.isSet, 3)
    default:
      return assertNever(source)
  }
}

/** Of a column of one code a row: those that mean one of these; with none given, those that mean anything. */
function coded(source: ChoiceSource, values: ReadonlySet<string> | undefined, isNot = false): Test {
  const { column, valueOf } = source
  let yes: Uint8Array = new Uint8Array(0)
  /** Ids come while a view lives: what is not known yet is looked up again. */
  const lookUp = (): Uint8Array => {
    const known = column.codes.ids.length
    if (yes.length !== known) {
      yes = new Uint8Array(known)
      for (let code = 0; code < known; code++)
        yes[code] = Number((values ? values.has(valueOf(code)) : valueOf(code) !== '') !== isNot)
    }
    return yes
  }
  return {
    test: (row) => lookUp()[column.a[row]!] === 1,
    keep: (from, m, to) => scan.keepCoded(column.a, lookUp(), from, m, to),
    keepAll: (n, to) => scan.keepCodedAll(column.a, lookUp(), n, to),
    keepOr: (marks, from, m, to) => scan.keepCodedOr(column.a, lookUp(), marks, from, m, to),
    mark: (from, m, marks) => scan.markCoded(column.a, lookUp(), from, m, marks),
    negated: () => coded(source, values, !isNot),
    cost: 1,
  }
}

function severalOf(
  context: ViewContext,
  source: ChoicesSource,
  test: Extract<FactTest, { is: 'anyOf' | 'allOf' }>,
): Test {
  const values = meant(test.values, context.reader, context.viewer)
  if (test.is === 'allOf') return all(values.map((value) => holdsAny(source, [value])))
  if (!values.length) return never
  const { columns } = source
  if (!columns) return holdsAny(source, values)
  // Each of the columns that it comes from is asked.
  const each = columns.map((column) => holdsAny({ ...source, column }, values))
  return each.length ? any(each, context.table.scratch) : never
}

function holdsAny(source: ChoicesSource, values: readonly string[]): Test {
  const { column } = source
  if (!column) return tested((row) => source.valuesAt(row).some((one) => values.includes(one)), 12)
  const codes = values.map((value) => column.codes.of(value))
  return {
    ...slotted(column, codes),
    candidates: union(codes.map((code) => ({ most: () => column.holding(code).n, rows: () => column.holding(code) }))),
  }
}

function slotted(column: CodesColumn, codes: readonly number[]): Test {
  let yes: Uint8Array = new Uint8Array(0)
  const lookUp = (): Uint8Array => {
    if (yes.length !== column.codes.ids.length) {
      yes = new Uint8Array(column.codes.ids.length)
      for (const code of codes) yes[code] = 1
    }
    return yes
  }
  const test = (row: number): boolean => column.codesAt(row).some((code) => codes.includes(code))
  return {
    test,
    keep: (from, m, to) =>
      column.more.size ? scan.keepTested(test, from, m, to) : scan.keepSlotted(column.a, lookUp(), from, m, to),
    mark: (from, m, marks) =>
      column.more.size ? scan.markTested(test, from, m, marks) : scan.markSlotted(column.a, lookUp(), from, m, marks),
    cost: 2,
  }
}

function within(
  of: { a: Int32Array } | { a: Float64Array } | ((row: number) => number),
  low: number,
  high: number,
): Test {
  if (typeof of === 'function')
    return tested((row) => {
      const x = of(row)
      return x >= low && x <= high
    }, 8)
  return {
    test: (row) => of.a[row]! >= low && of.a[row]! <= high,
    keep: (from, m, to) => scan.keepWithin(of.a, low, high, from, m, to),
    keepOr: (marks, from, m, to) => scan.keepWithinOr(of.a, low, high, marks, from, m, to),
    mark: (from, m, marks) => scan.markWithin(of.a, low, high, from, m, marks),
    cost: 1,
  }
}

/** All words are in the text, in whatever order. */
function words({ column }: Extract<Source, { kind: 'text' }>, text: string): Test | undefined {
  const folded = foldText(text).split(/\s+/).filter(Boolean)
  if (!folded.length) return undefined
  const test = (row: number) => folded.every((word) => column.has(row, word))
  const search = (): Rows => {
    const found = new Int32Array(column.a.length)
    return { n: column.search(folded[0]!, found), a: found } as Rows
  }
  return {
    test,
    keepAll(_, to) {
      let n = column.search(folded[0]!, to)
      for (const word of folded.slice(1)) n = scan.keepTested((row) => column.has(row, word), to, n, to)
      return n
    },
    // Where most rows are asked, the whole text is searched at once.
    keep(from, m, to) {
      if (m * 8 < column.a.length) return scan.keepTested(test, from, m, to)
      const found = search()
      let n = scan.keepBoth(found.a, found.n, from, m, to)
      for (const word of folded.slice(1)) n = scan.keepTested((row) => column.has(row, word), to, n, to)
      return n
    },
    mark: (from, m, marks) => scan.markTested(test, from, m, marks),
    cost: 40,
  }
}

function was(context: ViewContext, { daysAgo, statuses }: Extract<Condition, { about: 'was' }>): Test {
  const { table, reader, viewer } = context
  const days = daysOf(reader.workspace())
  const end = days.begin(dayMeant({ of: 'day', n: 1 - daysAgo }, viewer.today, reader.workingTime()))
  const wanted = new Set<string>(statuses)
  return tested((row) => {
    if (table.created.a[row]! >= end) return false
    const status =
      table.statusSince.a[row]! < end
        ? table.status.codes.ids[table.status.a[row]!]
        : viewer.past?.(daysAgo, table.ids[row]!)
    return status !== undefined && wanted.has(status)
  }, 6)
}
