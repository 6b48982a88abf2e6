import type { BuiltIn } from '#core/model/called'
import { typeOf } from '#core/fields/registry'
import type { AutomaticFactName } from '#core/model/names'
import type { FactRef, Field } from '#core/model/records'
import { fieldRef } from '#core/facts/registry'
import { partsOf } from '../../parts/field-parts'
import { tableWords } from '../words'

export interface TableColumn {
  readonly id: string
  readonly is: 'key' | 'title' | 'kind' | 'status' | 'field'
  readonly name: string
  readonly field?: Field
  /** What sorting by it sorts by; none: it cannot be sorted by. */
  readonly sort?: FactRef | undefined
  readonly isNumber: boolean
  readonly least: number
  readonly share: number
}

/** Key, title, kind and status, then the fields that the view shows; `widths`: those that are not as wide as usual. */
export function columnsOf(
  fields: readonly Field[],
  widths: Readonly<Record<string, number>>,
  head: (of: BuiltIn) => string = (of) => tableWords[of],
): TableColumn[] {
  const width = (of: string, least: number, share: number) =>
    widths[of] === undefined ? { least, share } : { least: widths[of], share: 0 }
  const own = (is: AutomaticFactName & TableColumn['is'], name: string, least: number, share = 0): TableColumn => ({
    id: is, is, name, sort: { fact: is }, isNumber: false, ...width(is, least, share),
  }) // prettier-ignore
  return [
    own('key', tableWords.key, 92),
    own('title', head('title'), 240, 2),
    own('kind', tableWords.kind, 108),
    own('status', head('status'), 128),
    ...fields.map((field): TableColumn => {
      const [least, share] = partsOf(field).width
      const sort = typeOf(field).isApart ? undefined : fieldRef(field.id)
      return {
        id: field.id,
        is: 'field',
        name: field.name,
        field,
        isNumber: !!partsOf(field).isNumber,
        ...width(field.id, least, share),
        sort,
      }
    }),
  ]
}

/** Where something is done at the head: with a field, or where a new one is made. */
export interface HeadPlace {
  readonly field?: Field | undefined
  readonly at: HTMLElement
  readonly point?: [number, number] | undefined
}

/** Where a field is made, at the end of the head. */
const lastWidth = 30
/** The same columns for the head and every row, whatever they hold. */
export const gridTemplate = (columns: readonly TableColumn[]): string =>
  [...columns, { least: lastWidth, share: 0 }]
    .map(({ least, share }) => (share ? `minmax(${least}px, ${share}fr)` : `${least}px`))
    .join(' ')
export const leastWidth = (columns: readonly TableColumn[]): number =>
  columns.reduce((sum, column) => sum + column.least, lastWidth)
