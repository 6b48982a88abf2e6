/**
 * Where worked-out fields are worked out. What does it comes with a language for formulas, which most pages never need:
 * whoever has loaded it hands it in, once for the thread. Until then such fields are empty.
 */
import type { Problem } from '../base/result'
import type { GivenType } from '../fields/names'
import { isWorkedOut, typeOf } from '../fields/registry'
import type { Source } from '../fields/source'
import { fieldContext, type Reader } from '../model/reader'
import type { Field, Item } from '../model/records'
import type { ViewContext } from './contract'

/** Why a formula cannot be used, and where in it the reason lies. */
export interface FormulaFault {
  readonly words: string
  readonly from: number
  readonly to: number
}
/** A worked-out field as somebody is making it. */
export interface TriedInput {
  readonly field: Field
  /** Of a computed one: its formula as it is written. */
  readonly written?: string
}
/** What it would come to. */
export interface TriedAnswer {
  /** What is wrong with the formula, and where in what is written. */
  readonly fault?: FormulaFault
  /** Why it cannot be worked out otherwise. */
  readonly problem?: Problem
  /** Of a computed one: its formula as it is stored, and as what it can be shown. */
  readonly formula?: string
  readonly gives?: readonly GivenType[]
  /** What it is of some items that are there. */
  readonly results: readonly { readonly key: string; readonly title: string; readonly said: string }[]
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
  /** Undefined where a field can be worked out from what its project has. */
  refusal(reader: Reader, field: Field): Problem | undefined
  /** What a field would come to, while somebody makes it. */
  tried(context: ViewContext, input: TriedInput): TriedAnswer
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

/** Undefined where a worked-out field can be; also where nobody here can tell, since the server can. */
export const workedRefusal = (reader: Reader, field: Field): Problem | undefined =>
  isWorkedOut(field) ? brought?.refusal(reader, field) : undefined
