import type { Sums } from '#core/layouts/rows'
import type { TotalValues } from '#core/views/totals'
import type { Project, View, ViewDefinition } from '#core/model/records'

/** What a layout draws: a saved view, with its definition as it is being tried. */
export interface LayoutProps {
  readonly project: Project
  readonly view: View
  readonly definition: ViewDefinition
}

/** What a layout says in the bar below it. */
export interface Tally {
  readonly sums: Sums
  /** Of the view's totals in turn. */
  readonly totals?: TotalValues
  /** What is wrong, in words. */
  readonly warnings?: readonly string[]
}

/** What happens in a layout. `open`: an item, by its address. `walk`: another item has the keyboard. */
export type LayoutEmits = {
  tally: [tally: Tally]
  open: [key: string]
  walk: [key: string]
}
