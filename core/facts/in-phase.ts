import { dayNumber } from '../base/dates'
import { dayFigures } from '../fields/figures'
import type { AutomaticFact, ViewContext } from './contract'
import { daysOf } from './viewer'

function inPhaseAt({ reader, table, viewer }: ViewContext): (row: number) => number {
  const days = daysOf(reader.workspace())
  const today = dayNumber(viewer.today)
  return (row) => Math.max(0, today - days.dayOf(table.phaseSince.a[row]!))
}

/** Days since the item came into the phase of its status, through however many statuses of it. */
export const inPhase: AutomaticFact = {
  name: 'inPhase',
  label: 'time in phase',
  kind: 'number',
  figures: dayFigures(),
  source: (context) => ({ kind: 'number', at: inPhaseAt(context) }),
}
