import * as z from 'zod/mini'
import { text, whole } from '../base/schemas'
import { commandId, viewId } from '../base/id-schemas'
import type { CommandId } from '../base/ids'
import { comesTo, inOnePiece, type Pieces } from '../base/pieces'
import { fail, ok, problem, type Result } from '../base/result'
import { columns } from '../board/column-commands'
import { holdStatus } from '../board/hold'
import { overruleLimit } from '../board/overrule'
import { setLimit } from '../board/set-limit'
import { bringIn } from '../bring-in/command'
import { usualBytes, type Applied, type CommandDefinition, type Context, type Envelope } from '../change/command'
import { addItems } from '../items/add'
import { archiveItems } from '../items/archive'
import { deleteItems } from '../items/delete'
import { moveItems } from '../items/move'
import { nestItems } from '../items/nest'
import { noteMove } from '../items/note'
import { setValues } from '../items/set'
import { setAll } from '../items/set-all'
import { setText } from '../items/text'
import type { Reader } from '../model/reader'
import { addPeople } from '../people/add'
import { members, people } from '../people/commands'
import { daysOff, workspaces } from '../people/working-time'
import { prefer } from '../people/prefer'
import { projects } from '../projects/commands'
import { deleteProject } from '../projects/delete'
import { createProject } from '../projects/create'
import { fields } from '../projects/set-up/fields'
import { followWorkflow } from '../projects/set-up/follow'
import { kinds } from '../projects/set-up/kinds'
import { makeField } from '../projects/set-up/new-field'
import { retypeField } from '../projects/set-up/retype'
import { addStatus } from '../projects/set-up/new-status'
import { options } from '../projects/set-up/options'
import { statuses, steps } from '../projects/set-up/statuses'
import { deleteView, views } from '../saved-views/commands'
import { setLook } from '../saved-views/set-look'
import { brokenLaw } from './laws'
import { revert } from './revert'
import { togetherOf } from './together'

const several = togetherOf((type) => definitionOf(type))

/** Every command there is. */
const definitions = [
  addItems, setValues, setAll, moveItems, nestItems, archiveItems, deleteItems, setText, noteMove, addPeople, people.set, people.remove, daysOff.add, daysOff.set, daysOff.remove, workspaces.set, prefer, members.set, members.remove, createProject,
  projects.set, projects.remove, projects.order, deleteProject, setLimit, overruleLimit,
  views.add, views.set, views.remove, views.order, deleteView, setLook,
  makeField, retypeField, fields.add, fields.set, fields.remove, fields.order, options.add, options.set, options.remove, options.order,
  kinds.add, kinds.set, kinds.remove, kinds.order, followWorkflow, statuses.add, statuses.set, statuses.remove, statuses.order,
  steps.add, steps.set, steps.remove, steps.order, addStatus,
  columns.add, columns.set, columns.remove, columns.order, holdStatus,
  bringIn, several, revert,
] as const // prettier-ignore

type Definition = (typeof definitions)[number]
type CommandOf<D> =
  D extends CommandDefinition<infer Type, infer Body> ? Envelope & { readonly type: Type } & Readonly<Body> : never
/** The closed union of all commands, as they are sent. */
export type Command = CommandOf<Definition>
/** The type of a command: `items.set`. */
export type CommandType = Command['type']

type WithoutHead<C> = C extends Command ? Omit<C, 'id' | 'v'> : never
/** What a command is besides its id and version. */
export type BareCommand = WithoutHead<Command>
/** A command of today's version. */
export const commandOf = (id: CommandId, bare: BareCommand): Command =>
  ({
    id,
    ...ofToday(bare),
    ...(bare.type === 'together' && { commands: bare.commands.map(ofToday) }),
  }) as Command
const ofToday = <T extends { readonly type: string }>(bare: T) => ({ v: definitionOf(bare.type)?.v, ...bare })

const byType = new Map<string, Definition>(definitions.map((definition) => [definition.type, definition]))
/** The types of all commands. */
export const commandTypes: readonly CommandType[] = definitions.map((definition) => definition.type)

/** The definition with its body type widened; a command's type has chosen it, so the body is of its kind. */
export function definitionOf(type: string): CommandDefinition<string, unknown> | undefined {
  return byType.get(type) as CommandDefinition<string, unknown> | undefined
}

const envelope = z.object({ id: commandId, type: text(40), v: whole(), through: z.optional(viewId) })

/** Reads a command from what came over the network. */
export function parseCommand(input: unknown): Result<Command> {
  const head = envelope.safeParse(input)
  const definition = head.success ? definitionOf(head.data.type) : undefined
  if (!head.success || definition?.v !== head.data.v) return fail(problem('unreadable', { where: 'type' }))
  const body = definition.body.safeParse(input)
  if (!body.success) return fail(problem('unreadable', { where: body.error.issues[0]?.path.join('.') || 'body' }))
  return ok({ ...(body.data as object), ...head.data } as Command)
}

/** Whether a command may be done now, and what it changes: its own check, then apply, then the laws on what it changes. */
export const judge = (reader: Reader, command: Command, context: Context): Result<Applied> =>
  inOnePiece(judgeInPieces(reader, command, context))

/**
 * The same, giving way: others may change meanwhile what is read. Whoever runs it looks afterwards whether that was
 * anything that the outcome stands on.
 */
export function* judgeInPieces(reader: Reader, command: Command, context: Context): Pieces<Result<Applied>> {
  const definition = definitionOf(command.type)
  if (!definition) return fail(problem('unreadable', { where: 'type' }))
  const refused = yield* comesTo(definition.check(reader, command, context))
  if (refused) return fail(refused)
  const applied = yield* comesTo(definition.apply(reader, command, context))
  const broken = applied.ok ? yield* brokenLaw(reader, applied.value.patch, command, context) : undefined
  return broken ? fail(broken) : applied
}

/** What has to be fetched before a command is judged. */
export const needsOf = (command: Command) => definitionOf(command.type)?.needs?.(command) ?? []

/** The largest body that a command of a type may have, in bytes. */
export const mostBytesOf = (type: string): number => definitionOf(type)?.mostBytes ?? usualBytes

/** Whether a command goes beside all others. */
export const isLarge = (command: Command): boolean =>
  definitionOf(command.type)?.isLarge?.(command) ?? mostBytesOf(command.type) > usualBytes
