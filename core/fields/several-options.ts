import { fail, ok } from '../base/result'
import { CodesColumn } from './columns/codes'
import { splitSeveral, type FieldType, type Value } from './contract'
import { oneOption } from './one-option'

const list = (value: Value): readonly string[] => (Array.isArray(value) ? value : [])

/** Any of the field's options. Stored as a sorted list of option ids; ordered by the earliest of them. */
export const severalOptions: FieldType = {
  name: 'severalOptions',
  label: 'several options',
  several: true,
  kind: 'choices',
  column: () => new CodesColumn(),
  check(value, settings, names) {
    for (const id of list(value)) {
      const wrong = oneOption.check(id, settings, names)
      if (wrong) return wrong
    }
    return undefined
  },
  parse(text, settings, names) {
    const ids = new Set<string>()
    for (const part of splitSeveral(text)) {
      const one = oneOption.parse(part, settings, names)
      if (!one.ok) return fail(one.problem)
      ids.add(String(one.value))
    }
    return ok(ids.size ? [...ids].sort() : null)
  },
  print(value, settings) {
    const held = list(value)
    return (settings.options ?? [])
      .filter((option) => held.includes(option.id))
      .map((option) => option.label)
      .join('; ')
  },
  compare(a, b, settings, names) {
    const first = (value: Value) => [...list(value)].sort((x, y) => oneOption.compare(x, y, settings, names))[0] ?? null
    return oneOption.compare(first(a), first(b), settings, names)
  },
}
