import * as z from 'zod/mini'
import { text, whole } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { must, problem } from '../base/result'
import { applied, defineCommand } from '../change/command'
import { makes, type Change } from '../change/patch'
import { longestLongText } from '../fields/contract'
import { revisionOf } from '../fields/long-text'
import { fieldTypes } from '../fields/registry'
import { longTextId } from '../model/records'
import { changeOf, checkItem, stamp } from './changes'

/**
 * Writes a long text. It carries the revision it was made from (0: there was none) and is refused where another was
 * written meanwhile. The words go to the text's own record; the item keeps the revision. Empty text takes it away.
 */
export const setText = defineCommand({
  type: 'items.text',
  v: 1,
  body: z.object({
    item: ids.itemId,
    field: ids.fieldId,
    revision: whole(0),
    text: text(longestLongText),
  }),
  needs: (body) => [{ what: 'long text', id: longTextId(body.item, body.field) }],
  projects: (reader, body) => [reader.maybe('item', body.item)?.project ?? []].flat(),
  check(reader, body, context) {
    const refused = checkItem(reader, body.item, context)
    if (refused) return refused
    const item = must(reader.maybe('item', body.item), 'item')
    const field = reader.maybe('field', body.field)
    if (!field || !fieldTypes[field.type].isApart || field.project !== item.project) return problem('unknown-field')
    if (revisionOf(item.values[field.id]) === body.revision) return undefined
    return problem('text-changed-meanwhile', { field: field.name }, [
      { item: item.id, field: field.id, by: item.changedBy, when: item.changed },
    ])
  },
  apply(reader, body, context) {
    const item = must(reader.maybe('item', body.item), 'item')
    const id = longTextId(body.item, body.field)
    const stored = context.longText(id)
    const revision = body.revision + 1
    const text = body.text.trim()
    const mark = changeOf(item, body.field, item.values[body.field], text ? { revision } : null)
    return applied([...mark, ...wordsChange(), ...stamp(item, context)])

    function wordsChange(): Change[] {
      const record = { id, item: body.item, field: body.field, revision, text }
      if (!stored) return text ? [makes('longText', record)] : []
      return [{ entity: 'longText', id, field: '*', before: stored, after: text ? record : null }]
    }
  },
})
