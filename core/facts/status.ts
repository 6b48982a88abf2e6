import { choiceOf, placesOf } from '../fields/source'
import { statusesOf } from '../model/reader'
import { isOver } from '../model/turn'
import type { AutomaticFact } from './contract'

/** Where it stands. */
export const status: AutomaticFact = {
  name: 'status',
  label: 'status',
  isAskedOften: true,
  kind: 'choice',
  source: ({ reader, project, table }) =>
    choiceOf(
      table.status,
      placesOf(() => statusesOf(reader, project).map((one) => one.id)),
    ),
  values: (reader, project) => statusesOf(reader, project.id),
  isListed: true,
  words: { article: 'the ', saidAlone: 1 },
  begin: (reader, project) => ({
    is: 'anyOf',
    values: statusesOf(reader, project)
      .filter((one) => !isOver(one.phase))
      .map((one) => one.id),
  }),
  allows: (test, { id }) => test.is !== 'anyOf' || test.values.includes(id),
}
