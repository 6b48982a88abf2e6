/**
 * What can be asked of a value, by the kind of thing it is: how it is matched, grouped and totalled. Field types and
 * automatic facts are each of one kind.
 */
export type FactKind = 'text' | 'number' | 'day' | 'instant' | 'choice' | 'choices' | 'flag'
/** What can be asked of a fact. */
export type TestName = 'empty' | 'filled' | 'anyOf' | 'allOf' | 'has' | 'between' | 'days'
/** What can be worked out from the values of many. */
export type TotalName =
  'count' | 'sum' | 'average' | 'median' | 'least' | 'most' | 'filled' | 'empty' | 'share' | 'distinct'

/** How facts of a kind are tested, grouped and totalled. */
export interface KindOfFact {
  readonly tests: readonly TestName[]
  readonly totals: readonly TotalName[]
  /** Groups by calendar periods. */
  readonly isDated: boolean
}

const always = ['empty', 'filled'] as const
const counted = ['filled', 'empty', 'share', 'distinct'] as const
const dated: KindOfFact = { tests: [...always, 'days'], totals: ['least', 'most', ...counted], isDated: true }

/** What each kind of fact can be asked. */
export const kindsOfFacts: Readonly<Record<FactKind, KindOfFact>> = {
  text: { tests: [...always, 'has'], totals: counted, isDated: false },
  number: {
    tests: [...always, 'between'],
    totals: ['sum', 'average', 'median', 'least', 'most', ...counted],
    isDated: false,
  },
  day: dated,
  instant: dated,
  choice: { tests: [...always, 'anyOf'], totals: counted, isDated: false },
  choices: { tests: [...always, 'anyOf', 'allOf'], totals: counted, isDated: false },
  flag: { tests: always, totals: ['filled', 'empty', 'share'], isDated: false },
}
