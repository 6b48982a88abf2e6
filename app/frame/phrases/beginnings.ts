/** What a phrase begins with, before anybody has said more. */
import type { FactTest, GroupKey, ProjectId, Total } from '#core/model/records'
import { maybeFact } from '#core/views/facts'
import type { useDirectory } from '../../stores/directory'

type Directory = ReturnType<typeof useDirectory>

export function firstTest(directory: Directory, project: ProjectId, by: string): FactTest {
  if (by === 'phase') return { is: 'anyOf', values: ['waiting', 'active'] }
  if (by === 'people' || by === 'turn') return { is: 'anyOf', values: ['me'] }
  if (by === 'status') return { is: 'anyOf', values: openStatuses(directory, project) }
  switch (maybeFact(directory.reader, project, by)?.kind) {
    case 'text':
      return { is: 'has', words: ' ' }
    case 'number':
      return by === 'late' ? { is: 'filled' } : { is: 'between', from: null, to: null }
    case 'day':
    case 'instant':
      return { is: 'days', from: null, to: null }
    default:
      return { is: 'filled' }
  }
}
/** Of what is not done. */
const openStatuses = (directory: Directory, project: ProjectId): string[] =>
  directory
    .statuses(project)
    .filter((one) => one.phase === 'waiting' || one.phase === 'active')
    .map((one) => one.id)

/** By what is grouped next. */
export const nextGroup = (group: readonly GroupKey[]): GroupKey => ({
  by: ['status', 'kind', 'phase'].find((one) => !group.some((key) => key.by === one)) ?? 'level',
})

export function nextTotal(directory: Directory, project: ProjectId): Total {
  const effort = directory.reader.maybe('project', project)?.uses.effort
  return effort ? { name: 'sum', of: effort } : { name: 'count' }
}
