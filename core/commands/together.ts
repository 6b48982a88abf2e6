import * as z from 'zod/mini'
import { list, text, whole } from '../base/schemas'
import type { CommandId } from '../base/ids'
import { comesTo, type Pieces } from '../base/pieces'
import { fail, ok, problem, type Problem, type Result } from '../base/result'
import { defineCommand, type Applied, type CommandDefinition, type Context } from '../change/command'
import { isSameValue } from '../base/sorted-ids'
import type { Change } from '../change/patch'
import type { Reader } from '../model/reader'

/** A command that is done with others: all that a command is but its id; sent with its version. */
export interface Part {
  readonly type: string
  readonly v?: number | undefined
}
type Find = (type: string) => CommandDefinition<string, unknown> | undefined
const head = z.looseObject({ type: text(40), v: whole() })

/** Done by themselves alone: what they need or how large they are is theirs. */
const alone: ReadonlySet<string> = new Set([
  'together',
  'revert',
  'bring-in',
  'projects.create',
  'projects.delete',
  'items.delete',
])

/**
 * Several commands as one: all of them or none, undone by one undo. Each is judged on what stands before any of them, so no
 * two may change the same.
 */
export const togetherOf = (find: Find) => {
  const definitionOf = ({ type, v }: Part) => {
    const definition = alone.has(type) ? undefined : find(type)
    return definition?.v === v ? definition : undefined
  }
  const part = z.pipe(
    head,
    z.transform((input, context): Part => {
      const body = definitionOf(input)?.body.safeParse(input)
      if (body?.success) return { ...(body.data as object), type: input.type, v: input.v }
      context.issues.push({ code: 'custom', message: 'no command', input })
      return z.NEVER
    }),
  )
  const parts = <T>(body: { commands: readonly Part[] }, of: (definition: CommandDefinition<string, unknown>, one: Part) => T[]) =>
    body.commands.flatMap((one) => {
      const definition = definitionOf(one)
      return definition ? of(definition, one) : []
    }) // prettier-ignore
  /** Stays that they open have ids by the command. */
  const within = (context: Context, i: number): Context => ({ ...context, command: `${context.command}.${i}` as CommandId }) // prettier-ignore

  return defineCommand({
    type: 'together',
    v: 1,
    body: z.object({ commands: list(part, 200, 1) }) as unknown as z.ZodMiniType<{ commands: readonly Part[] }>,
    needs: (body) => parts(body, (definition, one) => definition.needs?.(one) ?? []),
    projects: (reader, body) => [...new Set(parts(body, (definition, one) => definition.projects(reader, one)))],
    *check(reader: Reader, body, context): Pieces<Problem | undefined> {
      for (const [i, one] of body.commands.entries()) {
        const definition = definitionOf(one)
        if (!definition) return problem('unreadable', { where: one.type })
        const refused = yield* comesTo(definition.check(reader, one, within(context, i)))
        if (refused) return refused
      }
      return undefined
    },
    *apply(reader: Reader, body, context): Pieces<Result<Applied>> {
      const patch: Change[] = []
      const touched = new Touched()
      for (const [i, one] of body.commands.entries()) {
        const applied = yield* comesTo(definitionOf(one)?.apply(reader, one, within(context, i)) ?? unknown)
        if (!applied.ok) return applied
        const fresh = touched.add(applied.value.patch)
        if (!fresh) return fail(problem('same-twice'))
        patch.push(...fresh)
      }
      return ok({ patch })
    },
  })
}
const unknown = fail(problem('unreadable', { where: 'type' }))

/** What patches touch that are done together: of a record each field once, or all of it where it is made or unmade. */
class Touched {
  readonly #fields = new Map<string, Map<string, Change>>()

  /** The changes of one more patch, without those that are made already: an item is stamped once. Undefined: they clash. */
  add(patch: readonly Change[]): Change[] | undefined {
    const fresh: Change[] = []
    const added: [Map<string, Change>, Change][] = []
    for (const change of patch) {
      const record = `${change.entity} ${change.id}`
      const fields = this.#fields.get(record) ?? new Map<string, Change>()
      this.#fields.set(record, fields)
      const same = fields.get(change.field)
      if (same && stamped.has(change.field) && change.entity === 'item' && isSameValue(same, change)) continue
      if (same || fields.has('*') || (change.field === '*' && fields.size)) return undefined
      fresh.push(change)
      added.push([fields, change])
    }
    // Within one patch a record may be made and changed at once.
    for (const [fields, change] of added) fields.set(change.field, change)
    return fresh
  }
}
const stamped: ReadonlySet<string> = new Set(['changed', 'changedBy'])
