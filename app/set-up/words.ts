import { counted } from '../counted'

/** Words of how a project works. */
export const setUpWords = {
  title: (project: string) => `How ${project} works`,
  parts: 'Parts of the set-up',
  statuses: 'Statuses',
  board: 'Board',
  people: 'People',
  project: 'Project',
  noSuchPart: 'There’s no such part.',
  notDone: (title: string) => `Not done yet: ${title.replace('?', '')}`,
  keyNew: 'new',
  keyEdit: 'change',
  keyOrder: 'order',
  keyRemove: 'remove',
  onlyLeads: 'Leads can change this.',
} as const

export const statusWords = {
  label: 'Statuses of this workflow',
  count: (count: number) => (count === 1 ? 'status' : 'statuses'),
  name: 'Status',
  phase: 'Phase',
  turn: 'Whose turn',
  here: 'Here',
  stays: 'Typically',
  staysHint: 'How long items have stayed, half of them less and half of them more',
  and: 'and …',
  nobody: 'nobody',
  noTurn: '–',
  colour: 'Colour',
  add: 'Add a status',
  newName: 'Name of the new status',
  after: (name: string) => `It comes after ${name}.`,
  column: 'On the board',
  ownColumn: 'a column of its own',
  noColumn: 'no column',
  rename: 'Change name or colour',
  changePhase: 'Change the phase',
  changeTurn: 'Change whose turn it is',
  remove: 'Remove it',
  up: 'Move up',
  down: 'Move down',
  kinds: 'Workflow of',
  taken: (name: string) => `“${name}” is already taken.`,
  drawing: 'The workflow as a drawing',
  fromAnywhere: 'from anywhere',
  phases: {
    waiting: 'Not begun yet.',
    active: 'Being worked on.',
    finished: 'Done: out of the queues.',
    dropped: 'Won’t be done: out of the queues.',
  },
} as const

export const boardWords = {
  label: 'Columns of the board',
  count: (count: number) => (count === 1 ? 'column' : 'columns'),
  name: 'Column',
  holds: 'Holds',
  limit: 'Limit',
  here: 'Here',
  none: 'nothing',
  noLimit: '–',
  atLeast: (amount: string) => `at least ${amount}`,
  stops: (amount: string) => `${amount}, stops`,
  add: 'Add a column',
  newName: 'Name of the new column',
  rename: 'Rename',
  describe: 'Say what belongs here',
  belongs: 'What belongs here',
  leaves: 'When it may leave',
  left: 'Move left',
  right: 'Move right',
  fold: 'Fold it',
  changeHolds: 'Choose what it holds',
  changeLimit: 'Set its limit',
  outside: (count: number) =>
    `${count === 1 ? 'One status is' : `${count} statuses are`} in no column, so their items aren’t on the board:`,
  holdsHint: 'A status is in one column: choosing it here takes it out of the other.',
} as const

export const changeWords = {
  label: 'What it would change',
  removeTitle: (name: string) => `Remove ${name}?`,
  phaseTitle: (name: string, phase: string) => `Make ${name} ${phase}?`,
  turnTitle: (name: string) => `Change whose turn ${name} is?`,
  remove: 'Remove it',
  change: 'Change it',
  keep: 'Keep it',
  undo: 'One undo brings all of it back.',
  working: 'Working out what it would change …',
  nowhere: 'It’s the only one: there’s nowhere for its items to go.',
  goTo: 'They go to',
  stand: (count: number) => `${counted(count, 'item stands', 'items stand')} here.`,
  items: (count: number) => `${counted(count, 'item changes', 'items change')}.`,
  holdsGo: 'What it holds goes to',
  columnGoes: (name: string, limit: number | null) =>
    `The board’s column ${name} would hold nothing. It goes too${limit === null ? '' : `, with its limit of ${limit}`}.`,
  limitGoes: 'Its limit goes with it.',
  views: (count: number) => (count === 1 ? 'One view names it:' : `${count} views name it:`),
  viewsLose: 'That phrase stays, struck through.',
  queues: (people: readonly string[]) =>
    people.length === 1
      ? `The queue of ${people[0]} changes.`
      : `The queues of ${people.slice(0, -1).join(', ')} and ${people.at(-1)} change.`,
  noQueue: 'Nobody’s queue changes.',
  history: 'History keeps it by name.',
  started: 'Items that stand here count as started, finished or neither, as the new phase says.',
} as const

export const projectPartWords = {
  names: 'Names of its own fields',
  namesAbout: 'Call them what your craft calls them: the new name shows everywhere at once.',
  serves: {
    assignees: 'Who does the work',
    reviewer: 'Who checks it',
    effort: 'How much work it is',
    start: 'When it may begin',
    due: 'When it must be finished',
    need: 'How much it’s needed',
  },
  help: (name: string) => `What ${name} means`,
  noHelp: 'no description',
  nameOf: (name: string) => `Name of ${name}`,
  colour: 'Colour',
} as const

export const membersWords = {
  everywhere: (role: string) => `${role} of the workspace`,
  role: (name: string) => `What ${name} may do here`,
  unseen: 'doesn’t see it',
  none: 'Nobody else takes part yet.',
  add: 'Add to the project',
  addTo: (project: string) => `Add people to ${project}`,
  people: 'People of the workspace',
  here: 'Here they are',
} as const
