import { counted } from '../counted'

/** Words of why an item is or isn’t in a view. */
export const whyWords = {
  ask: 'Why isn’t it here?',
  askIn: 'Why is it here?',
  notHere: 'not in this view',
  leftOut: (count: number) => (count === 1 ? 'Hidden here by one phrase.' : `Hidden here by ${count} phrases.`),
  isIn: 'Shown here: it matches every phrase.',
  isInAll: 'Shown here: this view leaves nothing out.',
  archived: 'Hidden here: it’s archived.',
  inGroups: 'In the group',
  holds: 'matches',
  leaves: 'hides it',
  hidden: 'items without a value are left out of the groups',
  alone: (count: number) => `${counted(count, 'item', 'items')} on its own`,
  after: (count: number) => `${count} together with the phrases above`,
  of: (count: number) => `Of the ${counted(count, 'item', 'items')} in this project, each phrase leaves:`,
} as const
