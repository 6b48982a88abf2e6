import { storedFormula } from '../fields/formulas'
import { isEmptyValue } from '../fields/contract'
import { figuresOf, typeOf } from '../fields/registry'
import type { ViewContext } from '../facts/contract'
import type { TriedAnswer, TriedInput } from '../facts/workings'
import { fieldContext, itemKey } from '../model/reader'
import type { Field } from '../model/records'
import { check } from './cel'
import { tryOut } from './columns'
import { nameables } from './names'
import { refusal } from './refusal'

/** So many items are shown, and so many looked through for some that have a result. */
const [shown, looked] = [3, 300]

/** What a worked-out field would come to, while it is being made. */
export function tried(context: ViewContext, { field, written }: TriedInput): TriedAnswer {
  if (written === undefined) return answer(context, field)
  const { reader } = context
  const stored = storedFormula(written, nameables(reader, field.project))
  const checked = check(reader, field.project, stored.text)
  if (!checked.ok) {
    const { words, from, to } = checked.problem
    return { fault: { words, from: stored.back(from), to: stored.back(to) }, results: [] }
  }
  const { gives } = checked.value
  const as = gives.find((one) => one === field.settings.gives) ?? gives[0]
  const settings = { ...field.settings, formula: stored.text, ...(as && { gives: as }) }
  return { ...answer(context, { ...field, settings }), formula: stored.text, gives }
}

function answer(context: ViewContext, field: Field): TriedAnswer {
  const problem = refusal(context.reader, field)
  return problem ? { problem, results: [] } : { results: resultsOf(context, field) }
}

function resultsOf(context: ViewContext, field: Field): TriedAnswer['results'] {
  const { reader, table } = context
  const valueAt = tryOut(context, field)
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
