import { counted } from '../counted'

/** Words of a person’s queue. */
export const queueWords = {
  good: (hour: number) => (hour < 12 ? 'Good morning' : hour < 18 ? 'Good afternoon' : 'Good evening'),
  summary: (late: number, inTurn: number) =>
    !inTurn
      ? 'Nothing is waiting for you.'
      : !late
        ? `${counted(inTurn, 'item is', 'items are')} waiting for you.`
        : `${late === 1 ? 'One is' : `${late} are`} late.`,
  inTurn: (projects: number) => `waiting for you${projects > 1 ? `, across ${projects} projects` : ''}`,
  now: 'Now',
  nowHint: 'what you’re working on',
  next: 'Next',
  nextHint: 'ready for you, in the order to take them',
  waits: 'Waiting for others',
  nobodys: 'Nobody’s turn',
  nobodysHint: 'unfinished, and nobody is on it: you lead these projects',
  emptyNow: 'You aren’t working on anything. Take the first item under Next.',
  emptyNext: 'Nothing is waiting for you. Items come here when it’s your turn.',
  moveOn: (status: string) => `Move to ${status}`,
  isOnTurn: (names: string) => `${names}’s turn`,
  need: 'Need',
  whose: 'Whose turn',
  status: 'In this status',
  due: 'Due',
  effort: 'Effort',
  walk: 'move',
  open: 'open',
  keyMoveOn: 'move on',
  lookAt: (name: string) => `Look at ${name}`,
  more: (count: number) => `Show ${count} more`,
  noProjects: 'No projects yet',
  noProjectsHint: 'A project holds the items for one piece of work. Start one, then add items or bring in a file.',
  noProjectsForYou: 'You aren’t in any project yet. Ask whoever leads your workspace to add you.',
} as const
