/**
 * What can be asked of a value, by the kind of thing it is: how it is matched, grouped and totalled. Field types and
 * automatic facts are each of one kind.
 */
export type FactKind = 'text' | 'number' | 'day' | 'instant' | 'choice' | 'choices' | 'flag'
export type TestName = 'empty' | 'filled' | 'anyOf' | 'allOf' | 'has' | 'between' | 'days'
export type TotalName =
  'count' | 'sum' | 'average' | 'median' | 'least' | 'most' | 'filled' | 'empty' | 'share' | 'distinct'

const always = ['empty', 'filled'] as const
const counted = ['filled', 'empty', 'share', 'distinct'] as const

export const kindsOfFacts: Readonly<
  Record<
    FactKind,
    {
      readonly tests: readonly TestName[]
      readonly totals: readonly TotalName[]
      /** Groups by calendar periods. */
      readonly isDated: boolean
      readonly isGrouped: boolean
    }
  >
> = {
  text: { tests: [...always, 'has'], totals: counted, isDated: false, isGrouped: true },
  number: {
    tests: [...always, 'between'],
    totals: ['sum', 'average', 'median', 'least', 'most', ...counted],
    isDated: false,
    isGrouped: true,
  },
  day: { tests: [...always, 'days'], totals: ['least', 'most', ...counted], isDated: true, isGrouped: true },
  instant: { tests: [...always, 'days'], totals: ['least', 'most', ...counted], isDated: true, isGrouped: true },
  choice: { tests: [...always, 'anyOf'], totals: counted, isDated: false, isGrouped: true },
  choices: { tests: [...always, 'anyOf', 'allOf'], totals: counted, isDated: false, isGrouped: true },
  flag: { tests: always, totals: ['filled', 'empty', 'share'], isDated: false, isGrouped: true },
}
