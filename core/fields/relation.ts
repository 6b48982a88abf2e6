import { fail, firstProblem, ok, problem } from '../base/result'
import { LinksColumn } from './columns/links'
import { splitSeveral, type FieldType, type Names, type Value } from './contract'
import { idsOf } from './value'

/** By the number of the first, which stands at the end of its key. */
function firstNumber(value: Value, names: Names): number {
  const numbers = idsOf(value).map((id) => Number(/\d+$/.exec(names.item(id)?.key ?? '')?.[0] ?? Number.NaN))
  return Math.min(...numbers.filter((one) => !Number.isNaN(one)), Number.MAX_SAFE_INTEGER)
}
const keysOf = (value: Value, names: Names): string[] =>
  idsOf(value)
    .flatMap((id) => names.item(id)?.key ?? [])
    .sort((a, b) => a.length - b.length || (a < b ? -1 : 1))

/**
 * Other items of the project. What is stored is one record a link (`model/links.ts`), which the field at either end shows:
 * `settings.other` is the one at the other end, none where both are the same. Ordered by the lowest key.
 */
export const relation: FieldType = {
  name: 'relation',
  label: 'relation',
  several: true,
  choices: 'items',
  isLinked: true,
  kind: 'choices',
  column: () => new LinksColumn(),
  source(column) {
    const links = column as LinksColumn
    return { kind: 'choices', valuesAt: links.idsAt, place: links.place }
  },
  check(value, { settings, names }) {
    const ids = idsOf(value)
    if (settings.single && ids.length > 1) return problem('one-item')
    return firstProblem(ids, (id) => (names.item(id) ? undefined : problem('gone')))
  },
  parse(text, { names }) {
    const ids = new Set<string>()
    for (const part of splitSeveral(text)) {
      const id = names.itemNamed(part)
      if (id === undefined) return fail(problem('no-item', { text: part }))
      ids.add(id)
    }
    return ok(ids.size ? [...ids].sort() : null)
  },
  print: (value, { names }) => keysOf(value, names).join('; '),
  compare: (a, b, { names }) => firstNumber(a, names) - firstNumber(b, names),
  fit(test) {
    if (test.is === 'allOf') return [...test.values].sort()
    return test.is === 'anyOf' && test.values[0] !== undefined ? [test.values[0]] : undefined
  },
}
