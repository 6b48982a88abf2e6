import { z } from 'zod'
import type { Entry } from '../change/command'
import type { Problem } from '../base/result'

/** Raised when what crosses the line changes its meaning. */
export const protocol = 1

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
  | { readonly tell: 'ended'; readonly why: 'signed-out' | 'closing' }

/** An answer to a command that was read and judged. */
export type Answer =
  | { readonly entry: Entry }
  | { readonly problem: Problem }
  | { readonly large: { readonly sequence: number; readonly parts: number } }

/** In the log, a large entry is told like in the feed. */
export type LogMessage = Extract<FeedMessage, { tell: 'entry' | 'large' | 'sequence' }>

export const signInBody = z.union([
  z.object({ email: z.string().min(1).max(200), password: z.string().min(1).max(200) }),
  /** In a workspace that is a demo one presses a person. */
  z.object({ person: z.string().max(64) }),
])
export const ownerBody = z.object({
  code: z.string().min(1).max(40),
  name: z.string().trim().min(1).max(120),
  email: z.email().max(200),
  password: z.string().min(10).max(200),
  workspace: z.string().trim().min(1).max(120),
  timeZone: z.string().max(60),
})
/** How far back the log is handed out before the payload is to be taken anew. */
export const longestCatchUp = 2000
/** A patch with more changes than this goes in parts of as many. */
export const changesInPart = 1000
