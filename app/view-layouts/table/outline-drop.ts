/** Where items come to stand that are let go of between two lines of an outline. */
import type { OutlineRow } from '#core/layouts/rows'
import type { ItemId } from '#core/model/records'
import type { Place } from '#core/items/place'

/** A place between lines: before which of them, how deep, inside what and beside what. */
export interface Drop {
  readonly gap: number
  readonly level: number
  /** Undefined: at the top. */
  readonly parent: OutlineRow | undefined
  readonly place?: Place
}

/** The levels that items can have between two lines: not deeper than inside the one above, not outside what the one below stands in. */
export function levelsAt(above: OutlineRow | undefined, below: OutlineRow | undefined): [least: number, most: number] {
  const most = above ? above.level + 1 : 0
  return [Math.min(below?.level ?? 0, most), most]
}

/** `lineAt`: what stands on a line; `wanted`: how deep the pointer would have it. `isSorted`: places among siblings say nothing. */
export function dropAt(
  lineAt: (index: number) => OutlineRow | undefined,
  gap: number,
  wanted: number,
  isSorted: boolean,
): Drop {
  const [least, most] = levelsAt(lineAt(gap - 1), lineAt(gap))
  const level = Math.max(least, Math.min(most, wanted))
  let sibling: OutlineRow | undefined
  let parent: OutlineRow | undefined
  for (let at = gap - 1; at >= 0 && !parent; at--) {
    const line = lineAt(at)
    if (!line) break
    if (line.level === level) sibling ??= line
    if (line.level < level) parent = line
  }
  const below = lineAt(gap)
  const beside = (id: ItemId, way: 'before' | 'after'): Place => (way === 'before' ? { before: id } : { after: id })
  const place = sibling
    ? beside(sibling.item.id, 'after')
    : below?.level === level
      ? beside(below.item.id, 'before')
      : undefined
  return { gap, level, parent, ...(place && !isSorted && { place }) }
}
