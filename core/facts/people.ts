import type { CodesColumn } from '../fields/columns/codes'
import { fieldTypes } from '../fields/registry'
import type { AutomaticFact, ViewContext } from './contract'
import { peoplesPlace, peopleValues } from './people-values'
import { fitPeople } from './turn'
import { idsOf } from '../fields/value'

/** Of every people field of the project, also where no item has any yet. */
export const peopleColumns = ({ reader, table, project }: ViewContext): CodesColumn[] =>
  [...reader.all('field')].flatMap((field) =>
    field.project === project && fieldTypes[field.type].choices === 'people'
      ? [table.column(field.id) as CodesColumn]
      : [],
  )

/** The people that some people field of the item names, by row. */
function namedAt(columns: readonly CodesColumn[]): (row: number) => readonly string[] {
  return (row) => {
    const filled = columns.filter((column) => !column.isEmpty(row))
    if (filled.length < 2) return idsOf(filled[0]?.get(row))
    return [...new Set(filled.flatMap((column) => idsOf(column.get(row))))]
  }
}

/** Everyone whom some people field of the item names. */
export const people: AutomaticFact = {
  name: 'people',
  label: 'people',
  isAskedOften: true,
  kind: 'choices',
  source(context) {
    const columns = peopleColumns(context)
    return { kind: 'choices', columns, valuesAt: namedAt(columns), place: peoplesPlace(context.reader) }
  },
  values: peopleValues,
  words: {
    say(test, isNot, list) {
      if (test.is !== 'anyOf') return undefined
      const isMe = test.values.length === 1 && test.values[0] === 'me'
      if (isMe) return isNot ? 'you aren’t on it' : 'you’re on it'
      return `${list(test.values)} ${isNot ? 'isn’t' : 'is'} on it`
    },
    readClause(at) {
      const isMe = at.eatAny('you’re', 'I’m')
      const values = isMe || at.eat('I') ? ['me'] : at.values({ fact: 'people' })
      if (!values) return undefined
      const isNegated = at.eatAny('isn’t', 'aren’t')
      if (!isMe && !isNegated && !at.eatAny('am', 'is', 'are')) return undefined
      const isNot = at.eat('not') || isNegated
      return at.eatAny('on it', 'in it') ? { test: { is: 'anyOf', values }, isNot } : undefined
    },
    saidAlone: 4,
  },
  begin: () => ({ is: 'anyOf', values: ['me'] }),
  fit: fitPeople,
}
