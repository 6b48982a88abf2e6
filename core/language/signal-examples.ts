/** Signals that a view can begin with. */
import type { Condition, Signal } from '../model/records'

/** Nothing was changed for so many working days. */
const staleAfter = 5
const isActive: Condition = { about: 'fact', fact: { fact: 'phase' }, test: { is: 'anyOf', values: ['active'] } }
const isOpen: Condition = {
  about: 'fact',
  fact: { fact: 'phase' },
  test: { is: 'anyOf', values: ['waiting', 'active'] },
}
const isOver: Condition = { about: 'fact', fact: { fact: 'overEffort' }, test: { is: 'filled' } }
const isUntouched: Condition = {
  about: 'fact',
  fact: { fact: 'changed' },
  test: { is: 'days', from: null, to: { of: 'workingDay', n: -staleAfter } },
}

/** Ready to be used as they are, or changed. */
export const signalExamples: readonly Signal[] = [
  { name: 'stale', colour: 'flax', sign: 'clock', when: { about: 'all', of: [isActive, isUntouched] } },
  {
    name: 'over its estimate',
    colour: 'foxglove',
    sign: 'alert',
    when: { about: 'all', of: [isOpen, isOver] },
  },
  {
    name: 'late',
    colour: 'iris',
    sign: 'flag',
    when: { about: 'fact', fact: { fact: 'late' }, test: { is: 'filled' } },
  },
]
