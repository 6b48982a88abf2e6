import type { Problem } from '../base/result'
import { storedFormula } from '../fields/formulas'
import type { GivenType } from '../fields/names'
import { isEmptyValue } from '../fields/contract'
import { figuresOf, typeOf } from '../fields/registry'
import { viewContext } from '../facts/contract'
import { workings, type FormulaFault } from '../facts/workings'
import { bringLater } from '../worked-out/bring'
import { nameables } from '../worked-out/names'
import { fieldContext, itemKey, type Reader } from '../model/reader'
import type { Field } from '../model/records'
import { workedRefusal } from '../projects/set-up/worked-out'
import { askedQuery, viewerOf, type QueryContext } from './contract'

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

/** So many items are shown, and so many looked through for some that have a result. */
const [shown, looked] = [3, 300]

/** What a worked-out field would come to, while it is being made. */
export const tried = askedQuery<TriedInput, TriedAnswer>(async (context, { field, written }) => {
  await bringLater()
  if (written === undefined) return answer(context, field)
  const { state } = context
  const stored = storedFormula(written, nameables(state, field.project))
  const checked = workings()!.check(state, field.project, stored.text)
  if (!checked.ok) {
    const { words, from, to } = checked.problem
    return { fault: { words, from: stored.back(from), to: stored.back(to) }, results: [] }
  }
  const { gives } = checked.value
  const as = gives.find((one) => one === field.settings.gives) ?? gives[0]
  const settings = { ...field.settings, formula: stored.text, ...(as && { gives: as }) }
  return { ...answer(context, { ...field, settings }), formula: stored.text, gives }
})

function answer(context: QueryContext, field: Field): TriedAnswer {
  const { state } = context
  const problem = workedRefusal(state, field)
  return problem ? { problem, results: [] } : { results: resultsOf(context, state, field) }
}

function resultsOf(context: QueryContext, reader: Reader, field: Field): TriedAnswer['results'] {
  const view = viewContext(reader, field.project, viewerOf(context))
  const { table } = view
  const valueAt = workings()!.tryOut(view, field)
  const type = typeOf(field)
  const said = (row: number) => {
    const value = valueAt(row)
    if (isEmptyValue(value)) return ''
    return typeof value === 'number' ? figuresOf(field).say(value) : type.print(value, fieldContext(reader, field))
  }
  const rows: number[] = []
  for (let row = 0; row < table.n && rows.length < looked; row++) if (table.listed[row]) rows.push(row)
  const some = rows.filter((row) => said(row)).slice(0, shown)
  const chosen = [...some, ...rows.filter((row) => !some.includes(row))].slice(0, shown)
  return chosen.map((row) => {
    const item = table.at(row)
    return { key: itemKey(reader, item), title: item.title, said: said(row) }
  })
}
