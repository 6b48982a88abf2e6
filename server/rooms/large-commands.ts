import type { PersonId } from '#core/base/ids'
import { oneByOne } from '#core/base/one-by-one'
import { problem } from '#core/base/result'
import type { Applied } from '#core/change/command'
import { isSetChange, type Change, type Patch } from '#core/change/patch'
import { scopesAhead, type Scopes } from '#core/change/scopes'
import { judgeInPieces, needsOf } from '#core/commands/registry'
import type { Reader } from '#core/model/reader'
import { changesInPart } from '#core/wire/feed'
import { partRowOf, partsOf, type Done } from '../db/batch'
import { asOne, clearParts, DoneBefore, holdOthers, rewritePart, writeLarge, writePart } from '../db/commit'
import type { Tx } from '../db/open'
import { Fetched } from './fetched'
import type { Asked, Head, RoomAnswer } from './head'
import { inTurns } from './in-turns'
import { madeIn, Meanwhile } from './meanwhile'

/** So often one is judged while others go on; where they change what it stands on, they wait for it after that. */
const mostTries = 2

/** How much is done of one when it is judged, and when its parts are written: by the time that they take. */
const [whenJudged, whenWritten] = [0.2, 0.9]

/** A large command that is judged, and of which every part but the last is written. */
interface Prepared {
  readonly applied: Applied
  /** Undefined: whom it is for can be told only once it is applied, so no part is written. */
  readonly scopes: Scopes | undefined
  readonly meanwhile: Meanwhile
}

type Refused = Extract<RoomAnswer, { problem: unknown }>
const isRefused = (prepared: Prepared | Refused | undefined): prepared is Refused => !!prepared && 'problem' in prepared

/**
 * Commands that may be large, one after another, beside all others: judged in pieces, the parts of its entry written
 * before the entry, and its records afterwards. All or nothing: it is done when its entry is in the log.
 */
export class LargeCommands {
  readonly #inTurn = oneByOne()
  /** Those that are not in the log yet. */
  readonly #stops = new Map<string, { readonly by: PersonId; readonly stop: AbortController }>()

  constructor(readonly head: Head) {}

  submit(asked: Asked): Promise<RoomAnswer> {
    const stop = new AbortController()
    const signal = asked.signal ? AbortSignal.any([asked.signal, stop.signal]) : stop.signal
    this.#stops.set(asked.command.id, { by: asked.by, stop })
    return this.#inTurn(() => this.#do({ ...asked, signal })).finally(() => this.#stops.delete(asked.command.id))
  }

  stop(command: string, by: PersonId): boolean {
    const found = this.#stops.get(command)
    if (found?.by !== by) return false
    found.stop.abort()
    return true
  }

  async #do(asked: Asked): Promise<RoomAnswer> {
    const { head } = this
    // Sent again after it was done and undone, it would be judged to be new, and its parts stand already.
    const done = await head.answerOf(asked)
    if (done) return done
    try {
      for (let tries = 1; tries <= mostTries; tries++) {
        const prepared = await this.#prepare(asked)
        await head.written()
        const answer = isRefused(prepared) ? prepared : await head.alone(() => this.#finish(asked, prepared))
        if (answer) return await this.#orBefore(asked, answer)
        await clearParts(head.database.db, head.workspace, asked.command.id)
      }
      return await head.alone(async () => {
        const prepared = await this.#prepare(asked)
        const answer = isRefused(prepared) ? prepared : await this.#finish(asked, prepared)
        return this.#orBefore(asked, answer ?? { problem: problem('unexpected') })
      })
    } catch (error) {
      await clearParts(head.database.db, head.workspace, asked.command.id).catch(() => undefined)
      const before = error instanceof DoneBefore ? await head.answerOf(asked) : undefined
      if (before) return before
      if (asked.signal?.aborted) return { problem: problem('stopped') }
      throw error
    } finally {
      head.meanwhile = undefined
      head.taken.clear()
    }
  }

  /** What is refused may have been done before, and its answer lost on the way. */
  async #orBefore(asked: Asked, answer: RoomAnswer): Promise<RoomAnswer> {
    return 'problem' in answer ? ((await this.head.answerOf(asked)) ?? answer) : answer
  }

  async #prepare(asked: Asked): Promise<Prepared | Refused | undefined> {
    const { head } = this
    const { command, signal } = asked
    const { db } = head.database
    signal?.throwIfAborted()
    asked.progress?.(0)
    const meanwhile = new Meanwhile()
    head.meanwhile = meanwhile
    const fetched = new Fetched(db, head.workspace)
    for (const need of needsOf(command)) await fetched.fetch(need, { withLarge: true })
    const context = {
      ...head.contextOf(asked, head.now(asked), fetched, []),
      firstNumber: (project: string, n: number) => head.takeNumbers(project, n),
    }
    const judged = await inTurns(judgeInPieces(head.state, command, context), signal).catch((error: unknown) => {
      if (signal?.aborted || meanwhile.isQuiet) throw error
      // It found half of what others have done meanwhile.
      return undefined
    })
    if (!judged) return undefined
    if (!judged.ok) return { problem: judged.problem }
    const applied = judged.value
    const parts = partsOf({ entry: applied })
    const scopes = parts ? await inTurns(scopesAhead(head.state, applied.patch), signal) : undefined
    if (scopes) await this.#writeParts(asked, applied.patch, scopes, parts - 1)
    return { applied, scopes, meanwhile }
  }

  /** One is made ready while the database writes the one before. */
  async #writeParts({ command, signal, progress }: Asked, patch: Patch, scopes: Scopes, n: number): Promise<void> {
    const { workspace, database } = this.head
    let writing: Promise<void> = Promise.resolve()
    try {
      for (let part = 0; part < n; part++) {
        signal?.throwIfAborted()
        const next = writePart(database.db, partRowOf(workspace, command.id, part, patch, scopes))
        next.catch(() => undefined)
        await writing
        writing = next
        progress?.(whenJudged + (whenWritten - whenJudged) * (part / n))
      }
      await writing
    } finally {
      await writing.catch(() => undefined)
    }
  }

  /** For whoever is alone. Undefined: what it stands on was changed meanwhile, so that it is to be judged anew. */
  async #finish(asked: Asked, prepared: Prepared | undefined): Promise<RoomAnswer | undefined> {
    if (!prepared) return undefined
    const { head } = this
    return head.settled(async () => {
      await head.finishBehind()
      asked.signal?.throwIfAborted()
      const done = prepared.scopes ? await this.#storeLarge(asked, prepared) : await this.#storeSmall(asked, prepared)
      return done && answerTo(done)
    })
  }

  async #storeSmall(asked: Asked, { applied, meanwhile }: Prepared): Promise<Done | undefined> {
    const { head } = this
    if (await inTurns(meanwhile.clashesWith(applied.patch, head.state))) return undefined
    const { patch } = numberedAnew(applied.patch, meanwhile, head.state)
    const done = head.apply(asked, { ...applied, patch }, head.now(asked))
    await head.store([done])
    return done
  }

  async #storeLarge(asked: Asked, prepared: Prepared): Promise<Done | undefined> {
    const { head } = this
    const done = await asOne(head.database.db, async (tx) => {
      if (head.database.isShared) {
        await holdOthers(tx, head.workspace)
        await head.takeIn(tx)
      }
      return this.#write(tx, asked, prepared)
    }).catch((error: unknown) => {
      if (error instanceof NotAsJudged) return undefined
      throw error
    })
    if (!done) return undefined
    await head.moveTo(done.entry)
    head.startBehind(done.entry)
    head.tell(done, partsOf(done))
    return done
  }

  async #write(tx: Tx, asked: Asked, { applied, scopes = [], meanwhile }: Prepared): Promise<Done> {
    const { head } = this
    if (await inTurns(meanwhile.clashesWith(applied.patch, head.state))) throw new NotAsJudged()
    const { patch, moved } = numberedAnew(applied.patch, meanwhile, head.state)
    const done: Done = { entry: head.entryOf(asked, { ...applied, patch }, head.now(asked)), scopes, body: {} }
    const parts = partsOf(done)
    const rowOf = (part: number) => partRowOf(head.workspace, asked.command.id, part, patch, scopes)
    for (const part of moved) if (part < parts - 1) await rewritePart(tx, rowOf(part))
    if (!(await writeLarge(tx, head.commitTo(head.at), done, rowOf(parts - 1), parts))) throw new NotAsJudged()
    return done
  }
}

/** What it stands on was changed, or what was written of it beforehand. */
class NotAsJudged extends Error {}

function answerTo(done: Done): RoomAnswer {
  const parts = partsOf(done)
  return parts ? { large: { sequence: done.entry.sequence, parts } } : { done }
}

/**
 * With the next number as it is by now. Items whose numbers another server has given away get others; `moved`: the parts
 * that they are in.
 */
function numberedAnew(patch: Patch, meanwhile: Meanwhile, reader: Reader): { patch: Patch; moved: Set<number> } {
  const next = new Map<string, number>()
  for (const change of patch)
    if (isNextNumber(change)) next.set(change.id, Math.max(nextNumberOf(reader, change.id), Number(change.after)))
  const moved = new Set<number>()
  const numbered = patch.map((change, i) => {
    const made = madeIn(change)
    if (!made || !meanwhile.hasTaken(made)) return change
    const number = next.get(made.project) ?? nextNumberOf(reader, made.project)
    next.set(made.project, number + 1)
    moved.add(Math.floor(i / changesInPart))
    return { ...change, after: { ...made, number } } as Change
  })
  const withNext = numbered.map((change) =>
    isNextNumber(change) ? { ...change, before: nextNumberOf(reader, change.id), after: next.get(change.id) } : change,
  )
  return { patch: withNext, moved }
}

const nextNumberOf = (reader: Reader, project: string): number => reader.maybe('project', project)?.nextNumber ?? 1
const isNextNumber = (change: Change): change is Exclude<Change, { added: readonly string[] }> =>
  change.entity === 'project' && change.field === 'nextNumber' && !isSetChange(change)
