/** Words of what is done with a project from the index: they come with it, once the page stands. */
export const projectWords = {
  rename: 'Change its name or prefix',
  nameTitle: 'Name and prefix',
  nameAbout: 'Keys and addresses with the old prefix still lead to the same items.',
  save: 'Save',
  up: 'Move up',
  down: 'Move down',
} as const
