import type { BuiltIn } from '#core/model/called'
import { typeOf } from '#core/fields/registry'
import type { AutomaticFactName } from '#core/model/names'
import type { FactRef, Field, Total } from '#core/model/records'
import { factKey, fieldRef } from '#core/facts/registry'
import { partsOf } from '../../parts/field-parts'
import { tableWords } from '../words'

export interface TableColumn {
  readonly id: string
  /** `place`: where it stands in an outline; `total`: what is inside it adds up to. */
  readonly is: 'key' | 'title' | 'kind' | 'status' | 'field' | 'place' | 'total'
  readonly name: string
  readonly field?: Field
  /** Of an outline: which of the view's totals is shown here of what holds others. */
  readonly total?: number | undefined
  /** Which total that is, by its sign and in words. */
  readonly sign?: string | undefined
  readonly signHint?: string
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

/** What stands beside the name of a column whose total is shown. */
const totalSigns: Readonly<Record<Total['name'], string>> = {
  count: '#', sum: 'Σ', average: 'ø', median: '½', least: '⇤', most: '⇥', filled: '✓', empty: '∅', share: '%', distinct: '≠',
} // prettier-ignore

/** An outline has the place of an item before its title, and what is inside it added up, beneath the fact or beside all. */
export function outlineColumns(
  fields: readonly Field[],
  totals: readonly Total[],
  widths: Readonly<Record<string, number>>,
  said: (total: Total) => string,
  head?: (of: BuiltIn) => string,
): TableColumn[] {
  const [, title, , status, ...rest] = columnsOf(fields, widths, head)
  const totalOf = (field: Field | undefined) => {
    const at = totals.findIndex(({ of }) => !!of && !!field && factKey(of) === field.id)
    return at < 0 ? undefined : at
  }
  const shown = new Set(fields.flatMap((field) => totalOf(field) ?? []))
  return [
    {
      id: 'outline',
      is: 'place',
      name: tableWords.place,
      sort: undefined,
      isNumber: false,
      least: widths.outline ?? 84,
      share: 0,
    },
    { ...title!, least: Math.max(title!.least, widths.title ?? 300) },
    status!,
    ...rest.map((column) => {
      const at = totalOf(column.field)
      const total = at === undefined ? undefined : totals[at]
      return total ? { ...column, total: at, sign: totalSigns[total.name], signHint: said(total) } : column
    }),
    ...totals.flatMap((total, i): TableColumn[] =>
      shown.has(i)
        ? []
        : [{ id: `total ${i}`, is: 'total', name: said(total), total: i, isNumber: true, least: 96, share: 0 }],
    ),
  ]
}

/** Where something is done at the head: with a field, or where a new one is made. */
export interface HeadPlace {
  readonly field?: Field | undefined
  readonly at: HTMLElement
  readonly point?: [number, number] | undefined
}

/** How far an outline indents what is one level deeper, in px. */
export const levelWidth = 22
/** Where a field is made, at the end of the head. */
const lastWidth = 30
/** The same columns for the head and every row, whatever they hold. */
export const gridTemplate = (columns: readonly TableColumn[]): string =>
  [...columns, { least: lastWidth, share: 0 }]
    .map(({ least, share }) => (share ? `minmax(${least}px, ${share}fr)` : `${least}px`))
    .join(' ')
export const leastWidth = (columns: readonly TableColumn[]): number =>
  columns.reduce((sum, column) => sum + column.least, lastWidth)
