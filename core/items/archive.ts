import * as z from 'zod/mini'
import { distinct } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { firstProblem, must } from '../base/result'
import { applied, defineCommand } from '../change/command'
import { changeOf, checkItem, stamp } from './changes'

/** Takes items out of every view, or puts them back. What stands inside an item stays where it is. */
export const archiveItems = defineCommand({
  type: 'items.archive',
  v: 1,
  body: z.object({ items: distinct(ids.itemId, 1000, (id) => id), archived: z.boolean() }),
  projects: (reader, body) => [...new Set(body.items.flatMap((id) => reader.maybe('item', id)?.project ?? []))],
  check: (reader, body, context) => firstProblem(body.items, (id) => checkItem(reader, id, context)),
  apply: (reader, body, context) =>
    applied(
      body.items.flatMap((id) => {
        const item = must(reader.maybe('item', id), 'item')
        const change = changeOf(item, 'archived', item.archived, body.archived ? (item.archived ?? context.now) : null)
        return change.length ? [...change, ...stamp(item, context)] : []
      }),
    ),
})
