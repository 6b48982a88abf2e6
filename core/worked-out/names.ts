import type { Nameable } from '../fields/formulas'
import { fieldTypes } from '../fields/registry'
import type { Reader } from '../model/reader'
import type { ProjectId } from '../model/records'
import type { Fact } from '../facts/contract'
import { factsOf, maybeFact, refOfKey } from '../facts/registry'

/** Whether a formula can read a fact: no words that are kept elsewhere, and nothing that is only an order. */
const isReadable = ({ key, field, automatic }: Fact): boolean =>
  key !== 'parent' && !automatic?.isForSortingOnly && !(field && fieldTypes[field.type].isApart)

/** What a formula of a project can name: its fields first, then what the product itself knows of every item. */
export function nameables(reader: Reader, project: ProjectId): (Fact & Nameable)[] {
  const own = reader.maybe('project', project)
  return own ? factsOf(reader, own).filter(isReadable) : []
}

/** What a key names; undefined where a formula cannot read it (any more). */
export function namedFact(reader: Reader, project: ProjectId, key: string): Fact | undefined {
  const fact = maybeFact(reader, project, refOfKey(key))
  return fact && isReadable(fact) ? fact : undefined
}
