import type * as z from 'zod/mini'
import type { CommandId, PersonId, ProjectId } from '../base/ids'
import type { Instant, PlainDate } from '../base/dates'
import type { Problem, Result } from '../base/result'
import type { Reader } from '../model/reader'
import type { LongText } from '../model/records'
import type { Patch } from './patch'

/** Who, when, and what the reader does not hold but the room fetched beforehand. */
export interface Context {
  readonly command: CommandId
  readonly by: PersonId
  readonly now: Instant
  /** The workspace's day. */
  readonly today: PlainDate
  /** True in the room: numbers are given there; a browser writes 0 until it hears them. */
  readonly givesNumbers: boolean
  /** The entry of a command, for `revert`; undefined where it is not at hand. */
  entryOf(command: CommandId): Entry | undefined
  /** A stored long text; undefined where there is none or (in a browser) where it is not at hand. */
  longText(id: string): LongText | undefined
}

/** What every command carries besides its body. */
export interface Envelope {
  readonly id: CommandId
  readonly type: string
  readonly v: number
}

/** One kind of change: what it looks like, whether it may be done, what it changes. */
export interface CommandDefinition<Type extends string, Body> {
  readonly type: Type
  readonly v: number
  readonly body: z.ZodMiniType<Body>
  /** Goes in by set statements, in parts, and is not applied beforehand in the browser. */
  readonly large?: boolean
  /** The largest body that the command's route takes is 1 MB, of a large command 40 MB. */
  check(reader: Reader, body: Body, context: Context): Problem | undefined
  /** Pure: the same in browser and server. Called only after `check` found nothing. */
  apply(reader: Reader, body: Body, context: Context): Result<Patch>
  /** The projects it speaks of, before it is applied. */
  projects(reader: Reader, body: Body): ProjectId[]
}

export const defineCommand = <Type extends string, Body>(
  definition: CommandDefinition<Type, Body>,
): CommandDefinition<Type, Body> => definition

/** A command that was done: what the log keeps and the feed tells. */
export interface Entry {
  readonly sequence: number
  readonly command: CommandId
  readonly type: string
  readonly v: number
  readonly by: PersonId
  readonly at: Instant
  readonly patch: Patch
  /** Of a revert: the command it took back. */
  readonly of?: CommandId
  /** Fields that a revert left alone, because they no longer hold what it was to take back. */
  readonly leftAlone?: readonly { readonly entity: string; readonly id: string; readonly field: string }[]
}
