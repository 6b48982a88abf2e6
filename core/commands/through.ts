import { firstInPieces, type Pieces } from '../base/pieces'
import { problem, type Problem } from '../base/result'
import { allowsChange, changedByHand, isHolding, seesView } from '../saved-views/through'
import { personOf, type Actor } from '../change/actor'
import { maybeFact, refOfKey } from '../facts/registry'
import type { Reader } from '../model/reader'
import { isItemColumn, type Link, type LongText, type View } from '../model/records'
import type { After } from './after'
import type { HeldCommand } from './stops'

/** What the view through which a command is sent does not let it do. */
export function* refusedThrough(
  reader: Reader,
  after: After,
  { through }: HeldCommand,
  by: Actor,
): Pieces<Problem | undefined> {
  if (through === undefined) return undefined
  const view = reader.maybe('view', through)
  // One that is gone, or that they don't see, holds nobody to anything: it is no lock.
  if (!view || !isHolding(view) || !seesView(reader, personOf(by), view)) return undefined
  const { allows } = view
  const refused = (act: 'add' | 'remove' | 'change', item: string, key = ''): Problem => {
    const what = maybeFact(reader, view.project, refOfKey(key))?.name ?? ''
    return problem('not-through-view', { view: view.name, act, ...(what && { what }) }, [{ item, field: key }])
  }
  const made = new Set<string>()
  return (
    (yield* firstInPieces(after.of('item'), ({ id, made: isMade, set }) => {
      if (isMade) {
        made.add(id)
        return allows?.add ? undefined : refused('add', id)
      }
      if (after.isGone('item', id) || set.has('archived')) return allows?.remove ? undefined : refused('remove', id)
      const key = forbiddenOf(view, [...set.keys()])
      return key === undefined ? undefined : refused('change', id, key)
    })) ??
    (yield* firstInPieces([...after.of('longText'), ...after.of('link')], ({ entity, id, made: record, unmade }) => {
      const one = (record ?? unmade ?? reader.maybe(entity, id)) as LongText | Link | undefined
      const item = one && ('item' in one ? one.item : one.from)
      const field = one?.field ?? id.split('/')[1] ?? ''
      if (item && (made.has(item) || (one && 'to' in one && made.has(one.to)))) return undefined
      return allowsChange(allows, field) ? undefined : refused('change', item ?? id.split('/')[0] ?? '', field)
    }))
  )
}

/** Of what changes of an item, the first that the view does not let be changed. What comes along with something else is not asked after. */
function forbiddenOf({ allows }: View, keys: readonly string[]): string | undefined {
  const byHand = keys.filter((key) => !isItemColumn(key) || key === 'siblingRank' || isByHand(key))
  const asked = byHand.map((key) => (key === 'siblingRank' ? 'rank' : key))
  const along = (key: string) =>
    (key === 'status' && asked.includes('kind')) || (key === 'rank' && asked.some((one) => one !== 'rank'))
  return asked.find((key) => !along(key) && !allowsChange(allows, key))
}
const isByHand = (key: string): boolean => (changedByHand as readonly string[]).includes(key)
