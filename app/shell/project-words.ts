import { counted } from '../counted'

/** Words of starting a project, and of what is done with one from the index. */
export const projectWords = {
  title: 'Start a project',
  name: 'Name',
  prefix: 'Prefix of its keys',
  prefixHint: '2 to 8 capital letters or digits. With GLH, items are called GLH-1, GLH-2 …',
  aboutLike: 'It gets the same statuses, kinds, fields, board, limits and shared views; no items and no people.',
  begins: 'It begins with',
  taking: 'Who takes part',
  like: (name: string) => `the set-up of ${name}`,
  start: 'Start the project',
  howItWorks: 'How it works',
  rename: 'Change its name or prefix',
  nameTitle: 'Name and prefix',
  nameAbout: 'Keys and addresses with the old prefix still lead to the same items.',
  save: 'Save',
  archive: 'Archive',
  archived: 'Archived projects',
  restore: (name: string) => `Restore ${name}`,
  delete: (name: string) => `Delete ${name} for good …`,
  deleteTitle: (name: string) => `Delete ${name} for good?`,
  deleteAbout: (held: number) =>
    `It holds ${counted(held, 'item', 'items')}, archived ones included. All of it goes: the items with their history and texts, views, statuses, fields and who takes part.`,
  forGood: 'Nothing brings it back. Archive it if you may want it again.',
  typeNumber: 'Type how many items it holds',
  deleteIt: 'Delete it for good',
  up: 'Move up',
  down: 'Move down',
} as const
