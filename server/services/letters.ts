import { randomBytes } from 'node:crypto'
import type { Person } from '#core/model/records'
import { addLink } from '../db/accounts'
import type { Clock } from '../clock'
import type { Outbox } from './outbox'
import { hashOf } from './sessions'

/** How long a one-time link lasts. */
const linkHours = 72

/** Somebody who has an address. */
export type Addressed = Person & { readonly email: string }
export const hasAddress = (person: Person): person is Addressed => !!person.email

interface About {
  readonly workspace: { readonly id: string; readonly name: string }
  /** Who asks them in. */
  readonly by: string
  /** In the words of whoever asks. */
  readonly message: string
  /** The project that they are asked into, and where it opens. */
  readonly project: { readonly name: string; readonly path: string } | undefined
}

/** The messages by which people get in, and the links in them. */
export class Letters {
  constructor(
    readonly outbox: Outbox,
    readonly clock: Clock,
    /** Where people reach this server, as it was configured: `https://work.example`. */
    readonly origin: string,
  ) {}

  /** A link with which a person sets a password, once, within three days. */
  async link(workspaceId: string, person: string, takesPlace: boolean): Promise<{ address: string; secret: string }> {
    const secret = randomBytes(32).toString('base64url')
    const made = this.clock.now()
    const until = new Date(Date.parse(made) + linkHours * 3_600_000).toISOString()
    await addLink(this.outbox.db, { id: hashOf(secret), workspaceId, person, made, until }, takesPlace)
    return { address: `${this.origin}/link/${secret}`, secret }
  }

  /** Asks somebody in who has no password yet. Where no mail leaves this machine the link is to be handed over. */
  async invite(person: Addressed, about: About): Promise<{ address: string; isSent: boolean }> {
    const { address, secret } = await this.link(about.workspace.id, person.id, true)
    const text = said(person, about, [
      `Set a password here, and you’re in:\n${address}`,
      `The link works once, within ${linkHours} hours.`,
    ])
    const isSent = await this.#send(about, person, `${about.by} asks you into ${about.project?.name ?? about.workspace.name}`, text, secret) // prettier-ignore
    return { address, isSent }
  }

  /** Tells somebody who has a password where to go. */
  tell(person: Addressed, about: About): Promise<boolean> {
    const text = said(person, about, [`It opens here:\n${this.origin}${about.project?.path ?? '/app'}`])
    return this.#send(about, person, `${about.by} asks you into ${about.project?.name ?? about.workspace.name}`, text)
  }

  /** A way back in for who has forgotten their password: asked for by anyone, it ends no link that somebody was given. */
  async forgotten(person: Addressed, workspace: About['workspace']): Promise<void> {
    const { address, secret } = await this.link(workspace.id, person.id, false)
    const text = [
      `Hello ${person.name},`,
      `somebody, probably you, asked for a new password for ${workspace.name}. Set one here:\n${address}`,
      `The link works once, within ${linkHours} hours. If it wasn’t you, leave it be: your password stays as it is.`,
    ].join('\n\n')
    await this.#send({ workspace }, person, `A new password for ${workspace.name}`, text, secret)
  }

  #send({ workspace }: Pick<About, 'workspace'>, person: Addressed, subject: string, text: string, secret?: string) {
    return this.outbox.send(workspace.id, {
      person: person.id, to: person.email, subject, text: `${text}\n`, ...(secret && { secret }),
    }) // prettier-ignore
  }
}

function said(person: Person, { by, message, workspace, project }: About, rest: readonly string[]): string {
  const where = project ? `the project ${project.name} in ${workspace.name}` : workspace.name
  return [`Hello ${person.name},`, `${by} asks you into ${where}.`, ...(message.trim() ? [message.trim()] : []), ...rest].join('\n\n') // prettier-ignore
}
