/** Why an item is in a view or not, and how many items each phrase of a view leaves. */
import { assertNever } from '../base/result'
import { fromDayNumber } from '../base/dates'
import type { Condition, FactRef, ViewDefinition } from '../model/records'
import type { GroupValue } from '../views/axes'
import { compile, compileAll } from '../views/filter'
import { pathsOf, planOf, rowsMeeting } from '../views/evaluate'
import type { ViewContext } from '../facts/contract'
import { factKey, maybeFact } from '../facts/registry'
import { daysOf } from '../facts/viewer'
import { factName } from './conditions'
import type { Wording } from './wording'
import { maybeNamed } from './names'
import { keepTested } from '../views/scans'

/** What one phrase says of an item. */
export interface Reason {
  /** The phrase's place in the view's *where*; -1: items without a value are left out of a group. */
  readonly at: number
  readonly holds: boolean
  /** What the item has where the phrase looks: `status: Ready`. */
  readonly has: readonly { readonly fact: string; readonly value: string }[]
}

/** Whether an item is in a view, and what each phrase says of it. */
export interface Why {
  readonly isIn: boolean
  /** It is archived: no view shows it. */
  readonly isArchived: boolean
  readonly reasons: readonly Reason[]
  /** The groups that it is in. */
  readonly groups: readonly (readonly GroupValue[])[]
}

/** Why the item in a row is in a view or not. */
export function why(context: ViewContext, view: ViewDefinition, row: number, wording: Wording): Why {
  const plan = planOf(context, view)
  const isArchived = !context.table.listed[row]
  const of = (condition: Condition, at: number): Reason => ({
    at,
    holds: compile(context, condition)?.test(row) ?? true,
    has: factsIn(condition).flatMap((by) => {
      const fact = maybeFact(context.reader, context.project, by)
      return fact ? [{ fact: factName(wording, by), value: valueWords(context, row, by, wording) }] : []
    }),
  })
  const hidden = view.group
    .filter((key) => key.hideNone)
    .map((key): Condition => ({ about: 'fact', fact: key.by, test: { is: 'filled' } }))
  const isIn = !isArchived && plan.test.test(row)
  return {
    isIn,
    isArchived,
    reasons: [...view.where.map(of), ...hidden.map((condition) => of(condition, -1)).filter((reason) => !reason.holds)],
    groups: isIn && plan.axes.length ? pathsOf(plan.axes, row) : [],
  }
}

/** How many items each phrase leaves: alone, and after those before it. */
export interface Leaves {
  readonly all: number
  readonly phrases: readonly { readonly alone: number; readonly after: number }[]
}

/** How many items each condition leaves, alone and after those before it. */
export function leaves(context: ViewContext, where: readonly Condition[]): Leaves {
  const all = rowsMeeting({ context, test: compileAll(context, []) })
  const scratch = new Int32Array(all.length)
  let rows = all
  const phrases = where.map((condition) => {
    const test = compile(context, condition)
    if (!test) return { alone: all.length, after: rows.length }
    const alone = keepTested(test.test, all, all.length, scratch)
    const after = new Int32Array(rows.length)
    rows = after.subarray(0, test.keep(rows, rows.length, after))
    return { alone, after: rows.length }
  })
  return { all: all.length, phrases }
}

/** The facts that a condition looks at, each once. */
export function factsIn(condition: Condition): FactRef[] {
  switch (condition.about) {
    case 'fact':
      return [condition.fact]
    case 'was':
      return [{ fact: 'status' }, { fact: 'statusSince' }]
    case 'all':
    case 'any':
    case 'none':
      return [...new Map(condition.of.flatMap(factsIn).map((ref) => [factKey(ref), ref])).values()]
    case 'anyChild':
    case 'allChildren':
      // What its children have is not said of the item.
      return []
    case 'parent':
    case 'someAncestor':
      return [{ fact: 'parent' }]
    default:
      return assertNever(condition)
  }
}

/** What an item has of a fact, in words; `empty` where it has nothing. */
export function valueWords(context: ViewContext, row: number, by: FactRef, wording: Wording): string {
  const fact = maybeFact(context.reader, context.project, by)
  const source = fact?.source(context)
  const name = (id: string) => maybeNamed(context.reader, wording.project, by, id)?.name ?? 'removed'
  const words = (): string => {
    switch (source?.kind) {
      case 'choice': {
        const id = source.valueOf(source.column.a[row]!)
        return id && name(id)
      }
      case 'choices':
        return source.valuesAt(row).map(name).join(', ')
      case 'number':
        return fact && !Number.isNaN(source.at(row)) ? fact.figures.bare(source.at(row)) : ''
      case 'day':
        return source.column.isEmpty(row) ? '' : wording.day(fromDayNumber(source.column.a[row]!))
      case 'instant':
        return source.column.isEmpty(row) ? '' : wording.day(fromDayNumber(daysOf(context.reader.workspace()).dayOf(source.column.a[row]!))) // prettier-ignore
      case 'text':
        return source.column.a[row] ?? ''
      case 'flag':
        return source.isSet(row) ? 'yes' : 'no'
      default:
        return ''
    }
  }
  return words() || 'empty'
}
