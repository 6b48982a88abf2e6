/** The items that lines become where they are typed or pasted. */
import type { NewId } from '../base/ids'
import { checkTitle, type NewItem } from '../items/add'
import { demandsOf } from '../items/entering'
import type { Place } from '../items/place'
import { maybeStep, startOfKind, statusesOfKind, type Reader } from '../model/reader'
import type { Problem } from '../base/result'
import type { Item, ItemId, Kind, ProjectId, StatusId } from '../model/records'
import { kindInside } from './kind-inside'
import { parentsOf, type PastedLine } from './pasted'

/** What an item has where it is typed: what the group and the view's phrases ask for. */
export interface Begin {
  readonly project: ProjectId
  readonly kind: Kind
  readonly status: StatusId
  /** Of what lies in nothing else of what is added. */
  readonly parent: ItemId | null
  readonly values: Item['values']
  /** Beside which item it stands in the team's order, and among its siblings; after all others, where it is not said. */
  readonly place?: Place | undefined
  readonly beside?: Place | undefined
}

/** What lines become, and those that become nothing. */
export interface ItemsOfLines {
  readonly items: readonly NewItem[]
  /** What lies under such a line lies under the nearest above it that is kept. */
  readonly faults: readonly { readonly line: number; readonly problem: Problem }[]
}

/** An item of each line, inside the one that its line lies under; one whose box is ticked is finished. */
export function itemsOfLines(reader: Reader, lines: readonly PastedLine[], begin: Begin, newId: NewId): ItemsOfLines {
  const parents = parentsOf(lines)
  const made: (NewItem | undefined)[] = []
  const faults: { line: number; problem: Problem }[] = []
  const keptAbove = (i: number): NewItem | undefined => {
    const above = parents[i]!
    return above < 0 ? undefined : (made[above] ?? keptAbove(above))
  }
  for (const [i, { line, title, isTicked }] of lines.entries()) {
    const wrong = checkTitle(title)
    if (wrong) faults.push({ line, problem: wrong })
    const inside = keptAbove(i)
    const kind = inside ? kindInside(reader, inside.kind, begin.kind) : begin.kind
    const status = statusOf(reader, begin, kind, !!isTicked)
    made.push(
      wrong || !status
        ? undefined
        : { item: newId() as ItemId, project: begin.project, kind: kind.id, title, status, parent: inside?.item ?? begin.parent, values: begin.values, ...(begin.place && { place: begin.place }), ...(begin.beside && !inside && { beside: begin.beside }) }, // prettier-ignore
    )
  }
  return { items: made.filter((one) => one !== undefined), faults }
}

function statusOf(reader: Reader, begin: Begin, kind: Kind, isTicked: boolean): StatusId | undefined {
  const all = statusesOfKind(reader, kind.id)
  const asksNothing = (id: string) => !demandsOf(reader, maybeStep(reader, kind.workflow, id)).length
  const finished = isTicked ? all.find(({ id, phase }) => phase === 'finished' && asksNothing(id)) : undefined
  return finished?.id ?? all.find(({ id }) => id === begin.status)?.id ?? startOfKind(reader, kind.id)?.id
}
