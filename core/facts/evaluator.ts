/**
 * Where formulas are evaluated. The language is a library of its own, which most pages never need: whoever has loaded it
 * hands it in, once for the thread. Until then computed fields are empty.
 */
import type { Problem, Result } from '../base/result'
import type { Column } from '../fields/columns/column'
import type { FieldType, Value } from '../fields/contract'
import type { FieldSettings } from '../fields/settings'
import type { GivenType } from '../fields/names'
import type { Source } from '../fields/source'
import type { Reader } from '../model/reader'
import type { ProjectId } from '../model/records'
import type { Fact, ViewContext } from './contract'

/** A fact, ready to be read row by row. */
export interface Readable {
  readonly fact: Fact
  /** Of a field: as what it is read, and where its values are. */
  readonly type?: FieldType
  readonly column?: Column
  readonly source: Source
  /** Has the row worked out, where the fact is a worked-out field. */
  ready(row: number): void
}
/** Finds what a formula names by its key; undefined where there is no such thing (any more). */
export type Read = (key: string) => Readable | undefined

/** What is known of a formula before anything is evaluated. */
export interface Checked {
  /** As what its results can be shown, the most fitting first. */
  readonly gives: readonly GivenType[]
  /** The keys that it names. */
  readonly keys: readonly string[]
}
/** Why a formula cannot be used, and where in what was written the reason lies. */
export interface FormulaFault {
  readonly words: string
  readonly from: number
  readonly to: number
}

/** Evaluates formulas. */
export interface Evaluator {
  /** What a stored formula is in a project; the place of a fault is one in the stored formula. */
  check(reader: Reader, project: ProjectId, formula: string): Result<Checked, FormulaFault>
  /** How each row is evaluated; undefined where the formula cannot be (any more). */
  prepare(context: ViewContext, settings: FieldSettings, read: Read): ((row: number) => Value) | undefined
}

let brought: Evaluator | undefined
/** Hands the evaluator in. */
export const bringEvaluator = (evaluator: Evaluator): void => void (brought = evaluator)
/** Undefined where it has not been loaded. */
export const evaluator = (): Evaluator | undefined => brought

/** Undefined where a formula can be stored; also where nobody here can tell, since the server can. */
export function formulaRefusal(reader: Reader, project: ProjectId, settings: FieldSettings): Problem | undefined {
  const checked = settings.formula === undefined ? undefined : brought?.check(reader, project, settings.formula)
  if (!checked) return undefined
  if (!checked.ok) return { code: 'no-formula', said: { text: checked.problem.words } }
  return settings.gives && checked.value.gives.includes(settings.gives) ? undefined : { code: 'wrong-value' }
}
