import type { FieldTypeName } from '#core/fields/names'
import { counted } from '../counted'

/** What a field of each type is for, in a line. */
export const typeWords: Readonly<Record<FieldTypeName, string>> = {
  shortText: 'One line of words.',
  longText: 'As many words as it takes.',
  number: 'A count or a measure, with its unit.',
  money: 'An amount in one currency.',
  duration: 'Time worked: “1d 4h”, “90 min”.',
  oneOption: 'One of a list that you write.',
  severalOptions: 'Any of a list that you write.',
  people: 'Somebody of the team, or several.',
  date: 'A day: “fri”, “+3d”, “24.11.”.',
  dateTime: 'A day and a time: “fri 14:00”.',
  checkbox: 'Yes, or not yet.',
  rating: 'How good, hard or urgent it is, in signs.',
  health: 'Going well, needs watching, or in trouble.',
  webLink: 'A page on the web.',
  email: 'An address to write to.',
  phone: 'A number to call.',
  votes: 'Who is for it; everybody has one vote.',
}

export const fieldWords = {
  title: 'A new field',
  name: 'Name',
  newName: 'What is it called?',
  type: 'What does it hold?',
  help: 'What is it for?',
  helpHint: 'Shown where somebody fills it in.',
  options: 'Options, one a line',
  optionsHint: 'Type or paste them. Their order is the order that sorts.',
  optionsRead: (n: number) => counted(n, 'option', 'options'),
  twice: (name: string) => `“${name}” is there twice.`,
  unit: 'Unit',
  decimals: 'Decimals',
  least: 'At least',
  most: 'At most',
  notOrdered: 'The least is above the most.',
  currency: 'Currency',
  dayHours: 'Hours in a working day',
  scale: 'Out of',
  sign: 'Drawn as',
  signs: { leaf: 'leaves', sun: 'suns', drop: 'drops', flame: 'flames', heart: 'hearts' },
  unique: 'No two items have the same',
  single: 'One person at most',
  craft: 'Only people of one craft',
  anyCraft: 'anybody',
  add: 'Add the field',
  addAfter: 'Add a field…',
  gets: (n: number) =>
    n === 0 ? 'The project holds no items yet.' : `${counted(n, 'item gets', 'items get')} it, empty.`,
  taken: (name: string) => `A field is called “${name}” already.`,
  full: (most: number) => `This project has ${most} fields, which is the most.`,
  sortUp: 'Sort, first to last',
  sortDown: 'Sort, last to first',
  rename: 'Rename…',
  settings: 'Change how it works…',
  retype: 'Make it another type…',
  hide: 'Hide here',
  left: 'Move left',
  right: 'Move right',
  up: 'Move up',
  down: 'Move down',
  remove: 'Remove from the project…',
  removeTitle: (name: string) => `Remove ${name} from the project?`,
  removeGo: 'Remove it',
  holdIt: (n: number) => `${counted(n, 'item holds', 'items hold')} something in it.`,
  holdNone: 'No item holds anything in it.',
  keeps: 'That stays with them, out of sight, and comes back by undo.',
  label: 'Fields',
  holds: 'Holds',
  filled: 'Filled',
  views: 'Shown in',
  serves: 'Serves as',
  settingsTitle: (name: string) => `How ${name} works`,
  save: 'Save',
  count: (n: number) => (n === 1 ? 'field' : 'fields'),
} as const

export const retypeWords = {
  title: (name: string) => `Make ${name} another type`,
  now: (type: string) => `It holds ${type} now.`,
  cannot: (type: string) => `A field of the type ${type} can’t become another. Make a new field instead.`,
  unit: 'The numbers are',
  minutes: 'minutes',
  hours: 'hours',
  days: 'working days',
  kept: (kept: number, held: number) =>
    held === 0
      ? 'No item holds anything in it.'
      : kept === held
        ? `All ${counted(held, 'value is', 'values are')} kept.`
        : `${kept} of ${counted(held, 'value is', 'values are')} kept.`,
  options: (n: number) => `${counted(n, 'option is', 'options are')} made of the words.`,
  lost: (n: number) => `${counted(n, 'value can’t', 'values can’t')} be read as that, and would be emptied:`,
  more: (n: number) => `and ${n} more`,
  go: 'Make it that',
} as const

export const ruleWords = {
  fallback: 'A new item has',
  none: 'nothing in it',
  value: 'this value',
  valueOf: 'Value',
  today: 'a day after it is made',
  days: 'Working days later',
  maker: 'whoever makes it',
  next: 'the next number',
  required: 'Every new item must have something in it',
  requiredHint: 'Items from before stay as they are.',
  lackIn: (n: number, field: string) =>
    `${counted(n, 'item from before has', 'items from before have')} nothing in ${field}.`,
  seeThem: 'See them',
  lack: (n: number) => `${counted(n, 'item has', 'items have')} nothing in it`,
} as const

export const optionWords = {
  label: (field: string) => `Options of ${field}`,
  name: 'Option',
  colour: 'Colour',
  held: 'Chosen',
  add: 'Add an option',
  get: (n: number, name: string) =>
    n ? `${counted(n, 'item has', 'items have')} ${name}. In its place:` : `No item has ${name}.`,
  instead: 'In its place',
  nothing: 'nothing',
  keep: 'the removed option stays there',
  remove: 'Remove the option',
  stay: 'Keep it',
} as const
