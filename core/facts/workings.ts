/**
 * Where worked-out fields are worked out. What does it comes with a language for formulas, which most pages never need:
 * whoever has loaded it hands it in, once for the thread. Until then such fields are empty.
 */
import type { Problem, Result } from '../base/result'
import type { Value } from '../fields/contract'
import type { GivenType } from '../fields/names'
import { typeOf } from '../fields/registry'
import type { FieldSettings } from '../fields/settings'
import type { Source } from '../fields/source'
import { fieldContext, type Reader } from '../model/reader'
import type { Field, Item, ProjectId } from '../model/records'
import type { ViewContext } from './contract'

/** What is known of a formula before anything is evaluated. */
export interface Checked {
  /** As what its results can be shown, the most fitting first. */
  readonly gives: readonly GivenType[]
  /** The keys that it names. */
  readonly keys: readonly string[]
}
/** Why a formula cannot be used, and where in it the reason lies. */
export interface FormulaFault {
  readonly words: string
  readonly from: number
  readonly to: number
}

/** Works fields out. */
export interface Workings {
  /** How views read a worked-out field: every row of it, kept right by `changedSince`. */
  source(context: ViewContext, field: Field): Source
  /** What the worked-out ones of some fields come to for one row; empty ones are left out. Undefined: there are none. */
  values(context: ViewContext, fields: readonly Field[], row: number): Item['values'] | undefined
  /**
   * Works out anew what views read of worked-out fields, and gives the rows where something of it may have changed since
   * a moment (`momentNow`).
   */
  changedSince(context: ViewContext, since: number): readonly number[]
  /** What a field would come to by row, as it is said and not stored (yet). */
  tryOut(context: ViewContext, field: Field): (row: number) => Value
  /** What a stored formula is in a project. */
  check(reader: Reader, project: ProjectId, formula: string): Result<Checked, FormulaFault>
}

let brought: Workings | undefined
/** Hands in what works fields out. */
export const bringWorkings = (workings: Workings): void => void (brought = workings)
/** Undefined where it has not been loaded. */
export const workings = (): Workings | undefined => brought

/** How views read a worked-out field. */
export function workedSource(context: ViewContext, field: Field): Source {
  if (brought) return brought.source(context, field)
  const column = typeOf(field).column()
  column.grow(context.table.listed.length)
  return typeOf(field).source(column, fieldContext(context.reader, field))
}

/** Undefined where a formula can be stored; also where nobody here can tell, since the server can. */
export function formulaRefusal(
  reader: Reader,
  project: ProjectId,
  { formula, gives }: FieldSettings,
): Problem | undefined {
  const checked = formula === undefined ? undefined : brought?.check(reader, project, formula)
  if (!checked) return undefined
  if (!checked.ok) return { code: 'no-formula', said: { text: checked.problem.words } }
  return gives && checked.value.gives.includes(gives) ? undefined : { code: 'wrong-value', said: { field: 'settings' } }
}
