import { dayNumber } from '../base/dates'
import { dayFigures } from '../fields/figures'
import type { AutomaticFact, ViewContext } from './contract'
import { daysOf } from './viewer'

function ageAt({ reader, table, viewer }: ViewContext): (row: number) => number {
  const days = daysOf(reader.workspace())
  const today = dayNumber(viewer.today)
  const { created, finished } = table
  return (row) =>
    Math.max(0, (finished.isEmpty(row) ? today : days.dayOf(finished.a[row]!)) - days.dayOf(created.a[row]!))
}

/** Days from the day the item was made to the day it was finished, or to today. */
export const age: AutomaticFact = {
  name: 'age',
  label: 'age',
  kind: 'number',
  figures: dayFigures(),
  source: (context) => ({ kind: 'number', at: ageAt(context) }),
}
