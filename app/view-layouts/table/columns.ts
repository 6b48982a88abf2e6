import type { Field } from '#core/model/records'
import { words } from '../../words'

export interface TableColumn {
  readonly id: string
  readonly is: 'key' | 'title' | 'kind' | 'status' | 'field'
  readonly name: string
  readonly field?: Field
  /** What sorting by it sorts by; none: it cannot be sorted by. */
  readonly sort?: string
  readonly isNumber: boolean
  readonly width: string
}

const widths: Readonly<Record<Field['type'], string>> = {
  shortText: 'minmax(110px, 0.5fr)', longText: '70px', number: '84px', oneOption: '112px', severalOptions: '148px',
  people: '88px', date: '100px', checkbox: '88px',
} // prettier-ignore

/** Key, title, kind and status, then the fields that the view shows. */
export function columnsOf(fields: readonly Field[]): TableColumn[] {
  const own = (is: 'key' | 'title' | 'kind' | 'status', name: string, width: string): TableColumn => ({ id: is, is, name, sort: is, isNumber: false, width })
  return [
    own('key', words.table.key, '100px'),
    own('title', words.table.title, 'minmax(200px, 2fr)'),
    own('kind', words.table.kind, '112px'),
    own('status', words.table.status, '136px'),
    ...fields.map((field): TableColumn => ({
      id: field.id, is: 'field', name: field.name, field, isNumber: field.type === 'number', width: widths[field.type],
      ...(field.type !== 'longText' && { sort: field.id }),
    })),
  ] // prettier-ignore
}

export const gridTemplate = (columns: readonly TableColumn[]): string => columns.map((column) => column.width).join(' ')
