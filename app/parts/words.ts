import { counted } from '../counted'

/** Words of what is used in several places. */
export const datesWords = {
  months: ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'],
  weekdays: ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'],
} as const

export const groupWords = {
  none: (fact: string) => `no ${fact}`,
  fold: (name: string) => `Fold ${name}`,
  unfold: (name: string) => `Unfold ${name}`,
  week: (from: string) => `week of ${from}`,
  quarter: (first: string, last: string, year: string) => `${first} to ${last} ${year}`,
  not: (fact: string) => `not ${fact}`,
  atTop: 'at the top',
  noTotal: 'none',
} as const

/** What Vuetify’s own controls say, by the keys under which they ask. */
export const controlsWords = {
  close: 'Close',
  dismiss: 'Dismiss',
  noDataText: 'Nothing found',
  'input.clear': 'Clear {0}',
  'input.prependAction': '{0}',
  'input.appendAction': '{0}',
  'datePicker.title': 'Choose a day',
  'datePicker.header': 'Choose a day',
  'datePicker.input.placeholder': 'Type a day',
  'datePicker.itemsSelected': '{0} chosen',
  'datePicker.ariaLabel.previousMonth': 'Previous month',
  'datePicker.ariaLabel.nextMonth': 'Next month',
  'datePicker.ariaLabel.previousYear': 'Previous year',
  'datePicker.ariaLabel.nextYear': 'Next year',
  'datePicker.ariaLabel.selectMonth': 'Choose a month',
  'datePicker.ariaLabel.selectYear': 'Choose a year',
  'datePicker.ariaLabel.selectDate': '{0}',
  'datePicker.ariaLabel.currentDate': '{0}, today',
} as const

export const editorWords = {
  choose: (name: string) => `Choose ${name}`,
  add: 'Add',
  clear: 'Clear',
  unlink: (key: string) => `Take ${key} out`,
  none: 'Nothing found',
  addOption: (name: string) => `Add the option “${name}”`,
  addPerson: (name: string) => `Add ${name}, without an account`,
  edit: (name: string) => `Change ${name}`,
  filter: 'Type to filter',
  cancel: 'Cancel',
  setUp: { statuses: 'How these statuses work', people: 'Who takes part' },
} as const

export const pasteWords = {
  /** What a pasted table is called where files are named. */
  fileName: 'What was pasted',
  title: (items: string) => `Add ${items}?`,
  levels: (n: number) =>
    n === 1 ? 'All of them beside one another.' : `On ${n} levels: what is indented goes inside what stands above it.`,
  finished: 'finished',
  add: (items: string) => `Add ${items}`,
  adding: (items: string) => `adding ${items}`,
  /** By their lines in the text. */
  leftOut: (lines: readonly number[]) =>
    `${counted(lines.length, 'line', 'lines')} left out, as no title can be so long or empty: ${lines.slice(0, 10).join(', ')}${lines.length > 10 ? ' …' : ''}.`,
} as const

export const valueWords = {
  misfit: 'It is from before there was a rule: it would not be taken today.',
  me: 'me (whoever is looking)',
  craft: 'my team (of whoever is looking)',
  nobody: 'nobody',
  removed: 'a removed field',
  late: (days: number) => counted(days, 'day late', 'days late'),
  of: (n: number, most: number) => `${n} of ${most}`,
  today: 'today',
} as const
