/** What crosses the line about accounts: who has one, how people get in, what was sent to them. */
import * as z from 'zod/mini'
import { email, list, text } from '../base/schemas'
import * as ids from '../base/id-schemas'

/** What the server alone knows of a person's account. */
export interface Account {
  /** Their pages hear of changes now. */
  readonly isHere: boolean
  readonly lastSeen: string | null
  readonly hasPassword: boolean
  /** Until when a link that was made for them lets them set a password. */
  readonly linkUntil: string | null
}
/** Of everybody of whom there is something to say, by id; for those who manage people. */
export interface AccountsAnswer {
  readonly people: Readonly<Record<string, Account>>
}

/** Asks some people in: whoever has no password gets a link with which to set one, the others one that opens the project. */
export const invitationBody = z.object({
  people: list(ids.personId, 200, 1),
  message: text(2000),
  project: z.nullable(ids.projectId),
})
/** The links of an invitation, shown once; null: they have a password, and were sent the page's address. */
export interface InvitationsAnswer {
  readonly links: readonly { readonly person: string; readonly address: string | null; readonly isSent: boolean }[]
}

/** A forgotten password is asked for by address. */
export const forgottenBody = z.object({ email })
/** What a one-time link is opened with. */
export const passwordBody = z.object({ password: text(200, 10) })
/** A new password, by whoever knows the old one. */
export const ownPasswordBody = z.object({ old: text(200, 1), password: text(200, 10) })
/** Whose one-time link it is. */
export interface LinkAnswer {
  readonly name: string
  readonly email: string | null
  readonly workspace: string
}

/** One's own session. */
export interface SessionAnswer {
  readonly id: string
  readonly made: string
  readonly lastSeen: string
  readonly isThis: boolean
}

/** A message that was sent, or would be where there is no mail server. Its secret link is not in it. */
export interface SentMessage {
  readonly id: string
  readonly person: string | null
  readonly to: string
  readonly subject: string
  readonly text: string
  readonly made: string
  /** Null: it is in the folder of messages alone. */
  readonly sent: string | null
  readonly trouble: string | null
}
