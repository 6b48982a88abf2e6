import { choiceOf, placesOf } from '../fields/source'
import { kindsOf } from '../model/reader'
import type { AutomaticFact } from './contract'

/** What sort of item it is. */
export const kind: AutomaticFact = {
  name: 'kind',
  label: 'kind',
  kind: 'choice',
  source: ({ reader, project, table }) =>
    choiceOf(
      table.kind,
      placesOf(() => kindsOf(reader, project).map((one) => one.id)),
    ),
  values: (reader, project) => kindsOf(reader, project.id),
  isListed: true,
  words: { article: 'the ', saidAlone: 2 },
}
