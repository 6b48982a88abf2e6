import { placesOf } from '../fields/source'
import { phases } from '../model/names'
import type { Phase } from '../model/records'
import { isOver } from '../model/turn'
import { itIs, type AutomaticFact, type ViewContext } from './contract'

/** By code of the status, its phase; '' where the status is not there. */
export function phaseOf({ reader, table }: ViewContext): (code: number) => Phase | '' {
  const known: (Phase | '')[] = []
  return (code) => (known[code] ??= reader.maybe('status', table.status.codes.ids[code] ?? '')?.phase ?? '')
}

/** Whether the item at a row is waiting or active, and not archived. */
export function openAt(context: ViewContext): (row: number) => boolean {
  const phase = phaseOf(context)
  const { table } = context
  return (row) => {
    const its = phase(table.status.a[row]!)
    return !!its && !!table.listed[row] && !isOver(its)
  }
}

/** The phase of its status. */
export const phase: AutomaticFact = {
  name: 'phase',
  label: 'phase',
  isAskedOften: true,
  kind: 'choice',
  source: (context) => ({
    kind: 'choice',
    column: context.table.status,
    valueOf: phaseOf(context),
    place: placesOf(() => phases),
  }),
  values: () => phases.map((one) => ({ id: one, name: one, is: 'word' })),
  isListed: true,
  words: {
    say: (test, isNot, list) => (test.is === 'anyOf' ? `${itIs(isNot)} ${list(test.values)}` : undefined),
    readItself(at) {
      if (at.eatAny('open', 'unfinished')) return { is: 'anyOf', values: ['waiting', 'active'] }
      const values = at.values({ fact: 'phase' }, true)
      return values && { is: 'anyOf', values }
    },
    saidAlone: 5,
  },
  begin: () => ({ is: 'anyOf', values: ['waiting', 'active'] }),
  allows: (test, status) => test.is !== 'anyOf' || test.values.includes(status.phase),
}
