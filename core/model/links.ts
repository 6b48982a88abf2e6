/** Links between items: one record each, which the field at either end shows. */
import type { Field, FieldId, ItemId, Link } from './records'

/** A link from its field’s end; its id says all of it, so that there is only one between two items by a field. */
export const linkOf = (field: FieldId, from: ItemId, to: ItemId): Link => ({
  id: `${field}/${from}/${to}` as Link['id'],
  field,
  from,
  to,
})

/** The field by which a link made in a field is seen from its other end: itself, where both ends are alike. */
export const otherEnd = ({ id, settings }: Pick<Field, 'id' | 'settings'>): FieldId => settings.other ?? id

/** The link between an item that holds a field and another: the same record, from whichever end it is made. */
export function linkBetween(field: Pick<Field, 'id' | 'settings'>, item: ItemId, other: ItemId): Link {
  const far = otherEnd(field)
  const isForward = far === field.id ? item < other : field.id < far
  return isForward ? linkOf(field.id, item, other) : linkOf(far, other, item)
}

/** The field in which an item shows a link; undefined where it is at neither end. `by`: the field that the link names. */
export const shownIn = (link: Link, by: Pick<Field, 'id' | 'settings'>, item: string): FieldId | undefined =>
  item === link.from ? by.id : item === link.to ? otherEnd(by) : undefined

/** The item at the other end. */
export const farEnd = ({ from, to }: Link, item: string): ItemId => (from === item ? to : from)

/** Links by the items at their ends. */
export class LinkIndex {
  readonly #of = new Map<string, Set<Link>>()

  add(link: Link): void {
    for (const end of [link.from, link.to]) this.#of.set(end, (this.#of.get(end) ?? new Set()).add(link))
  }
  remove(link: Link): void {
    for (const end of [link.from, link.to]) {
      const links = this.#of.get(end)
      links?.delete(link)
      if (!links?.size) this.#of.delete(end)
    }
  }
  of(item: string): Iterable<Link> {
    return this.#of.get(item) ?? []
  }
}
