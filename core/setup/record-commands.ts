/** Commands on records that a project or a team is set up with: each entity says what of it can change. */
import * as z from 'zod/mini'
import { isSameText } from '../base/collation'
import { rankBetween } from '../base/ranks'
import { firstProblem, must, problem, type Problem } from '../base/result'
import { isSameValue } from '../base/sorted-ids'
import { changeRefusal } from '../access/changing'
import { applied, defineCommand, type Context } from '../change/command'
import { makes, type Change } from '../change/patch'
import { entityOf, projectOf } from '../model/entities'
import type { Reader } from '../model/reader'
import type { EntityName, ProjectId, Records } from '../model/records'

type Fields = Readonly<Record<string, z.ZodMiniType>>
type Bodies<F extends Fields> = { readonly [K in keyof F]?: { from: z.infer<F[K]>; to: z.infer<F[K]> } }

/** What is said once of the records of an entity. */
export interface RecordKind<E extends EntityName, F extends Fields, More extends z.ZodMiniType> {
  readonly entity: E
  readonly record: z.ZodMiniType<Records[E]>
  readonly id: z.ZodMiniType<Records[E]['id'] & string>
  /** What of a record can be set, and how it is read. */
  readonly fields: F
  /** Those among which a record has its place. */
  siblings(reader: Reader, record: Records[E]): Iterable<Records[E]>
  /** What it is called: none of its siblings is called the same, case, accents and blanks aside. */
  called?(record: Records[E]): string
  /** What is wrong with a record as it would be. */
  check?(reader: Reader, record: Records[E]): Problem | undefined
  /** What else changes when the record does. */
  besides?(record: Records[E], next: Records[E], reader: Reader, context: Context): Change[]
  /** What removing needs to be told besides: where what depends on the record goes. */
  readonly removal: More
  checkRemoval?(reader: Reader, record: Records[E], body: z.infer<More>): Problem | undefined
  /** Removes the record, or archives it where history speaks of it, and moves what depends on it. */
  remove(reader: Reader, record: Records[E], body: z.infer<More>, context: Context): Change[]
}

/** *add*, *set* (with from and to), *remove* (with where things go) and *order* for the records of an entity. */
export function recordCommands<E extends EntityName, F extends Fields, More extends z.ZodMiniType>(
  kind: RecordKind<E, F, More>,
) {
  type R = Records[E] & { readonly id: string; readonly rank: string }
  const { entity, id } = kind
  const find = (reader: Reader, it: string) => reader.maybe(entity, it) as R | undefined
  const projects = (reader: Reader, record: Records[E] | undefined): ProjectId[] =>
    [(record && projectOf(entityOf(entity).scope(record, reader))) ?? []].flat()
  const checkHeld = (reader: Reader, it: string, context: Context): Problem | undefined => {
    const record = find(reader, it)
    return record ? changeRefusal(reader, context.by, entity, record) : problem('gone')
  }
  const nameRefusal = (reader: Reader, record: R): Problem | undefined => {
    const name = kind.called?.(record)
    if (name === undefined) return undefined
    for (const other of kind.siblings(reader, record) as Iterable<R>)
      if (other.id !== record.id && isSameText(kind.called?.(other) ?? '', name)) return problem('name-taken', { name })
    return undefined
  }
  const set = z.object(
    Object.fromEntries(
      Object.entries(kind.fields).map(([name, schema]) => [name, z.optional(z.object({ from: schema, to: schema }))]),
    ),
  ) as unknown as z.ZodMiniType<Bodies<F>>
  const nextOf = (record: R, body: Bodies<F>): R => ({
    ...record,
    ...Object.fromEntries(changesIn(body).flatMap(([name, to]) => (to ? [[name, to.to]] : []))),
  })
  const changesIn = (body: Bodies<F>) => Object.entries(body) as [string, { from: unknown; to: unknown } | undefined][]

  return {
    add: defineCommand({
      type: `${entity}.add` as const,
      v: 1,
      body: z.object({ record: kind.record }),
      projects: (reader, body: { record: Records[E] }) => projects(reader, body.record),
      check: (reader, { record }, context) =>
        changeRefusal(reader, context.by, entity, record) ??
        nameRefusal(reader, record as R) ??
        kind.check?.(reader, record),
      apply: (_reader, { record }) => applied([makes(entity, record as R)]),
    }),

    set: defineCommand({
      type: `${entity}.set` as const,
      v: 1,
      body: z.object({ target: id, set }) as unknown as z.ZodMiniType<{ target: string; set: Bodies<F> }>,
      projects: (reader, body) => projects(reader, find(reader, body.target)),
      check(reader, body, context) {
        const record = find(reader, body.target) as (R & Record<string, unknown>) | undefined
        if (!record) return problem('gone')
        const changes = changesIn(body.set)
        const next = nextOf(record, body.set)
        const fields = changes.length ? changes.map(([field]) => field) : [undefined]
        return (
          firstProblem([record, next], (one) =>
            firstProblem(fields, (field) => changeRefusal(reader, context.by, entity, one, field)),
          ) ??
          firstProblem(changes, ([field, change]) => {
            const isKnown = !change || isSameValue(record[field], change.from) || isSameValue(record[field], change.to)
            const stored = record[field]
            return isKnown ? undefined : problem('changed-meanwhile', undefined, [{ field, yours: change.to, stored }])
          }) ??
          // What was called alike before may be changed otherwise.
          (kind.called?.(next) === kind.called?.(record) ? undefined : nameRefusal(reader, next)) ??
          kind.check?.(reader, next)
        )
      },
      apply(reader, body, context) {
        const record = must(find(reader, body.target), entity) as R & Record<string, unknown>
        const changes = changesIn(body.set).flatMap(([field, change]): Change[] =>
          change && !isSameValue(record[field], change.to)
            ? [{ entity, id: record.id, field, before: record[field] ?? null, after: change.to }]
            : [],
        )
        return applied([...changes, ...(kind.besides?.(record, nextOf(record, body.set), reader, context) ?? [])])
      },
    }),

    remove: defineCommand({
      type: `${entity}.remove` as const,
      v: 1,
      body: z.object({ target: id, how: kind.removal }) as unknown as z.ZodMiniType<{
        target: string
        how: z.infer<More>
      }>,
      projects: (reader, body) => projects(reader, find(reader, body.target)),
      check: (reader, body, context) =>
        checkHeld(reader, body.target, context) ??
        (isArchived(find(reader, body.target)) ? problem('gone') : undefined) ??
        kind.checkRemoval?.(reader, must(find(reader, body.target), entity), body.how),
      apply: (reader, body, context) =>
        applied(kind.remove(reader, must(find(reader, body.target), entity), body.how, context)),
    }),

    order: defineCommand({
      type: `${entity}.order` as const,
      v: 1,
      /** Before another of them; null: at the end. */
      body: z.object({ target: id, before: z.nullable(id) }) as unknown as z.ZodMiniType<{
        target: string
        before: string | null
      }>,
      projects: (reader, body) => projects(reader, find(reader, body.target)),
      check: (reader, body, context) => checkHeld(reader, body.target, context),
      apply(reader, body) {
        const record = must(find(reader, body.target), entity)
        const others = ([...kind.siblings(reader, record)] as R[])
          .filter((one) => one.id !== record.id)
          .sort((a, b) => (a.rank < b.rank ? -1 : a.rank > b.rank ? 1 : a.id < b.id ? -1 : 1))
        const at = others.findIndex((one) => one.id === body.before)
        const place = at < 0 ? others.length : at
        const last = others[place - 1]?.rank
        // Two that two people put at the same place at once share a rank: there is no key between them.
        const rank = rankBetween(last, others.slice(place).find((one) => last === undefined || one.rank > last)?.rank)
        return applied([{ entity, id: record.id, field: 'rank', before: record.rank, after: rank }])
      },
    }),
  }
}

const isArchived = (record: object | undefined): boolean => !!record && 'archived' in record && !!record.archived

/** Takes a record away for good: only what no history speaks of. */
export const unmade = <E extends EntityName>(entity: E, record: Records[E] & { readonly id: string }): Change => ({
  entity, id: record.id, field: '*', before: record, after: null,
}) // prettier-ignore
