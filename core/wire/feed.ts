import * as z from 'zod/mini'
import { email, name, text } from '../base/schemas'
import type { Entry } from '../change/command'
import type { Problem } from '../base/result'

/** Raised when what crosses the line changes its meaning. */
export const protocol = 2

/** What the feed tells. `sequence` alone: an entry that this person may not see. */
export type FeedMessage =
  | {
      readonly tell: 'hello'
      readonly build: string
      readonly protocol: number
      readonly now: string
      readonly sequence: number
    }
  | { readonly tell: 'entry'; readonly entry: Entry }
  | { readonly tell: 'large'; readonly sequence: number; readonly parts: number }
  | { readonly tell: 'sequence'; readonly n: number }
  /** To whoever sent a large command: how much of it is done, 0 to 1. */
  | { readonly tell: 'progress'; readonly command: string; readonly share: number }
  | { readonly tell: 'ended'; readonly why: 'signed-out' | 'removed' | 'closing' }

/** An answer to a command that was read and judged. */
export type Answer =
  | { readonly entry: Entry }
  | { readonly problem: Problem }
  | { readonly large: { readonly sequence: number; readonly parts: number } }

/** In the log, a large entry reads as in the feed. */
export type LogMessage = Extract<FeedMessage, { tell: 'entry' | 'large' | 'sequence' }>

/** What signs somebody in: an address and a password or, in the demo, a person. */
export const signInBody = z.union([
  z.object({ email: text(200, 1), password: text(200, 1) }),
  /** In a workspace that is a demo one presses a person. */
  z.object({ person: text(64) }),
])
/** What makes the owner’s account by the code that the first start prints. */
export const ownerBody = z.object({
  code: text(40, 1),
  name: name,
  email: email,
  password: text(200, 10),
  workspace: name,
  timeZone: text(60),
})
/** How far back the log is handed out before the payload is to be taken again. */
export const longestCatchUp = 2000
/** A patch with more changes than this goes in parts of as many. */
export const changesInPart = 1000
