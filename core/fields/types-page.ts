/** What each field type can, as the page in the docs says it. */
import type { FieldTypeName } from './names'
import { kindsOfFacts, type TestName } from './kinds'
import { fieldTypes } from './registry'

/** How values are typed: each is read by its type, today being a Wednesday. */
export const typedExamples: Readonly<Record<FieldTypeName, readonly string[]>> = {
  shortText: ['Repot the ferns'],
  longText: [],
  number: ['12', '2,5', '1 200', '1.2k'],
  money: ['12.50', '€ 1 200', '1.2k'],
  duration: ['1d 4h', '90 min', '1:30', '2,5'],
  oneOption: [],
  severalOptions: [],
  people: [],
  date: ['fri', 'next fri', '+3d', 'in 2 weeks', '24.11.', '24 Nov', 'end of month'],
  dateTime: ['fri 14:00', '24.11. 2pm', '9:30'],
  checkbox: ['yes', 'x', 'no'],
  rating: ['4', '4 of 5'],
  health: ['going well', 'needs watching', 'in trouble'],
  webLink: ['glasshouse.example/beds'],
  email: ['imke@glasshouse.example'],
  phone: ['+49 351 1234567'],
  relation: ['GLH-12', 'GLH-12; GLH-31'],
  votes: [],
  computed: [],
  rollUp: [],
  lookUp: [],
}
/** How the others are filled. */
const filled: Readonly<Partial<Record<FieldTypeName, string>>> = {
  longText: 'written in the item’s panel',
  oneOption: 'chosen from its options',
  severalOptions: 'chosen from its options',
  people: 'chosen from the team',
  votes: 'pressed: everybody has one vote',
  computed: 'worked out by a formula',
  rollUp: 'worked out from the items inside, or those linked',
  lookUp: 'read from the item that it is inside of, or linked to',
}
const testWords: Readonly<Record<TestName, string>> = {
  empty: 'empty', filled: 'filled in', anyOf: 'any of', allOf: 'all of', has: 'words in it', between: 'from and to', days: 'days, also counted from today',
} // prettier-ignore

const asGiven = 'as the type that it gives'

/** Markdown; made again by `npm run docs:tables`. */
export function typesPage(): string {
  const rows = Object.values(fieldTypes).map(({ name, label, kind, isApart, isWorkedOut }) => {
    if (isWorkedOut) return [label, filled[name] ?? '', asGiven, '✓', asGiven, asGiven]
    const { tests, totals, isDated } = kindsOfFacts[kind]
    const typed = typedExamples[name].map((text) => `\`${text}\``).join(', ') || filled[name] || ''
    const grouped = isApart ? 'filled or not' : isDated ? 'by day, week, month, quarter, year' : 'by value'
    const asked = isApart ? tests.filter((one) => one === 'empty' || one === 'filled') : tests
    return [label, typed, asked.map((one) => testWords[one]).join(', '), isApart ? '' : '✓', grouped, totals.join(', ')]
  })
  const line = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`
  return [
    '# What each field type can',
    '',
    'Made from `core/fields` by `npm run docs:tables`.',
    '',
    line(['holds', 'typed as', 'filtered by', 'sorted', 'grouped', 'totalled']),
    line(['---', '---', '---', ':-:', '---', '---']),
    ...rows.map(line),
    '',
  ].join('\n')
}
