import { dayNumber } from '../base/dates'
import { noNumber } from '../fields/columns/column'
import { plainFigures } from '../fields/figures'
import { usualDay } from '../fields/duration'
import type { FactTest } from '../model/records'
import { itIs, type AutomaticFact, type ViewContext } from './contract'
import { phaseOf } from './phase'
import { daysOf } from './viewer'

/** Hours by row by which all its working days in the active phase exceed the effort; NaN where they do not. */
function overAt(context: ViewContext): (row: number) => number {
  const { reader, project, table, viewer } = context
  const effort = reader.maybe('field', reader.maybe('project', project)?.uses.effort ?? '')
  if (!effort) return () => noNumber
  const phase = phaseOf(context)
  const { dayMinutes = usualDay, decimals = 0 } = effort.settings
  // A number of effort is one of hours.
  const perUnit = effort.type === 'duration' ? 1 : 60 / 10 ** decimals
  const held = table.column(effort.id)
  const days = daysOf(reader.workspace())
  const time = reader.workingTime()
  const today = dayNumber(viewer.today)
  const known = new Map<number, number>()
  const workedSince = (day: number): number => {
    let worked = known.get(day)
    if (worked === undefined) {
      worked = day >= today ? 0 : (time.upTo(today) - time.upTo(day)) * dayMinutes
      known.set(day, worked)
    }
    return worked
  }
  return (row) => {
    if (held.isEmpty(row) || !table.listed[row]) return noNumber
    const isActive = phase(table.status.a[row]!) === 'active'
    const now = isActive ? workedSince(days.dayOf(table.phaseSince.a[row]!)) : 0
    const over = table.activeDays.a[row]! * dayMinutes + now - Number(held.get(row)) * perUnit
    return over > 0 ? Math.ceil(over / 60) : noNumber
  }
}

const filled: FactTest = { is: 'filled' }
const empty: FactTest = { is: 'empty' }

/** Working hours in the active phase above the effort, at least 1; none where there are no more. */
export const overEffort: AutomaticFact = {
  name: 'overEffort',
  label: 'hours over its estimate',
  kind: 'number',
  figures: plainFigures,
  source: (context) => ({ kind: 'number', at: overAt(context) }),
  words: {
    say: (test) => (test.is === 'filled' || test.is === 'empty' ? `${itIs(test.is === 'empty')} over its estimate` : undefined), // prettier-ignore
    readItself: (at) => (at.eatAny('over its estimate', 'over estimate') ? filled : undefined),
    negated: (test) => (test.is === 'filled' ? empty : test.is === 'empty' ? filled : undefined),
  },
  begin: () => filled,
}
