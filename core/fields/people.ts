import { compareText } from '../base/collation'
import { fail, ok, problem } from '../base/result'
import { CodesColumn } from './columns/codes'
import { splitSeveral, type FieldType, type Names, type Value } from './contract'

const list = (value: Value): readonly string[] => (Array.isArray(value) ? value : [])
const inOrder = (value: Value, names: Names) =>
  list(value)
    .map((id) => names.person(id) ?? '')
    .sort(compareText)

/** One or several people of the workspace. Stored as a sorted list of person ids; ordered by the first name in it. */
export const people: FieldType = {
  name: 'people',
  label: 'people',
  several: true,
  kind: 'choices',
  column: () => new CodesColumn(),
  check: (value, _settings, names) =>
    list(value).every((id) => names.person(id) !== undefined) ? undefined : problem('wrong-value'),
  parse(text, _settings, names) {
    const ids = new Set<string>()
    for (const part of splitSeveral(text)) {
      const id = names.personNamed(part)
      if (id === undefined) return fail(problem('wrong-value', { text: part }))
      ids.add(id)
    }
    return ok(ids.size ? [...ids].sort() : null)
  },
  print: (value, _settings, names) => inOrder(value, names).join('; '),
  compare: (a, b, _settings, names) => compareText(inOrder(a, names)[0] ?? '', inOrder(b, names)[0] ?? ''),
}
