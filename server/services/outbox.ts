import { createWriteStream, mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { createTransport, type Transport, type Transporter } from 'nodemailer'
import { v7 } from 'uuid'
import type { PersonId } from '#core/base/ids'
import type { Clock } from '../clock'
import { addMessage, settleMessage } from '../db/accounts'
import type { Db } from '../db/open'

/** A message to somebody. */
export interface Letter {
  readonly person: PersonId
  readonly to: string
  readonly subject: string
  readonly text: string
  /** What of the text is for the one who gets it alone: it is in the message, and nowhere else. */
  readonly secret?: string
}

/** Writes each message as an `.eml` file that any mail program opens. */
const intoFolder = (folder: string): Transport<string> => ({
  name: 'folder',
  version: '1',
  send(mail, done) {
    const [at, id] = [new Date(mail.data.date ?? 0).toISOString(), String(mail.data.messageId)]
    const file = join(folder, `${at.replace(/[:.]/g, '-')} ${id.slice(1, 37)}.eml`)
    mkdirSync(folder, { recursive: true, mode: 0o700 })
    pipeline(mail.message.createReadStream(), createWriteStream(file, { mode: 0o600 })).then(
      () => done(null, file),
      done,
    )
  },
})

/** How long a mail server may be silent, in ms. */
const patience = { connectionTimeout: 10_000, greetingTimeout: 10_000, socketTimeout: 30_000 }

/** What is sent to people: kept as a file and in a list that owners see, and sent where there is a mail server. */
export class Outbox {
  readonly #folder: Transporter<string>
  readonly #server: Transporter | undefined
  readonly #from: string

  constructor(
    readonly db: Db,
    readonly clock: Clock,
    folder: string,
    env: NodeJS.ProcessEnv,
  ) {
    this.#from = env.WRENLEAF_MAIL_FROM || 'Wrenleaf <wrenleaf@localhost>'
    this.#folder = createTransport(intoFolder(folder))
    this.#server = env.WRENLEAF_SMTP ? createTransport({ url: env.WRENLEAF_SMTP, ...patience }) : undefined
  }

  /** Keeps a message, and sends it beside where there is a mail server: nobody waits for that. Gives whether there is one. */
  async send(workspaceId: string, letter: Letter): Promise<boolean> {
    const id = v7()
    const made = this.clock.now()
    const { person, to, subject, secret } = letter
    const mail = {
      from: this.#from,
      to,
      subject,
      text: letter.text,
      date: new Date(made),
      messageId: `<${id}@wrenleaf>`,
    }
    const text = secret ? letter.text.replaceAll(secret, '…') : letter.text
    await this.#folder.sendMail(mail)
    await addMessage(this.db, { id, workspaceId, person, to, subject, text, made, sent: null, trouble: null })
    const server = this.#server
    if (!server) return false
    void server
      .sendMail(mail)
      .then(
        () => settleMessage(this.db, id, { sent: this.clock.now() }),
        (error: unknown) => settleMessage(this.db, id, { trouble: error instanceof Error ? error.message.slice(0, 300) : 'unknown' }),
      )
      .catch((error: unknown) => console.error('outbox:', error)) // prettier-ignore
    return true
  }
}
