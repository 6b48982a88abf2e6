import { counted, grouped } from '../counted'

/** Words of bringing a file in. */
export const bringInWords = {
  title: 'Bring in a file',
  choose: 'Choose a CSV file, or drop it here',
  chooseHint:
    'UTF-8, with column names in the first line, separated by commas, semicolons or tabs. Nothing changes until you confirm.',
  button: 'Choose a file',
  into: 'into',
  split: (by: string) => `separated by ${by}`,
  delimiters: { ',': 'commas', ';': 'semicolons', '\t': 'tabs' } as Readonly<Record<string, string>>,
  rows: (columns: number) => `rows, ${counted(columns, 'column', 'columns')}`,
  newField: 'new field:',
  becomes: (column: string) => `What ${column} becomes`,
  nothing: 'ignored',
  will: (count: number, levels: number) =>
    `${count === 1 ? 'row becomes an item' : 'rows become items'}${levels > 1 ? `, in ${levels} levels` : ''}`,
  leftOut: (count: number) => `${count === 1 ? 'row stays' : 'rows stay'} out until fixed`,
  movedUp: (count: number) =>
    count === 1
      ? 'item moves up a level because its parent stays out'
      : 'items move up a level because their parent stays out',
  people: (all: number, fresh: number) =>
    !fresh
      ? `${all === 1 ? 'person, who has an account' : 'people, who all have accounts'}`
      : `${all === 1 ? 'person' : 'people'}, ${fresh} without an account`,
  newKinds: (kinds: number) => (kinds === 1 ? 'new kind' : 'new kinds'),
  newFields: (fields: number) => (fields === 1 ? 'new field' : 'new fields'),
  faults: 'Rows that stay out',
  upHead: 'Items that move up',
  upLine: (from: string) => `Its parent, ${from}, stays out.`,
  statuses: 'Match these statuses',
  statusHint: 'The workflow doesn’t have these. Choose the status each one stands for.',
  chooseStatus: 'choose …',
  written: 'How are these written?',
  writtenHint: 'The cells can be read in two ways.',
  writtenIn: (column: string) => `How ${column} is written`,
  dayFirst: 'day first',
  monthFirst: 'month first',
  point: 'a point before decimals',
  comma: 'a comma before decimals',
  mend: (line: number) => `Fix line ${line}`,
  go: (count: number) => `Bring in ${counted(count, 'item', 'items')}`,
  nothingYet: 'Nothing has changed yet, and one undo takes all of it out again.',
  sending: (count: number, share?: number) =>
    `Bringing in ${counted(count, 'item', 'items')}${share === undefined ? ' …' : `: ${Math.round(share * 100)}%`}`,
  done: (count: number) => `${counted(count, 'item is', 'items are')} in`,
  undone: 'The bring-in was undone: none of its items are left',
  see: 'See them',
  another: 'Bring in another file',
  reading: (done: number, all: number) => `Reading: ${grouped(done)} of ${grouped(all)} bytes`,
  stop: 'Stop',
  line: 'Line',
  noTitle: 'no title',
  confirm: 'bring the items in',
  nextFault: 'next row to fix',
  leave: 'leave without bringing anything in',
} as const
