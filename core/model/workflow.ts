import { stepsOf, type Reader } from './reader'
import type { Status } from './records'

/**
 * How far along its workflow a status is, for its sign: 0 while waiting, 1 when finished, -1 when dropped, between 0.4 and
 * 0.7 while active, by its place among the active statuses of the first workflow that has it; 0.5 where it is the only one.
 */
export function shareOfStatus(reader: Reader, status: Status): number {
  if (status.phase === 'dropped') return -1
  if (status.phase === 'waiting') return 0
  if (status.phase === 'finished') return 1
  const [workflow] = [...reader.all('step')]
    .filter((step) => step.status === status.id)
    .map((step) => step.workflow)
    .sort()
  const active = stepsOf(reader, workflow ?? '')
    .flatMap((step) => reader.maybe('status', step.status) ?? [])
    .filter((one) => one.phase === 'active')
  const place = active.findIndex((one) => one.id === status.id)
  return active.length < 2 ? 0.5 : 0.4 + (0.3 * Math.max(0, place)) / (active.length - 1)
}
