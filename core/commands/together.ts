import * as z from 'zod/mini'
import { list, text, whole } from '../base/schemas'
import type { CommandId } from '../base/ids'
import { comesTo, type Pieces } from '../base/pieces'
import { fail, ok, problem, type Problem, type Result } from '../base/result'
import { defineCommand, type Applied, type CommandDefinition, type Context } from '../change/command'
import { isSetChange, type Change } from '../change/patch'
import type { Reader } from '../model/reader'

/** A command that is done with others: all that a command is but its id; sent with its version. */
export interface Part {
  readonly type: string
  readonly v?: number | undefined
}
type Find = (type: string) => CommandDefinition<string, unknown> | undefined
const head = z.looseObject({ type: text(40), v: whole() })

/** Done by themselves alone: what they need or how large they are is theirs. */
const alone: ReadonlySet<string> = new Set(['together', 'revert', 'bring-in', 'projects.create'])

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
      const touched = new Set<string>()
      for (const [i, one] of body.commands.entries()) {
        const applied = yield* comesTo(definitionOf(one)?.apply(reader, one, within(context, i)) ?? unknown)
        if (!applied.ok) return applied
        const places = placesOf(applied.value.patch)
        if (places.some((place) => touched.has(place))) return fail(problem('unreadable', { where: 'two of the same' }))
        for (const place of places) touched.add(place)
        patch.push(...applied.value.patch)
      }
      return ok({ patch })
    },
  })
}
const unknown = fail(problem('unreadable', { where: 'type' }))

/** What a patch touches: a record's field, or all of it where it is made, unmade or an item, which is stamped as a whole. */
function placesOf(patch: readonly Change[]): string[] {
  const places = new Set<string>()
  for (const change of patch) {
    const record = `${change.entity} ${change.id}`
    const isWhole = change.entity === 'item' || (!isSetChange(change) && change.field === '*')
    places.add(isWhole ? record : `${record} ${change.field}`)
  }
  return [...places]
}
