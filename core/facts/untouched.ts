import { dayNumber } from '../base/dates'
import { dayFigures } from '../fields/figures'
import type { AutomaticFact, ViewContext } from './contract'
import { daysOf } from './viewer'

function untouchedAt({ reader, table, viewer }: ViewContext): (row: number) => number {
  const days = daysOf(reader.workspace())
  const today = dayNumber(viewer.today)
  return (row) => Math.max(0, today - days.dayOf(table.changed.a[row]!))
}

/** Days since anything of the item was last changed. */
export const untouched: AutomaticFact = {
  name: 'untouched',
  label: 'days since last change',
  kind: 'number',
  figures: dayFigures(true),
  source: (context) => ({ kind: 'number', at: untouchedAt(context) }),
}
