import { counted } from '../../counted'

/** Words of what is done with several items at once. */
export const selectionWords = {
  select: 'Select it',
  leave: 'Leave it out of the selection',
  acts: 'What you can do with the selected items',
  selected: 'selected',
  change: 'Change …',
  archive: 'Archive',
  copy: 'Copy',
  clear: 'Clear selection',
  copied: (count: number) => `Copied ${counted(count, 'line', 'lines')}.`,
  title: (count: number) => `Change ${counted(count, 'item', 'items')}`,
  what: 'What changes',
  how: 'How',
  set: 'becomes',
  add: 'also gets',
  remove: 'no longer has',
  empty: 'is emptied',
  later: 'moves by working days',
  days: 'Working days',
  daysHint: 'Below zero: earlier.',
  inside: 'Inside',
  atTop: 'At the top',
  go: (count: number) => `Change ${counted(count, 'item', 'items')}`,
  refusedTitle: (refused: number, all: number) => `${refused} of ${counted(all, 'item', 'items')} can’t be changed so`,
  goOn: (count: number) => `Change the other ${count}`,
  none: 'None of them can. Nothing was changed.',
  more: (count: number) => `… and ${count} more`,
  overwrites: (count: number) =>
    `${counted(count, 'item already holds', 'items already hold')} something else there: it is replaced.`,
} as const
