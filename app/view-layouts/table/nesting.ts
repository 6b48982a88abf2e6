/** Moving items a step: into another, out of one, up or down among their siblings. */
import type { BareCommand } from '#core/commands/registry'
import { isOutlined, type Row, type OutlineRow } from '#core/layouts/rows'
import type { ItemId, ViewDefinition } from '#core/model/records'
import type { OfMany } from '#core/queries/refusals'
import { isRanked } from '../ranked'
import { nestingWords } from './nesting-words'
import type { Step } from './steps'

/** What a step does, and what must be open for the items to stay in sight; or why there is none, in words. */
export type Nesting =
  | { readonly bare: OfMany | Extract<BareCommand, { type: 'items.move' }>; readonly shows?: ItemId }
  | { readonly said: string }

/** `rows`: what is to move, in the order of the lines; `before`, `after`: the lines above the first and below the last. */
export function nestingOf(
  step: Step,
  rows: readonly (Row | OutlineRow)[],
  before: Row | undefined,
  definition: ViewDefinition,
  after?: Row,
): Nesting {
  const ids = new Set<string>(rows.map(({ item }) => item.id))
  // What is inside another that moves goes along with it.
  const tops = rows.filter(({ item }) => !item.parent || !ids.has(item.parent))
  const [first, last] = [tops[0], tops.at(-1)]
  if (!first || !last) return { said: nestingWords.nothing }
  const items = tops.map(({ item }) => item.id)
  const nest = (parent: ItemId | null, more: Partial<OfMany> = {}) => ({ type: 'items.nest', items, parent, ...more }) as OfMany // prettier-ignore
  if (!isOutlined(first)) {
    if (step === 'out') return { said: nestingWords.outlineOnly }
    if (step === 'in') return before ? { bare: nest(before.item.id) } : { said: nestingWords.noneAbove }
    if (!isRanked(definition)) return { said: nestingWords.sorted }
    const beside = step === 'up' ? before : after
    if (!beside) return { said: step === 'up' ? nestingWords.isFirst : nestingWords.isLast }
    const place = step === 'up' ? { before: beside.item.id } : { after: beside.item.id }
    return { bare: { type: 'items.move', items: rows.map(({ item }) => ({ item: item.id, place })) } }
  }
  const { above, outer } = first
  const { below } = last as OutlineRow
  const { parent } = first.item
  switch (step) {
    case 'in':
      return above ? { bare: nest(above), shows: above } : { said: nestingWords.noneAbove }
    case 'out':
      if (outer === undefined || !parent) return { said: nestingWords.atTop }
      return { bare: nest(outer, { place: { after: parent } }) }
    case 'up':
    case 'down': {
      if (definition.sort.length) return { said: nestingWords.sorted }
      if (step === 'up') return above ? { bare: nest(parent, { place: { before: above } }) } : { said: nestingWords.isFirst } // prettier-ignore
      return below ? { bare: nest(parent, { place: { after: below } }) } : { said: nestingWords.isLast }
    }
  }
}
