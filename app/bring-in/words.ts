import { counted } from '../counted'

/** Words of bringing a file in. */
export const words = {
  bringIn: {
    title: 'Bring in',
    choose: 'Choose a CSV file, or drop it here.',
    chooseHint: 'UTF-8, with names in its first line; comma, semicolon or tab. Nothing is changed before you confirm.',
    button: 'Choose a file',
    into: 'into',
    split: (by: string) => `split at ${by}`,
    delimiters: { ',': 'commas', ';': 'semicolons', '\t': 'tabs' } as Readonly<Record<string, string>>,
    rows: (rows: number, columns: number) =>
      `${counted(rows, 'row', 'rows')}, ${counted(columns, 'column', 'columns')}`,
    rowsOnly: (columns: number) => `rows, ${counted(columns, 'column', 'columns')}`,
    newField: 'new:',
    becomes: (column: string) => `What ${column} becomes`,
    nothing: 'left out',
    will: (levels: number) => `will become items, in ${counted(levels, 'level', 'levels')}`,
    leftOut: 'are left out, unless mended',
    movedUp: 'move up, their parent is left out',
    people: (all: number, fresh: number) =>
      `${counted(all, 'person', 'people')} named, ${fresh} of them without an account`,
    fresh: (kinds: number, fields: number) =>
      `${counted(kinds, 'new kind', 'new kinds')}, ${counted(fields, 'new field', 'new fields')}`,
    faults: 'Left out',
    upHead: 'Moved up',
    upLine: (from: string) => `Its parent ${from} is left out.`,
    statuses: 'Statuses to say',
    statusHint: 'The workflow does not have these. Say which status they are.',
    chooseStatus: 'choose …',
    mend: (line: number) => `Mend line ${line}`,
    go: (count: number) => `Bring in ${counted(count, 'item', 'items')}`,
    nothingYet: 'Nothing has changed yet. Afterwards one undo takes it all back.',
    sending: (count: number) => `Bringing in ${count} items …`,
    done: (count: number) => `${counted(count, 'item was', 'items were')} brought in.`,
    see: 'See them',
    another: 'Another file',
    reading: (done: number, all: number) => `Reading ${done} of ${all} bytes`,
    stop: 'Stop',
    line: 'Line',
    noTitle: 'no title',
    nextFault: 'next fault',
    leave: 'leave, nothing is kept',
  },
} as const
