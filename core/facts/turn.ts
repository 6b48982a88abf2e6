import { maybeStep } from '../model/reader'
import { turnFields } from '../model/turn'
import { itIs, type AutomaticFact, type Fit, type ViewContext } from './contract'
import { peoplesPlace, peopleValues } from './people-values'
import { openAt } from './phase'
import type { FactTest } from '../model/records'
import { idsOf } from '../fields/value'

/** Whose turn it is by row, `nobody` where it is open and nobody is named (`model/turn.ts` says the rule for one item). */
export function turnAt(context: ViewContext): (row: number) => readonly string[] {
  const { table } = context
  const isOpen = openAt(context)
  const fieldsOf = turnFieldsBySteps(context)
  const nobody = ['nobody']
  return (row) => {
    if (!isOpen(row)) return []
    for (const field of fieldsOf(table.kind.a[row]!, table.status.a[row]!)) {
      const column = field ? table.values.get(field) : undefined
      if (column && !column.isEmpty(row)) return idsOf(column.get(row))
    }
    return nobody
  }
}

/** By codes of kind and status, the fields that say whose turn it is, in the order in which they are asked. */
function turnFieldsBySteps({ reader, project, table }: ViewContext) {
  const known: (readonly (string | null)[] | undefined)[][] = []
  const fieldsOf = (kind: number, status: number): readonly (string | null)[] => {
    const workflow = reader.maybe('kind', table.kind.codes.ids[kind] ?? '')?.workflow
    const step = maybeStep(reader, workflow, table.status.codes.ids[status] ?? '')
    return turnFields(step?.turn ?? { of: 'assignees' }, reader.maybe('project', project))
  }
  return (kind: number, status: number) => ((known[kind] ??= [])[status] ??= fieldsOf(kind, status))
}

/** Nobody's turn asks for nobody; a team asks for whoever types. */
export function fitPeople(test: FactTest): Fit | undefined {
  const first = test.is === 'anyOf' ? test.values[0] : undefined
  return first && first !== 'nobody' ? { people: [first === 'craft' ? 'me' : first] } : undefined
}

/** Whose move it is; *nobody* where it is open and nobody’s. */
export const turn: AutomaticFact = {
  name: 'turn',
  label: 'turn',
  isAskedOften: true,
  kind: 'choices',
  source: (context) => ({ kind: 'choices', valuesAt: turnAt(context), place: peoplesPlace(context.reader, 'nobody') }),
  values: (reader) => [...peopleValues(reader), { id: 'nobody', name: 'nobody', is: 'word' }],
  words: {
    say(test, isNot, list) {
      if (test.is !== 'anyOf') return undefined
      const [only] = test.values
      if (test.values.length === 1 && only === 'me') return `${itIs(isNot)} your turn`
      if (test.values.length === 1 && only === 'nobody') return `${itIs(isNot)} nobody’s turn`
      return `${itIs(isNot)} the turn of ${list(test.values)}`
    },
    readItself(at) {
      if (at.eatAny('your turn', 'yours', 'my turn', 'mine')) return { is: 'anyOf', values: ['me'] }
      if (at.eatAny('nobody’s turn', 'nobody’s')) return { is: 'anyOf', values: ['nobody'] }
      const values = at.eat('the turn of') ? at.values({ fact: 'turn' }) : undefined
      return values && { is: 'anyOf', values }
    },
  },
  begin: () => ({ is: 'anyOf', values: ['me'] }),
  fit: fitPeople,
}
