/** Laws of links: both ends are there, of the field's project, and neither holds more than it may. */
import { firstInPieces, type Pieces } from '../base/pieces'
import { firstProblem, problem, type Problem } from '../base/result'
import { fieldTypes } from '../fields/registry'
import { farEnd, linkBetween, LinkIndex, otherEnd, shownIn } from '../model/links'
import { itemKey, type Reader } from '../model/reader'
import type { Field, ItemId, Link } from '../model/records'
import type { After } from './after'

/** The first thing that is wrong with a link that a patch makes, or leaves behind. */
export function* linksHold(reader: Reader, after: After): Pieces<Problem | undefined> {
  const made = new LinkIndex()
  for (const one of after.of('link')) if (one.made && !after.isGone('link', one.id)) made.add(one.made as Link)
  const wrong = yield* firstInPieces(after.of('link'), (one) =>
    one.made && !after.isGone('link', one.id) ? wrongWith(reader, after, made, one.made as Link) : undefined,
  )
  if (wrong) return wrong
  for (const { id } of after.of('item')) {
    if (!after.isGone('item', id)) continue
    for (const link of reader.linksOf(id))
      if (!after.isGone('link', link.id)) return problem('in-use', undefined, [{ item: id }])
  }
  const gone = after.of('field').filter(({ id }) => after.isGone('field', id))
  if (!gone.length) return undefined
  const fields = new Set(gone.map(({ id }) => id))
  for (const link of reader.all('link'))
    if (fields.has(link.field) && !after.isGone('link', link.id)) return problem('in-use')
  return undefined
}

function wrongWith(reader: Reader, after: After, made: LinkIndex, link: Link): Problem | undefined {
  const by = after.maybe('field', link.field)
  if (!by || !fieldTypes[by.type].isLinked || linkBetween(by, link.from, link.to).id !== link.id)
    return problem('wrong-value', { field: by?.name ?? 'field' })
  for (const end of [link.from, link.to]) {
    if (!after.hasItem(end)) return problem('gone', undefined, [{ item: end }])
    if (after.column(end, 'project') !== by.project) return problem('other-project')
  }
  if (link.from === link.to) return problem('linked-itself', { field: by.name })
  return firstProblem([link.from, link.to], (end) => overfull(after, () => [...reader.linksOf(end), ...made.of(end)], by, link, end)) // prettier-ignore
}

/** An end that takes one item holds another already. `links`: all of the item’s, asked where it takes one. */
function overfull(after: After, links: () => Link[], by: Field, link: Link, item: ItemId): Problem | undefined {
  const shown = after.maybe('field', shownIn(link, by, item) ?? '')
  if (!shown?.settings.single) return undefined
  const other = links().find(
    (one) =>
      one.id !== link.id &&
      one.field === link.field &&
      shownIn(one, by, item) === shown.id &&
      !after.isGone('link', one.id),
  )
  if (!other) return undefined
  const keyOf = (id: string) => {
    const found = after.maybe('item', id)
    return found ? itemKey(after, found) : '?'
  }
  return problem('linked-already', { key: keyOf(item), other: keyOf(farEnd(other, item)), name: shown.name })
}

/** Fields at the ends of a relation know each other. */
export function endsFit(after: After): Problem | undefined {
  for (const { id, made, set } of after.of('field')) {
    if (after.isGone('field', id) || !(made || set.has('settings') || set.has('type') || set.has('archived'))) continue
    const field = after.maybe('field', id)
    if (!field || !fieldTypes[field.type].isLinked) continue
    const far = after.maybe('field', otherEnd(field))
    const isWhole = far && far.type === field.type && far.project === field.project && otherEnd(far) === field.id
    if (!isWhole || far.archived !== field.archived) return problem('wrong-value', { field: field.name })
  }
  return undefined
}
