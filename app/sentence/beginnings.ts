/** What a phrase begins with, before anybody has said more. */
import { automaticFacts, fieldRef, isSameFact } from '#core/facts/registry'
import type { FactRef, GroupKey, ProjectId, Total } from '#core/model/records'
import type { useDirectory } from '../data/directory'

type Directory = ReturnType<typeof useDirectory>

/** What groups well in any project: facts of a few values. */
const grouped = Object.values(automaticFacts).filter((fact) => fact.isListed)

/** By what is grouped next. */
export const nextGroup = (group: readonly GroupKey[]): GroupKey => {
  const refs = grouped.map((fact): FactRef => ({ fact: fact.name }))
  return { by: refs.find((ref) => !group.some((key) => isSameFact(key.by, ref))) ?? { fact: 'level' } }
}

export function nextTotal(directory: Directory, project: ProjectId): Total {
  const effort = directory.reader.maybe('project', project)?.uses.effort
  return effort ? { name: 'sum', of: fieldRef(effort) } : { name: 'count' }
}
