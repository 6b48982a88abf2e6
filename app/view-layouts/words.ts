import { counted } from '../counted'

/** Words of tables and boards. */
export const viewWords = {
  notKept: 'Changed, not saved.',
  keepForAll: 'Save for everyone',
  keepAsMine: 'Save as my own',
  putBack: 'Undo changes',
  saveMine: 'Save',
  mineName: (name: string) => `My ${name}`,
  nameOf: 'Name of your view',
  nameHint: 'Only you see this view.',
  save: 'Save this view',
  removeView: 'Remove this view',
  empty: 'Nothing here yet',
  firstSteps: 'Start in whichever way suits you:',
  emptyForReader: 'Items appear here as soon as someone adds them.',
  addStep: 'Type a title, press Enter, type the next.',
  bringInStep: 'A list you already have, as a CSV file.',
  setLimits: 'Set limits',
  limitsStep: 'How much each column of the board should hold at most.',
  limitsHere: 'Press the count under a column’s name to say how much it should hold at most.',
  noneMatch: 'No item matches every phrase',
  noneMatchHint: 'Change or remove a phrase to see more.',
  noView: 'This view has been removed.',
  addHint: 'Type a title and press Enter',
  add: 'Add an item',
  noSuchProject: 'There’s no such project, or you can’t see it.',
} as const

export const columnWords = {
  items: (count: number) => counted(count, 'item', 'items'),
  shown: (shown: number, held: number) => `${shown} of ${held} shown`,
  setLimit: (name: string) => `Set the limit for ${name}`,
  noLimit: 'No limit',
  counts: 'What it counts',
  countsItems: 'items',
  most: 'Most',
  least: 'Least',
  whenFull: 'When it’s full',
  warns: 'warn',
  stopsAll: 'stop',
  warnsHint: 'Past the most, the column shows by how much. Nobody is stopped.',
  stopsHint: 'Nothing more comes in past the most. A lead can let it through with a reason.',
  leastAbove: 'The least can’t be above the most.',
  stops: 'stops',
  set: 'Set the limit',
  fold: (name: string) => `Fold ${name}`,
  unfold: (name: string) => `Unfold ${name}`,
  add: (name: string) => `Add an item to ${name}`,
  leaves: (when: string) => `Leaves: ${when}`,
  outside: 'In no column',
} as const

export const cardWords = {
  moveTo: 'Move to …',
  how: 'Press Enter to open it, Space to pick it up, M to move it to another column.',
  pickedUp: (title: string, column: string, place: number, of: number) =>
    `Picked up ${title}. It’s in ${column}, place ${place} of ${of}. Move it with the arrow keys, press Space to put it down or Escape to put it back.`,
  over: (column: string, place: number, drop: string) => `${column}, place ${place}. ${drop}.`,
  putDown: (title: string, column: string) => `Put ${title} down in ${column}.`,
  cancelled: (title: string) => `${title} stays where it was.`,
  inside: (count: number) => `${count} inside`,
  letPast: (reason: string) => `Past the limit: ${reason}`,
  notOfKind: (column: string) => `Items of this kind can’t have any of the statuses in ${column}.`,
} as const

export const tableWords = {
  key: 'Key',
  title: 'Title',
  status: 'Status',
  kind: 'Kind',
  moreRight: 'More fields to the right',
  backLeft: 'Back to the first fields',
  width: 'Drag to make it wider or narrower. Double-click for its usual width.',
  sortBy: (name: string) => `Sort by ${name}`,
  label: (name: string) => `Items in ${name}`,
} as const
