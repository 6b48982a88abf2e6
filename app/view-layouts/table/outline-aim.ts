import type { OutlineRow } from '#core/layouts/rows'
import type { OfMany } from '#core/queries/refusals'
import { tableWords } from '../words'
import { levelWidth } from './columns'
import type { Aimed } from './line-drag'
import { dropAt, type Drop } from './outline-drop'

/** An outline whose items are moved. */
export interface Outline {
  rowAt(index: number): OutlineRow | undefined
  /** Where a title begins that stands at the top, in px from the left of the rows. */
  titleAt(): number
  isSorted(): boolean
  send(bare: OfMany): void
}

/** Items go to another place, as deep as the pointer has them. */
export const outlineAim =
  (outline: Outline, rows: readonly OutlineRow[]): Aimed =>
  (_on, gap, x) => {
    const wanted = Math.round((x - outline.titleAt()) / levelWidth)
    const drop = dropAt(outline.rowAt, gap, wanted, outline.isSorted())
    return {
      gap,
      left: outline.titleAt() + drop.level * levelWidth,
      words: drop.parent ? tableWords.dropInside(drop.parent.item.title) : tableWords.dropAtTop,
      put: () => put(outline, rows, drop),
    }
  }

function put({ send }: Outline, rows: readonly OutlineRow[], { parent, place }: Drop): void {
  const ids = new Set<string>(rows.map(({ item }) => item.id))
  // What is inside another that moves goes along with it; nothing stands beside itself.
  const items = rows.filter(({ item }) => !item.parent || !ids.has(item.parent)).map(({ item }) => item.id)
  const beside = place && ('before' in place ? place.before : place.after)
  const isSame = rows.length === 1 && beside === rows[0]?.item.id
  if (!items.length || isSame || (parent && ids.has(parent.item.id))) return
  send({
    type: 'items.nest',
    items,
    parent: parent?.item.id ?? null,
    ...(place && !ids.has(beside!) && { place }),
  } as OfMany)
}
