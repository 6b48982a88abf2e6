import type { Field } from '#core/model/records'
import { words } from '../../words'

export interface TableColumn {
  readonly id: string
  readonly is: 'key' | 'title' | 'kind' | 'status' | 'field'
  readonly name: string
  readonly field?: Field
  /** What sorting by it sorts by; none: it cannot be sorted by. */
  readonly sort?: string | undefined
  readonly isNumber: boolean
  readonly least: number
  readonly share: number
}

/** Least width in px, and the share of what is left over. */
const widths: Readonly<Record<Field['type'], readonly [least: number, share: number]>> = {
  shortText: [110, 0.5], longText: [64, 0], number: [70, 0], oneOption: [104, 0], severalOptions: [136, 0.2],
  people: [76, 0], date: [92, 0], checkbox: [84, 0],
} // prettier-ignore

/** Key, title, kind and status, then the fields that the view shows. */
export function columnsOf(fields: readonly Field[]): TableColumn[] {
  const own = (is: 'key' | 'title' | 'kind' | 'status', name: string, least: number, share = 0): TableColumn => ({
    id: is, is, name, sort: is, isNumber: false, least, share,
  }) // prettier-ignore
  return [
    own('key', words.table.key, 92),
    own('title', words.table.title, 240, 2),
    own('kind', words.table.kind, 108),
    own('status', words.table.status, 128),
    ...fields.map((field): TableColumn => {
      const [least, share] = widths[field.type]
      const sort = field.type === 'longText' ? undefined : field.id
      return {
        id: field.id,
        is: 'field',
        name: field.name,
        field,
        isNumber: field.type === 'number',
        least,
        share,
        sort,
      }
    }),
  ]
}

/** The same columns for the head and every row, whatever stands in them. */
export const gridTemplate = (columns: readonly TableColumn[]): string =>
  columns.map(({ least, share }) => (share ? `minmax(${least}px, ${share}fr)` : `${least}px`)).join(' ')
export const leastWidth = (columns: readonly TableColumn[]): number => columns.reduce((sum, one) => sum + one.least, 0)
