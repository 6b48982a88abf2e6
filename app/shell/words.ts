import { counted } from '../counted'

/** Words of the frame around all pages and of its notices. */
export const frameWords = {
  app: 'Wrenleaf',
  index: 'Index',
  myQueue: 'My queue',
  people: 'People',
  settings: 'My settings',
  outbox: 'Outbox',
  onlyMine: 'Only me',
  newProject: 'Start a project',
  bringIn: 'Bring in a file',
  signOut: 'Sign out',
  night: 'Night theme',
  day: 'Day theme',
  search: 'Search',
  searchHint: 'Part of a title, or a key',
  views: 'Views',
  fold: 'Fold the index away',
  unfold: 'Unfold the index',
  close: 'Close',
  open: 'Open',
  acts: (name: string) => `What you can do with ${name}`,
  opening: (share: number) => `Opening the workspace … ${Math.round(share * 100)}%`,
  shortcuts: 'Keyboard shortcuts',
  skip: 'Skip to the items',
  menuOf: (name: string) => `${name}: theme, sign out`,
} as const

export const viewActWords = {
  about: 'Name, audience …',
  another: 'Make another like it …',
  first: 'Make it the first',
  tryAs: 'Try it as someone else …',
  csv: 'Save as CSV',
  csvShown: 'Save as CSV, as shown',
  print: 'Print …',
} as const

export const lineWords = {
  opening: 'opening',
  up: 'up to date',
  down: (pending: number) =>
    pending
      ? `Offline. ${counted(pending, 'change is', 'changes are')} waiting to be sent when you’re back.`
      : 'Offline. Keep working: your changes are sent when you’re back.',
  sending: (pending: number, share?: number) =>
    `sending ${counted(pending, 'change', 'changes')}${share === undefined ? '' : `: ${Math.round(share * 100)}%`}`,
  stop: 'Stop',
  signedOut: 'signed out',
  outdated: 'A new version is ready: reload',
  noServer: 'The server isn’t answering. Check the terminal where it was started, then try again.',
} as const

export const tallyWords = {
  items: (count: number) => counted(count, 'item', 'items'),
  itemsWord: (count: number) => (count === 1 ? 'item' : 'items'),
  late: (count: number) => `${count} late`,
  over: (name: string, by: string) => `${name} is ${by} over its limit`,
  under: (name: string, by: string) => `${name} is ${by} short of its least`,
  undo: 'Undo',
  redo: 'Redo',
} as const

export const noticeWords = {
  dismiss: 'Close this notice',
  tryAgain: 'Use mine',
  letThrough: 'Let it through …',
  fillTitle: (status: string, asks: string) => `${status} asks for ${asks}`,
  needsTitle: (asks: string) => `A new item needs ${asks}`,
  fillAll: (count: number) => `What you fill in goes into all ${count} items that lack it.`,
  fillIt: 'Go ahead',
  note: 'Note for the history',
  letTitle: (column: string) => `Let it past the limit of ${column}?`,
  letAbout: 'The reason stays in the item’s history, and on its card until the column has room again.',
  reason: 'Reason',
  letIt: 'Let it through',
  leftAlone: (count: number) =>
    `Undone, except for ${counted(count, 'thing that has', 'things that have')} been changed again since.`,
} as const
