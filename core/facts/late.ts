import { dayNumber } from '../base/dates'
import { dayFigures } from '../fields/figures'
import { noDay, noNumber, type DayColumn } from '../fields/columns/column'
import type { FactTest } from '../model/records'
import { itIs, type AutomaticFact, type ViewContext } from './contract'
import { openAt } from './phase'

/** Working days late by row; NaN where it is not late. */
function lateAt(context: ViewContext): (row: number) => number {
  const { reader, project, table, viewer } = context
  const due = reader.maybe('project', project)?.uses.due
  const today = dayNumber(viewer.today)
  const isOpen = openAt(context)
  const time = reader.workingTime()
  const known = new Map<number, number>()
  return (row) => {
    const day = due ? ((table.values.get(due) as DayColumn | undefined)?.a[row] ?? noDay) : noDay
    if (day >= today || !isOpen(row)) return noNumber
    let late = known.get(day)
    if (late === undefined) known.set(day, (late = Math.max(1, time.upTo(today) - time.upTo(day))))
    return late
  }
}

const filled: FactTest = { is: 'filled' }
const empty: FactTest = { is: 'empty' }

/** Working days after due, at least 1; none where the item is not late. */
export const late: AutomaticFact = {
  name: 'late',
  label: 'days late',
  isAskedOften: true,
  kind: 'number',
  figures: dayFigures(true),
  source: (context) => ({ kind: 'number', at: lateAt(context) }),
  words: {
    say: (test) => (test.is === 'filled' || test.is === 'empty' ? `${itIs(test.is === 'empty')} late` : undefined),
    readItself: (at) => (at.eatAny('late', 'overdue') ? filled : undefined),
    negated: (test) => (test.is === 'filled' ? empty : test.is === 'empty' ? filled : undefined),
  },
  begin: () => filled,
}
