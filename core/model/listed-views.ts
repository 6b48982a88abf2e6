import { compareRanked } from '../base/ranked'
import type { View } from './records'

/** Views that are listed together. */
export interface ViewSection {
  /** Null: under the project itself. */
  readonly heading: string | null
  readonly views: readonly View[]
}

/**
 * A project's shared views as they are listed: those without a heading first, then each heading where its first view stands,
 * each in their own order.
 */
export function viewSections(views: Iterable<View>): ViewSection[] {
  const all = [...views].sort(compareRanked)
  const headings = new Map<string | null, View[]>([[null, []]])
  for (const view of all) {
    const heading = view.heading ?? null
    const held = headings.get(heading)
    if (held) held.push(view)
    else headings.set(heading, [view])
  }
  return [...headings].flatMap(([heading, held]) => (held.length ? [{ heading, views: held }] : []))
}
