/** What an item must have so that it belongs where it is typed: the values that a view's phrases context for. */
import type { Value } from '../fields/contract'
import { statusesOf, type Reader } from '../model/reader'
import type { Condition, ItemId, Project, Status } from '../model/records'
import { fromDayNumber } from '../base/dates'
import { maybeFact } from './facts'
import { dayMeant, meant, type Viewer } from './viewer'

export interface Fitting {
  readonly status: Status | undefined
  readonly parent: ItemId | null
  readonly values: Readonly<Record<string, Value>>
}

export function fitting(reader: Reader, project: Project, where: readonly Condition[], viewer: Viewer): Fitting {
  const conditions = where.flatMap(parts)
  const statuses = statusesOf(reader, project.id)
  const status = statuses.find((one) => conditions.every((condition) => allows(condition, one))) ?? statuses[0]
  const values: Record<string, Value> = {}
  let parent: ItemId | null = null
  const people = new Set<string>()
  for (const condition of conditions) {
    if (condition.about !== 'fact') continue
    const { fact, test } = condition
    if (fact === 'parent' && test.is === 'anyOf') parent = (test.values[0] as ItemId | undefined) ?? null
    else if ((fact === 'turn' || fact === 'people') && test.is === 'anyOf') addPeople(test.values[0], people)
    else {
      const value = valueFor(reader, project, condition, viewer)
      if (value !== undefined) values[fact] = value
    }
  }
  const { assignees } = project.uses
  const who = meant([...people], reader, viewer)
  if (assignees && who.length && !values[assignees]) values[assignees] = who.sort()
  return { status, parent, values }
}

/** What must hold in any case. */
const parts = (condition: Condition): readonly Condition[] =>
  condition.about === 'all' ? condition.of.flatMap(parts) : [condition]

/** Nobody's turn asks for nobody; a team asks for whoever types. */
function addPeople(first: string | undefined, people: Set<string>): void {
  if (first && first !== 'nobody') people.add(first === 'craft' ? 'me' : first)
}

/** Whether an item in the status can meet the condition, as far as it speaks of statuses and phases. */
function allows(condition: Condition, status: Status): boolean {
  switch (condition.about) {
    case 'fact': {
      const { fact, test } = condition
      if ((fact !== 'status' && fact !== 'phase') || test.is !== 'anyOf') return true
      return test.values.includes(fact === 'status' ? status.id : status.phase)
    }
    case 'all':
      return condition.of.every((one) => allows(one, status))
    case 'any':
      return condition.of.some((one) => allows(one, status))
    case 'none':
      return !condition.of.some((one) => speaksOfStatus(one) && allows(one, status))
    default:
      return true
  }
}
const speaksOfStatus = (one: Condition): boolean =>
  one.about === 'fact' ? one.fact === 'status' || one.fact === 'phase' : 'of' in one && one.of.every(speaksOfStatus)

function valueFor(
  reader: Reader,
  project: Project,
  { fact: by, test }: Extract<Condition, { about: 'fact' }>,
  viewer: Viewer,
): Value | undefined {
  const type = maybeFact(reader, project.id, by)?.field?.type
  switch (test.is) {
    case 'anyOf':
    case 'allOf': {
      const [first] = test.values
      if (!first) return undefined
      if (type === 'oneOption') return first
      if (type === 'severalOptions') return test.is === 'allOf' ? [...test.values].sort() : [first]
      if (type !== 'people') return undefined
      const named = test.is === 'allOf' ? test.values : [first === 'craft' ? 'me' : first]
      return meant(named, reader, viewer).sort()
    }
    case 'filled':
      return type === 'checkbox' ? true : undefined
    case 'between':
      return type === 'number' ? (test.from ?? test.to ?? undefined) : undefined
    case 'days': {
      const day = test.to ?? test.from
      return type === 'date' && day ? fromDayNumber(dayMeant(day, viewer.today, reader.workspace())) : undefined
    }
    default:
      return undefined
  }
}
