import { writtenFormula } from '#core/fields/formulas'
import { nameables } from '#core/worked-out/names'
import type { Reader } from '#core/model/reader'
import type { Field } from '#core/model/records'
import { workedWords } from './worked-words'

/** How a field is worked out, in words: a formula with the names of today, or what is read from where. */
export function workedText(reader: Reader, { type, project, settings }: Field): string {
  if (type === 'computed') return writtenFormula(settings.formula ?? '', nameables(reader, project), workedWords.gone)
  const name = (id: string | undefined): string => (id ? (reader.maybe('field', id)?.name ?? workedWords.gone) : '')
  const over = settings.over === 'relation' ? workedWords.linked(name(settings.through)) : workedWords.overs[settings.over ?? 'children'] // prettier-ignore
  const of = name(settings.of)
  if (type === 'lookUp') return workedWords.lookUp(of, over)
  return workedWords.rollUps[settings.how ?? 'count'](of, over, name(settings.weight))
}

/** Why nothing is filled in where a field is worked out. */
export const workedSaid = (reader: Reader, field: Field): string =>
  workedWords.by(field.name, workedText(reader, field))
