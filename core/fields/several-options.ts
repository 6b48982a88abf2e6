import { fail, firstProblem, ok } from '../base/result'
import { CodesColumn } from './columns/codes'
import { splitSeveral, type FieldType, type Value } from './contract'
import { oneOption } from './one-option'
import { choicesOf, placesOf } from './source'

const list = (value: Value): readonly string[] => (Array.isArray(value) ? value : [])

/** Any of the field's options. Stored as a sorted list of option ids; ordered by the earliest of them. */
export const severalOptions: FieldType = {
  name: 'severalOptions',
  label: 'several options',
  several: true,
  choices: 'options',
  kind: 'choices',
  column: () => new CodesColumn(),
  source: (column, { options }) =>
    choicesOf(
      column as CodesColumn,
      placesOf(() => options.map((option) => option.id)),
    ),
  check: (value, context) => firstProblem(list(value), (id) => oneOption.check(id, context)),
  parse(text, context) {
    const ids = new Set<string>()
    for (const part of splitSeveral(text)) {
      const one = oneOption.parse(part, context)
      if (!one.ok) return fail(one.problem)
      ids.add(String(one.value))
    }
    return ok(ids.size ? [...ids].sort() : null)
  },
  print(value, { options }) {
    const held = list(value)
    return options
      .filter((option) => held.includes(option.id))
      .map((option) => option.label)
      .join('; ')
  },
  compare(a, b, context) {
    const first = (value: Value) => [...list(value)].sort((x, y) => oneOption.compare(x, y, context))[0] ?? null
    return oneOption.compare(first(a), first(b), context)
  },
  fit(test) {
    if (test.is === 'allOf') return [...test.values].sort()
    const first = test.is === 'anyOf' ? test.values[0] : undefined
    return first === undefined ? undefined : [first]
  },
}
