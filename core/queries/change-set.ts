import { isSetChange, itemsTouchedBy, type Change, type Patch } from '../change/patch'
import { entities } from '../model/entities'
import type { Item } from '../model/records'

/** What has changed since it was last taken in. */
export class ChangeSet {
  readonly items = new Set<string>()
  /** Something that is no item changed, or the day did. */
  all = false

  get isEmpty(): boolean {
    return !this.all && !this.items.size
  }

  /** Parents are touched by what comes into them and leaves them: their rows count what is inside. */
  add(patch: Patch): void {
    for (const id of itemsTouchedBy(patch)) this.items.add(id)
    for (const change of patch)
      if (change.entity === 'item' && !isSetChange(change))
        for (const parent of parentsIn(change)) this.items.add(parent)
    // A project's next number is nothing that pages show.
    this.all ||= patch.some(({ entity, field }) => entities[entity].touches === 'everything' && field !== 'nextNumber')
  }
}

function parentsIn({ field, before, after }: Extract<Change, { before: unknown }>): string[] {
  if (field !== '*' && field !== 'parent') return []
  return [before, after].flatMap((value) => {
    const parent = field === '*' ? (value as Item | null)?.parent : value
    return typeof parent === 'string' ? [parent] : []
  })
}
