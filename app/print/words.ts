import { counted } from '../counted'

/** Words of the page from which a view is printed. */
export const printWords = {
  title: (view: string) => `Print ${view}`,
  paper: 'Paper',
  direction: 'Direction',
  upright: 'upright',
  across: 'across',
  print: 'Print',
  back: 'Back to the view',
  fits: (count: number) => `${counted(count, 'column fits', 'columns fit')}.`,
  /** `isMost`: no paper and no direction has more room. */
  left: (names: readonly string[], isAcross: boolean, isMost: boolean) =>
    `Left out, since there’s no room: ${names.join(', ')}. ${isMost ? 'Show fewer fields.' : isAcross ? 'Try larger paper.' : 'Try larger paper or across.'}`,
  tooMany: (most: number, all: number) => `The first ${most} of ${all} lines are printed.`,
  making: 'Working out the pages …',
  items: (count: number) => counted(count, 'item', 'items'),
  noView: 'There’s no such view, or you can’t see it.',
} as const
