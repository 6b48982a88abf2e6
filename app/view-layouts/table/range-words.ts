import { counted } from '../../counted'

/** Words of copying, pasting and filling cells. */
export const rangeWords = {
  changed: (cells: number) => (cells ? `${counted(cells, 'cell', 'cells')} changed.` : 'Nothing changed.'),
  beyond: (lines: number) => `${counted(lines, 'line', 'lines')} had no row to go into.`,
  fault: (key: string, column: string, why: string) => `${key}, ${column}: ${why}`,
  moreFaults: (count: number) => `And ${count} more that stay as they are.`,
  selectFirst: 'Select several rows first: the others get what the first has here.',
} as const
