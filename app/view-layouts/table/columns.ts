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
  /** It stays in sight, so far from the left, in px. */
  readonly left?: number | undefined
  /** The last of those that stay. */
  readonly isLastFrozen?: boolean
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

/** Key and title stay in any case. */
const alwaysThere = 2
/** They leave this share of what is seen to the columns that scroll. */
const leastLeft = 0.4
/** The columns of which so many after the title stay in sight, as far as there is room; `width`: of what is seen. */
export function frozenIn(columns: readonly TableColumn[], frozen: number, width: number): readonly TableColumn[] {
  let left = 0
  let last = -1
  const marked = columns.map((column, i) => {
    const stays = frozen > 0 && i < alwaysThere + frozen && left + column.least <= width * (1 - leastLeft)
    const at = left
    left += column.least
    if (!stays || i < alwaysThere) return column
    last = i
    return { ...column, left: at }
  })
  return last < 0 ? columns : marked.map((column, i) => (i === last ? { ...column, isLastFrozen: true } : column))
}

/** Where something is done at the head: with a field, or where a new one is made. */
export interface HeadPlace {
  readonly column?: TableColumn | undefined
  readonly at: HTMLElement
  readonly point?: [number, number] | undefined
}

/** How high a line of text is in a row of several, in px. */
export const lineHeight = 20
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
