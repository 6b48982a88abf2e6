import type * as z from 'zod/mini'
import type { CommandId, PersonId, ProjectId, ViewId } from '../base/ids'
import type { Instant, PlainDate } from '../base/dates'
import type { Pieces } from '../base/pieces'
import type { Problem, Result } from '../base/result'
import type { Reader } from '../model/reader'
import type { LongText } from '../model/records'
import { personOf, type Actor } from './actor'
import type { Patch } from './patch'

/** Who, when, and what the reader does not hold but was fetched beforehand (`Need`). */
export interface Context {
  readonly command: CommandId
  readonly by: Actor
  readonly now: Instant
  /** The workspace's day. */
  readonly today: PlainDate
  /** In the room numbers are given and stays are held; a browser writes 0 for a number until it hears it. */
  readonly isRoom: boolean
  /** The first of `n` numbers in a row that are free in a project, where more than the project's record says are given away. */
  firstNumber?(project: ProjectId, n: number): number
  /** The entry of a command; undefined where it is not at hand. */
  entryOf(command: CommandId): Entry | undefined
  /** A stored long text; undefined where there is none or (in a browser) where it is not at hand. */
  longText(id: string): LongText | undefined
}

/** The person who makes the change, for what records only people. */
export const personIn = ({ by }: Context): PersonId => personOf(by)

/** What a command speaks of and the reader does not hold. */
export type Need =
  /** Without it nothing can be said: a browser that lacks the entry leaves the command to the server. */
  | { readonly what: 'entry'; readonly command: CommandId }
  /** Held by the server alone: a browser does without. */
  | { readonly what: 'long text'; readonly id: string }

/** What every command carries besides its body. */
export interface Envelope {
  readonly id: CommandId
  readonly type: string
  readonly v: number
  /** The view through which it is done: it is held to what that allows. */
  readonly through?: ViewId | undefined
}

/** A field of a record. */
export interface Place {
  readonly entity: string
  readonly id: string
  readonly field: string
}

/** What a command changes. */
export interface Applied {
  readonly patch: Patch
  /** What a revert left alone, because it no longer holds what was to be undone. */
  readonly leftAlone?: readonly Place[]
  /** The command that a revert undid. */
  readonly of?: CommandId
}
/** What a command has changed, with nothing left alone. */
export const applied = (patch: Patch): Result<Applied, never> => ({ ok: true, value: { patch } })

/** The largest body of a command whose definition says nothing else. */
export const usualBytes = 1 << 20

/** One kind of change: what it looks like, whether it may be done, what it changes. */
export interface CommandDefinition<Type extends string, Body> {
  readonly type: Type
  readonly v: number
  readonly body: z.ZodMiniType<Body>
  /** The largest body that is read; 1 MB where it is not said. */
  readonly mostBytes?: number
  /** Whether it is to go beside all others; where it is not said, one whose body may be larger than usual does. */
  isLarge?(body: Body): boolean
  /** Why someone may do it nowhere: asked before a large body is read. */
  refusedAnywhere?(reader: Reader, by: Actor): Problem | undefined
  /** What has to be fetched before it is judged. */
  needs?(body: Body): Need[]
  /** The projects it speaks of, before it is applied: whoever may not see them is not told whether they exist. */
  projects(reader: Reader, body: Body): ProjectId[]
  /** Why it may not be done; undefined where it may. What holds for every change is said by the laws. */
  check(reader: Reader, body: Body, context: Context): Problem | undefined | Pieces<Problem | undefined>
  /** Pure: the same in browser and server. Called only after `check` found nothing. In pieces where it can be large. */
  apply(reader: Reader, body: Body, context: Context): Result<Applied> | Pieces<Result<Applied>>
}

/** A command’s definition, its type and body taken from what is given. */
export const defineCommand = <Type extends string, Body>(
  definition: CommandDefinition<Type, Body>,
): CommandDefinition<Type, Body> => definition

/** A command that was done: what the log keeps and the feed sends. */
export interface Entry {
  readonly sequence: number
  readonly command: CommandId
  readonly type: string
  readonly v: number
  /** The version of the model that the patch speaks of (`upgrade.ts`). */
  readonly model: number
  readonly by: Actor
  readonly at: Instant
  readonly patch: Patch
  /** Of a revert: the command it undid. */
  readonly of?: CommandId
  readonly leftAlone?: readonly Place[]
}
