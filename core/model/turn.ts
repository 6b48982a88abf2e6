import type { PlainDate } from '../base/dates'
import { workingDaysAfter } from '../base/working-time'
import type { Lookup } from './entities'
import { maybeStep, type Reader } from './reader'
import type { Item, Phase, Project, TurnOf } from './records'
import { idsOf } from '../fields/value'

/** Whose move it is. Empty and `open`: nobody's turn. Finished and dropped items are nobody's turn and not open. */
export interface Turn {
  readonly people: readonly string[]
  readonly open: boolean
}

const closed: Turn = { people: [], open: false }

/** The people fields that say whose turn it is, in the order in which they are asked; none: nobody's. */
export function turnFields(turn: TurnOf, project: Project | undefined): (string | null)[] {
  const assignees = project?.uses.assignees ?? null
  switch (turn.of) {
    case 'assignees':
      return [assignees]
    case 'field':
      return [turn.field, assignees]
    case 'nobody':
      return []
  }
}

/** Whose turn the step of the item says it is; where that field is empty the assignees; where these are empty nobody. */
export function turnOf(reader: Lookup, item: Item): Turn {
  const status = reader.maybe('status', item.status)
  if (!status || item.archived || isOver(status.phase)) return closed
  const step = maybeStep(reader, reader.maybe('kind', item.kind)?.workflow, item.status)
  for (const field of turnFields(step?.turn ?? { of: 'assignees' }, reader.maybe('project', item.project))) {
    const people = field ? idsOf(item.values[field]) : []
    if (people.length) return { people, open: true }
  }
  return { people: [], open: true }
}

/** Whether nothing is left to do in the phase. */
export const isOver = (phase: Phase): boolean => phase === 'finished' || phase === 'dropped'

/** The day an item is due; undefined where it has none or the project uses none. */
export function dueOf(project: Project, item: Item): PlainDate | undefined {
  const value = project.uses.due ? item.values[project.uses.due] : undefined
  return typeof value === 'string' ? value : undefined
}

/** Working days after due up to today, at least 1; 0 where it is not late. */
export function lateDays(reader: Reader, item: Item, today: PlainDate): number {
  const project = reader.maybe('project', item.project)
  const due = project && dueOf(project, item)
  if (!due || due >= today || item.archived) return 0
  const phase = reader.maybe('status', item.status)?.phase
  if (!phase || isOver(phase)) return 0
  return Math.max(1, workingDaysAfter(due, today, reader.workingTime()))
}
