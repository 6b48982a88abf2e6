/** What each field type looks like and how its values are edited: one row a type. */
import { h, type FunctionalComponent } from 'vue'
import type { PlainDate } from '#core/base/dates'
import type { Health } from '#core/fields/health'
import type { FieldTypeName } from '#core/fields/names'
import { fieldContext } from '#core/model/reader'
import { fieldTypes, figuresOf, isInItem, isWorkedOut, shownType, type Typed } from '#core/fields/registry'
import { idsOf, type Value } from '#core/fields/value'
import type { Field, Item } from '#core/model/records'
import { dayWords, momentWords } from '../dates'
import { useDirectory } from '../data/directory'
import { valueWords } from './words'
import {
  drawn,
  dueMark,
  healthMark,
  linkedMark,
  linkMark,
  optionMarks,
  pebbles,
  ratingMark,
  textMark,
  type Directory,
  type Mark,
} from './marks'

/** A value of an item that is to be shown. */
export interface ShownValue {
  readonly field: Field
  readonly item: Item
  /** Filled. */
  readonly value: Value
  /** Working days that the item is late. */
  readonly late: number
}

interface FieldParts {
  /** A filled value as it is shown in a cell, on a card and in the panel. */
  mark(directory: Directory, shown: ShownValue): Mark | undefined
  /** Its value in words beside the mark, where there is room. */
  words?(directory: Directory, shown: ShownValue): string
  /** A line or a day that is typed, a list to choose from, items to find, pressed on the spot, the item's panel alone, or nothing. */
  readonly editor: 'line' | 'day' | 'list' | 'items' | 'press' | 'panel' | 'none'
  readonly isNumber?: boolean
  /** Where a value leads. */
  href?(value: string): string
  /** Of a column in a table: least width in px, and the share of what is left over. */
  readonly width: readonly [least: number, share: number]
}

const typed = (value: Value): string => (typeof value === 'string' ? value : '')
/** Numbers of all sorts, as they are said. */
const figures = (least: number): FieldParts => ({
  mark: (_directory, { value, field }) => textMark(typeof value === 'number' ? figuresOf(field).say(value) : ''),
  editor: 'line',
  isNumber: true,
  width: [least, 0],
})
/** An address: shown without what every one of them begins with. */
const address = (href: (value: string) => string, shown = typed): FieldParts => ({
  mark: (_directory, { value }) => linkMark(shown(value), href(typed(value))),
  editor: 'line',
  href,
  width: [130, 0.4],
})

/** What nobody fills in is shown as the type that it gives (`partsOf`). */
const worked: FieldParts = { mark: () => undefined, editor: 'none', width: [90, 0] }

const fieldParts: Readonly<Record<FieldTypeName, FieldParts>> = {
  shortText: { mark: (_directory, { value }) => textMark(typed(value)), editor: 'line', width: [110, 0.5] },
  longText: { mark: () => textMark('¶'), editor: 'panel', width: [64, 0] },
  number: figures(70),
  money: figures(96),
  duration: figures(92),
  oneOption: {
    mark: (directory, { value, field }) => optionMarks(directory, field, [value as string]),
    editor: 'list',
    width: [104, 0],
  },
  severalOptions: {
    mark: (directory, { value, field }) => optionMarks(directory, field, idsOf(value)),
    editor: 'list',
    width: [136, 0.2],
  },
  people: {
    mark: (directory, { value }) => pebbles(directory, idsOf(value)),
    words: (directory, { value }) =>
      idsOf(value)
        .map((id) => directory.reader.names.person(id) ?? '')
        .join(', '),
    editor: 'list',
    width: [76, 0],
  },
  date: {
    mark: (directory, { value, field, item, late }) =>
      directory.reader.maybe('project', item.project)?.uses.due === field.id
        ? dueMark(directory, value as PlainDate, late)
        : textMark(dayWords(value as PlainDate, directory.language, directory.today)),
    editor: 'day',
    width: [92, 0],
  },
  dateTime: {
    mark: ({ language, today, reader }, { value }) =>
      textMark(momentWords(typed(value), language, today, reader.workspace().timeZone)),
    editor: 'line',
    width: [116, 0],
  },
  checkbox: { mark: (_directory, { value }) => (value ? textMark('✓') : undefined), editor: 'press', width: [84, 0] },
  rating: {
    mark: (_directory, { value, field }) => ratingMark(Number(value), field),
    editor: 'line',
    width: [96, 0],
  },
  health: { mark: (_directory, { value }) => healthMark(value as Health), editor: 'list', width: [128, 0] },
  webLink: address(typed, (value) => typed(value).replace(/^https?:\/\/(www\.)?/, '').replace(/\/$/, '')), // prettier-ignore
  email: address((value) => `mailto:${value}`),
  phone: address((value) => `tel:${value.replace(/ /g, '')}`),
  relation: {
    mark: (directory, { value }) => linkedMark(directory, idsOf(value)),
    editor: 'items',
    width: [136, 0.3],
  },
  votes: {
    mark: (directory, { value }) => ({
      ...textMark(`+${idsOf(value).length}`),
      title: idsOf(value).map((id) => directory.reader.names.person(id) ?? '').join(', '), // prettier-ignore
    }),
    editor: 'press',
    isNumber: true,
    width: [70, 0],
  },
  computed: worked,
  rollUp: worked,
  lookUp: worked,
}
/** What a field looks like, and how it is edited. */
export const partsOf = (field: Typed): FieldParts =>
  isWorkedOut(field) ? { ...fieldParts[shownType(field)], editor: 'none' } : fieldParts[field.type]

/** A field's value as it is shown; undefined where the item has none. */
export function valueMark(directory: Directory, field: Field, item: Item, late: number): Mark | undefined {
  const value = item.values[field.id]
  if (value === undefined) return undefined
  const mark = partsOf(field).mark(directory, { field, item, value, late })
  if (!mark || !isMisfit(directory, field, value)) return mark
  return { ...mark, class: [mark.class, 'rust'].filter(Boolean).join(' '), title: valueWords.misfit }
}

/** Whether it is from before a rule of its field. That others have the same shows where the field is set up. */
function isMisfit(directory: Directory, field: Field, value: Value): boolean {
  const { least, most, scale, single, craft, among } = field.settings
  const isRuled = [least, most, scale, single, craft, among].some((rule) => rule !== undefined)
  return isRuled && isInItem(field) && !!fieldTypes[field.type].check(value, fieldContext(directory.reader, field))
}

/** `named`: people with their names. */
export const ValueText: FunctionalComponent<{ field: Field; item: Item; late: number; named?: boolean }> = (props) => {
  const directory = useDirectory()
  const { field, item, late } = props
  const sign = drawn(valueMark(directory, field, item, late))
  const { words, href } = partsOf(field)
  const value = item.values[field.id]
  // Beside it stands what leads there.
  if (props.named && href && value !== undefined) return h('span', { class: 'one-line' }, String(value))
  if (!props.named || !words || !sign || value === undefined) return sign
  return h('span', { class: 'people-mark' }, [sign, h('span', words(directory, { field, item, value, late }))])
}
ValueText.props = { field: Object, item: Object, late: Number, named: Boolean }
