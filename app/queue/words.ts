import { counted } from '../counted'

/** Words of a person’s queue. */
export const words = {
  queue: {
    good: (hour: number) => (hour < 11 ? 'Good morning' : hour < 18 ? 'Good day' : 'Good evening'),
    summary: (late: number, inTurn: number) =>
      !inTurn
        ? 'Nothing is your turn right now.'
        : !late
          ? `${counted(inTurn, 'item is', 'items are')} your turn.`
          : `${late === 1 ? 'One is' : `${late} are`} late.`,
    inTurn: (projects: number) => `in your turn${projects > 1 ? `, over ${projects} projects` : ''}`,
    now: 'Now',
    nowHint: 'what you have in hand',
    next: 'Next',
    nextHint: 'ready for you, in the order to take them',
    waits: 'Waits for others',
    nobodys: 'Nobody’s turn',
    nobodysHint: 'unfinished, with nobody on turn: you lead here',
    emptyNow: 'Nothing in hand. Take the first of what is next.',
    emptyNext: 'Nothing waits for you.',
    moveOn: (status: string) => `to ${status}`,
    isOnTurn: (names: string) => `${names} ${names.includes(' and ') ? 'are' : 'is'} on turn`,
    walk: 'walk',
    open: 'open',
    keyMoveOn: 'move on',
    more: (count: number) => `${count} more`,
  },
} as const
