/** Words of starting a project, and of what is done with one from the index. */
export const projectWords = {
  title: 'Start a project',
  name: 'Name',
  prefix: 'Prefix of its keys',
  prefixHint: '2 to 8 capital letters or digits. With GLH, items are called GLH-1, GLH-2 …',
  about: 'You start with one kind of item, a workflow from Noted to Accepted, the usual fields, a board and a table.',
  start: 'Start the project',
  howItWorks: 'How it works',
  rename: 'Change its name or prefix',
  nameTitle: 'Name and prefix',
  nameAbout: 'Keys and addresses with the old prefix still lead to the same items.',
  save: 'Save',
  archive: 'Archive',
  archived: 'Archived projects',
  restore: (name: string) => `Restore ${name}`,
  up: 'Move up',
  down: 'Move down',
} as const
