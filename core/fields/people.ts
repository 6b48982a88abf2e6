import { compareText, isSameText } from '../base/collation'
import { fail, firstProblem, ok, problem } from '../base/result'
import { CodesColumn } from './columns/codes'
import { splitSeveral, type FieldContext, type FieldType, type Names, type Value } from './contract'
import { choicesOf, placesOf } from './source'

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
  choices: 'people',
  kind: 'choices',
  column: () => new CodesColumn(),
  source: (column, { names }) =>
    choicesOf(
      column as CodesColumn,
      placesOf(() => names.peopleInOrder()),
    ),
  check(value, context) {
    if (context.settings.single && list(value).length > 1) return problem('one-person')
    return firstProblem(list(value), (id) => {
      const name = context.names.person(id)
      return name !== undefined && mayBeChosen(id, context) ? undefined : problem('wrong-value', { text: name ?? '' })
    })
  },
  parse(text, { names }) {
    const ids = new Set<string>()
    for (const part of splitSeveral(text)) {
      const id = names.personNamed(part)
      if (id === undefined) return fail(problem('wrong-value', { text: part }))
      ids.add(id)
    }
    return ok(ids.size ? [...ids].sort() : null)
  },
  print: (value, { names }) => inOrder(value, names).join('; '),
  compare: (a, b, { names }) => compareText(inOrder(a, names)[0] ?? '', inOrder(b, names)[0] ?? ''),
  fit(test, meaning) {
    if (test.is === 'allOf') return meaning.ids(test.values).sort()
    const first = test.is === 'anyOf' ? test.values[0] : undefined
    // A team asks for whoever types.
    return first === undefined ? undefined : meaning.ids([first === 'craft' ? 'me' : first]).sort()
  },
}

/** Whether a field that is for some people alone is for somebody. */
export const mayBeChosen = (id: string, { settings, names }: Pick<FieldContext, 'settings' | 'names'>): boolean =>
  (!settings.among || settings.among.some((one) => one === id)) &&
  (!settings.craft || isSameText(names.craftOf(id) ?? '', settings.craft))
