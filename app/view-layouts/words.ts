import { counted } from '../counted'

/** Words of tables and boards. */
export const words = {
  view: {
    notKept: 'Not as it was kept.',
    keepForAll: 'Keep for all',
    keepAsMine: 'Keep as mine',
    putBack: 'Put back',
    saveMine: 'Keep',
    mineName: (name: string) => `${name}, as I like it`,
    removeView: 'Take this view out',
    empty: 'Nothing here yet.',
    emptyHint: 'Type a title below and press Enter, or bring in a file.',
    noneMatch: 'No item meets all of these phrases.',
    noneMatchHint: 'Press a phrase to widen it, or put the view back.',
    noView: 'This view is not there any more.',
    addHint: 'Type a title, Enter adds it',
    add: 'Add an item',
    noSuchProject: 'There is no such project, or you may not see it.',
  },
  column: {
    items: (count: number) => counted(count, 'item', 'items'),
    shown: (shown: number, held: number) => `${shown} of ${held} shown`,
    limit: 'Limit',
    setLimit: (name: string) => `Set the limit of ${name}`,
    noLimit: 'No limit',
    limitHint: 'How many items it should hold at most. It advises; nothing is stopped.',
    set: 'Set',
    fold: (name: string) => `Fold ${name}`,
    unfold: (name: string) => `Unfold ${name}`,
    add: (name: string) => `Add an item in ${name}`,
  },
  card: {
    moveTo: 'Move to …',
    actions: (key: string) => `Move ${key} to another column`,
    how: 'Enter opens it, Space picks it up, M moves it to a column.',
    pickedUp: (title: string, column: string, place: number, of: number) =>
      `Picked up ${title}. It is in ${column}, place ${place} of ${of}. Arrow keys move it, Space puts it down, Escape leaves it where it was.`,
    over: (column: string, place: number, drop: string) => `${column}, place ${place}. ${drop}.`,
    putDown: (title: string, column: string) => `Put ${title} down in ${column}.`,
    cancelled: (title: string) => `${title} stays where it was.`,
    inside: (count: number) => `${count} inside`,
    notOfKind: (column: string) => `${column} holds no status that items of this kind can have.`,
  },
  table: {
    key: 'Key',
    title: 'Title',
    status: 'Status',
    kind: 'Kind',
    sortBy: (name: string) => `Sort by ${name}`,
    label: (name: string) => `Items of ${name}`,
  },
} as const
