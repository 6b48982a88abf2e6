import * as z from 'zod/mini'
import { list, text } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { ranksBetween } from '../base/ranks'
import { firstProblem, must, ok, problem, type Problem } from '../base/result'
import { needsRole, needsWorkspaceRole } from '../access/access'
import { defineCommand, type Context } from '../change/command'
import { makes, type Change } from '../change/patch'
import { isEmptyValue, longestLongText } from '../fields/contract'
import { isLongTextMark } from '../fields/long-text'
import { fieldTypes } from '../fields/registry'
import { mostRecords } from './limits'
import { checkTitle, itemMade, newItem, type NewItem } from '../items/add'
import { StayIds } from '../items/changes'
import { longTextId, type Field, type Item } from '../model/records'
import { fieldRecord, kindRecord, optionRecord, personRecord } from '../model/schemas'
import type { Reader } from '../model/reader'

/** Everything that a file becomes, with the ids of all that is new. */
export const bringInBody = z.object({
  project: ids.projectId,
  people: list(personRecord, 2000),
  kinds: list(kindRecord, 60),
  fields: list(fieldRecord, 200),
  /** Options that come to fields which are there already. */
  options: list(z.object({ field: ids.fieldId, options: list(optionRecord, 500) }), 200),
  items: list(newItem, mostRecords, 1),
  texts: list(z.object({ item: ids.itemId, field: ids.fieldId, text: text(longestLongText) }), 4 * mostRecords),
})
export type BringInBody = z.infer<typeof bringInBody>

/** Brings a file in, whole or not at all; one undo takes all of it back. */
export const bringIn = defineCommand({
  type: 'bring-in',
  v: 1,
  body: bringInBody,
  large: true,
  projects: (_reader, body) => [body.project],
  check: (reader, body, context) => checkFrame(reader, body, context) ?? checkAll(reader, body),
  apply(reader, body, context) {
    const stays = new StayIds(context.command)
    const before = must(reader.maybe('project', body.project), 'project').nextNumber
    const ranks = ranksBetween(lastRank(reader, body.project), undefined, body.items.length)
    const siblingRanks = siblingRanksOf(reader, body)
    const changes: Change[] = [
      ...body.people.map((one) => makes('person', one)),
      ...body.kinds.map((one) => makes('kind', one)),
      ...body.fields.map((one) => makes('field', one)),
      ...body.options.map(({ field, options }) => {
        const settings = must(reader.maybe('field', field), 'field').settings
        const after = { ...settings, options: [...(settings.options ?? []), ...options] }
        return { entity: 'field' as const, id: field, field: 'settings', before: settings, after }
      }),
    ]
    body.items.forEach((one, i) => {
      const given = {
        number: before + i,
        rank: must(ranks[i], 'rank'),
        siblingRank: must(siblingRanks.get(one.item), 'sibling rank'),
      }
      changes.push(...itemMade(reader, one, given, context, stays))
    })
    for (const { item, field, text } of body.texts)
      changes.push(makes('longText', { id: longTextId(item, field), item, field, revision: 1, text }))
    changes.push({
      entity: 'project',
      id: body.project,
      field: 'nextNumber',
      before,
      after: before + body.items.length,
    })
    return ok(changes)
  },
})

function lastRank(reader: Reader, project: Item['project']): string | undefined {
  const { rank } = reader.table(project)
  const { order, n } = rank.ordering
  return n ? (rank.a[order[n - 1]!] ?? undefined) : undefined
}

function siblingRanksOf(reader: Reader, body: BringInBody): Map<string, string> {
  const byParent = new Map<string | null, NewItem[]>()
  for (const one of body.items) (byParent.get(one.parent) ?? byParent.set(one.parent, []).get(one.parent))?.push(one)
  const lastHeld = new Map<string | null, string>()
  const table = reader.table(body.project)
  for (const row of table.rows()) {
    const [parent, rank] = [table.parentOf(row), table.siblingRank.a[row] as string]
    if (rank > (lastHeld.get(parent) ?? '')) lastHeld.set(parent, rank)
  }
  const ranks = new Map<string, string>()
  for (const [parent, children] of byParent)
    ranksBetween(lastHeld.get(parent), undefined, children.length).forEach((rank, i) =>
      ranks.set(must(children[i], 'child').item, rank),
    )
  return ranks
}

function checkFrame(reader: Reader, body: BringInBody, context: Context): Problem | undefined {
  if (!reader.maybe('project', body.project)) return problem('gone')
  const setsUp = body.people.length || body.kinds.length || body.fields.length || body.options.length
  const refused = needsRole(reader, context.by, body.project, setsUp ? 'lead' : 'contributor')
  if (refused) return refused
  if (body.people.length) {
    const noPeople = needsWorkspaceRole(reader, context.by, 'contributor')
    if (noPeople) return noPeople
  }
  const workflows = new Set(
    [...reader.all('kind')].filter((kind) => kind.project === body.project).map((kind) => kind.workflow),
  )
  return (
    firstProblem(body.people, (one) =>
      one.role || one.email ? problem('not-allowed', { needs: 'owner' }) : taken(reader, 'person', one.id),
    ) ??
    firstProblem(body.kinds, (one) =>
      one.project === body.project && workflows.has(one.workflow)
        ? taken(reader, 'kind', one.id)
        : problem('other-project'),
    ) ??
    firstProblem(body.fields, (one) =>
      one.project === body.project ? taken(reader, 'field', one.id) : problem('other-project'),
    ) ??
    firstProblem(body.options, (one) =>
      reader.maybe('field', one.field)?.project === body.project ? undefined : problem('unknown-field'),
    )
  )
}

const taken = (reader: Reader, entity: 'person' | 'kind' | 'field' | 'item', id: string): Problem | undefined =>
  reader.maybe(entity, id) ? problem('id-taken') : undefined

/** Every row against what is there and what comes with it. */
function checkAll(reader: Reader, body: BringInBody): Problem | undefined {
  const kinds = new Map(
    [...[...reader.all('kind')].filter((kind) => kind.project === body.project), ...body.kinds].map((kind) => [
      kind.id,
      kind,
    ]),
  )
  const options = new Map(body.options.map((one) => [one.field, one.options]))
  const fields = new Map<string, Field>()
  for (const field of [...[...reader.all('field')].filter((one) => one.project === body.project), ...body.fields]) {
    const more = options.get(field.id)
    fields.set(
      field.id,
      more
        ? { ...field, settings: { ...field.settings, options: [...(field.settings.options ?? []), ...more] } }
        : field,
    )
  }
  const newNames = new Map(body.people.map((one) => [one.id as string, one.name]))
  const names = { person: (id: string) => newNames.get(id) ?? reader.names.person(id), personNamed: () => undefined }
  const parents = new Map(body.items.map((one) => [one.item, one.parent]))
  if (parents.size !== body.items.length) return problem('id-taken')
  const unique = uniqueValues(reader, body, fields)
  const texts = new Set(body.texts.map((one) => longTextId(one.item, one.field)))
  if ([...body.texts].some((one) => !parents.has(one.item))) return problem('gone')
  return firstProblem(body.items, (one) => {
    const kind = kinds.get(one.kind)
    if (one.project !== body.project) return problem('other-project')
    if (!kind || reader.maybe('status', one.status)?.workflow !== kind.workflow)
      return problem('wrong-value', { field: 'status' })
    return (
      taken(reader, 'item', one.item) ??
      checkTitle(one.title) ??
      checkParentIn(reader, one, parents) ??
      firstProblem(Object.entries(one.values), ([id, value]) => {
        const field = fields.get(id)
        if (!field) return problem('unknown-field')
        if (isEmptyValue(value)) return undefined
        if (field.type === 'longText') {
          const isFirst = isLongTextMark(value) && value.revision === 1 && texts.has(longTextId(one.item, id))
          return isFirst ? undefined : problem('wrong-value', { field: field.name })
        }
        const wrong = fieldTypes[field.type].check(value, field.settings, names)
        if (wrong) return { ...wrong, said: { ...wrong.said, field: field.name } }
        const held = unique.get(id)
        if (held?.has(value)) return problem('not-unique', { field: field.name, value: String(value) })
        held?.add(value)
        return undefined
      })
    )
  })
}

function uniqueValues(
  reader: Reader,
  body: BringInBody,
  fields: ReadonlyMap<string, Field>,
): Map<string, Set<unknown>> {
  const unique = new Map(
    [...fields.values()]
      .filter((field) => field.settings.unique)
      .map((field) => [field.id as string, new Set<unknown>()]),
  )
  const table = reader.table(body.project)
  if (unique.size)
    for (const row of table.rows())
      for (const [id, held] of unique) if (!table.column(id).isEmpty(row)) held.add(table.column(id).get(row))
  return unique
}

function checkParentIn(reader: Reader, one: NewItem, parents: ReadonlyMap<string, string | null>): Problem | undefined {
  const seen = new Set<string>([one.item])
  let at = one.parent as string | null
  while (at && parents.has(at)) {
    if (seen.has(at)) return problem('loop')
    seen.add(at)
    at = parents.get(at) ?? null
  }
  if (!at) return undefined
  return reader.maybe('item', at)?.project === one.project ? undefined : problem('gone', { what: at })
}
