import { dateIn, type PlainDate } from '#core/base/dates'
import type { CommandId, PersonId } from '#core/base/ids'
import { isSameValue } from '#core/base/sorted-ids'
import { ok, problem, type Problem, type Result } from '#core/base/result'
import { judge, needsOf, type Command } from '#core/commands/registry'
import { personActor } from '#core/change/actor'
import type { Entry, Place } from '#core/change/command'
import { bringWhereNeeded } from '#core/worked-out/bring'
import { isSetChange, mostChangesAtOnce, type Patch } from '#core/change/patch'
import { ReplicaState, type EntryBook } from '#core/change/replica-state'
import { nameOf } from '#core/items/history'
import type { Item, Records } from '#core/model/records'
import type { State } from '#core/model/state'
import { ChangeSet } from '#core/queries/change-set'
import type { QueryContext } from '#core/queries/contract'
import { directoryEntities } from '#core/wire/directory'
import { protocol, type Answer, type FeedMessage, type LogMessage } from '#core/wire/feed'
import { fetchSearch } from '#core/queries/search'
import { fetchEffects } from '#core/queries/set-up'
import { fetchLanguage } from '#core/queries/typed-words'
import { readPayload } from '#core/wire/payload'
import { LinkDown, Refused, type ServerLink } from './server-link'
import type { PendingBox } from './pending-box'

export type LinkState = 'opening' | 'up' | 'down' | 'signed-out' | 'outdated'
export interface Standing {
  readonly link: LinkState
  /** Commands not answered yet. */
  readonly pending: number
  /** How far the opening is, 0 to 1. */
  readonly progress: number
  /** The large command that the server is doing, and how much of it is done, 0 to 1. */
  readonly large?: { readonly command: string; readonly share: number } | undefined
}

/** The last word on a command. `leftAlone`: what a revert could not undo, as it has been changed since. */
export type Settled =
  { readonly done: true; readonly of: string; readonly leftAlone?: readonly Place[] } | { readonly problem: Problem }

/** What a replica tells whoever holds it. */
export interface ReplicaListener {
  changed(changed: ChangeSet): void
  standing(standing: Standing): void
}

export interface ReplicaPorts {
  readonly link: ServerLink
  readonly box: PendingBox
  readonly build: string
  /** Milliseconds. */
  now(): number
  wait(ms: number): Promise<void>
}

/** Where items stood at the end of a day: those that have moved since. */
interface Past {
  /** What had been taken in when it was asked for; what moves later is asked for again. */
  readonly sequence: number
  readonly statuses: Readonly<Record<string, string>>
}

const longestWaitMs = 4000
/** This long after opening the titles' order is begun, the first view is shown by then; and anew where one changed meanwhile. */
const calmMs = 1000
/** For so long after a page asked for rows, what is only worked out beforehand gives way: it may be scrolling. */
const givesWayMs = 300
/** For so long after it was said the server's day is taken as it is. */
const serversDaySeconds = 10

/**
 * A member's copy of the workspace: opens it, applies commands beforehand, sends them in order, hears the feed, and
 * catches up by itself after the line was cut.
 */
export class Replica implements QueryContext {
  me = '' as PersonId
  sequence = 0
  #state: ReplicaState<Command>
  #standing: Standing = { link: 'opening', pending: 0, progress: 0 }
  #clockOffset = 0
  #touched = new ChangeSet()
  /** Entries that came before their turn. */
  readonly #early = new Map<number, LogMessage>()
  /** Items of a project are newer than the directory until the log has passed this. */
  readonly #projectSequence = new Map<string, number>()
  /** Statuses of the past, as the server sent them, by project, days and day. */
  readonly #past = new Map<string, Past>()
  readonly #settling = new Map<string, { promise: Promise<Settled>; settle: (settled: Settled) => void }>()
  #isSending = false
  #isCatchingUp = false
  readonly #stop = new AbortController()

  constructor(
    readonly ports: ReplicaPorts,
    readonly listener: ReplicaListener,
  ) {
    this.#state = this.#newState()
  }

  get state(): State {
    return this.#state.state
  }
  get standing(): Standing {
    return this.#standing
  }
  now = (): string => new Date(this.ports.now() + this.#clockOffset).toISOString()
  /**
   * Asked for every row: worked out once a second. While the replica opens it is the server's word, because the first
   * date that a browser works out in a time zone costs it some 40 ms.
   */
  today = (): PlainDate => {
    const second = Math.floor((this.ports.now() + this.#clockOffset) / 1000)
    if (this.#day.until < second)
      this.#day = { until: second, day: dateIn(this.state.workspace().timeZone, this.now()) }
    return this.#day.day
  }
  #day = { until: 0, day: '1970-01-01' as PlainDate }

  /** Stays are the server's: what it has not sent yet is asked for, and views are recomputed when it comes. */
  past = (daysAgo: number, item: string): string | undefined => {
    const project = this.state.placeOf(item)?.table.project
    if (!project) return undefined
    const key = `${project} ${daysAgo} ${this.today()}`
    const known = this.#past.get(key)
    const status = known?.statuses[item]
    if (status === undefined && (known?.sequence ?? -1) < this.sequence) void this.#fetchPast(key, project, daysAgo)
    return status
  }

  async #fetchPast(key: string, project: string, daysAgo: number): Promise<void> {
    const { sequence } = this
    // Asked for once, however many items ask.
    this.#past.set(key, { sequence, statuses: this.#past.get(key)?.statuses ?? {} })
    try {
      const past = await this.#retrying(() => this.ports.link.past(project, daysAgo))
      this.#past.set(key, { sequence: Math.max(sequence, past.sequence), statuses: past.statuses })
      this.#tellAll()
    } catch (error) {
      if (!(error instanceof Refused)) throw error
    }
  }

  /** Opens, and goes on hearing until it is ended. Resolves once everything stands. */
  async open(): Promise<void> {
    const kept = this.ports.box.all()
    await this.#retrying(() => this.#fetchAll())
    for (const command of await kept) {
      this.#promise(command.id)
      this.#state.restore(command)
    }
    this.#tellAll()
    void this.#listen()
    void this.#sendPending()
  }

  end(): void {
    this.#stop.abort()
  }

  /** Applies beforehand and keeps for sending. A problem: it cannot be done, nothing was kept. */
  add(command: Command): Result<{ name: string }> {
    const patch = this.#state.add(command)
    if (!patch.ok) return patch
    this.#promise(command.id)
    // The pages hear of it first. What is answered before it is kept need not be kept any more.
    this.#flush()
    const name = nameOf(this.state, command.type, patch.value)
    void this.ports.box.keep(command)
    void this.#sendPending()
    this.#stand({})
    return ok({ name })
  }

  /** The last word on a command that was added or restored here. */
  settled(command: string): Promise<Settled> {
    return this.#settling.get(command)?.promise ?? Promise.resolve({ problem: problem('nothing-to-undo') })
  }

  async signOut(): Promise<void> {
    await this.ports.link.signOut()
    await this.ports.box.wipe()
    this.#stand({ link: 'signed-out' })
    this.end()
  }

  /** The workspace's day may have changed. */
  newDay(): void {
    this.#touched.all = true
    this.#flush()
  }

  #newState(): ReplicaState<Command> {
    return new ReplicaState<Command>(
      (state, command, entries) => this.#judge(state, command, entries),
      (patch) => this.#touched.add(patch),
    )
  }

  /** What a command changes beforehand: nothing where the server alone can say, or where it is so much that it comes in parts. */
  #judge(state: State, command: Command, entries: EntryBook): Result<Patch> {
    const lacksEntry = needsOf(command).some((need) => need.what === 'entry' && !entries.entryOf(need.command))
    if (lacksEntry || this.#large.has(command.id)) return ok([])
    const judged = judge(state, command, {
      command: command.id, by: personActor(this.me), now: this.now(), today: this.today(), isRoom: false,
      entryOf: (id) => entries.entryOf(id), longText: () => undefined,
    }) // prettier-ignore
    if (!judged.ok) return judged
    const { patch } = judged.value
    if (patch.length <= mostChangesAtOnce) return ok(patch)
    this.#large.add(command.id)
    return ok([])
  }
  /** Commands that were found to change very much: they are not judged again. */
  readonly #large = new Set<CommandId>()

  async #fetchAll(): Promise<void> {
    const directory = await this.ports.link.directory()
    if (directory.build !== this.ports.build) return this.#stand({ link: 'outdated' })
    this.me = directory.me
    this.#setClock(directory.now)
    this.#day = { until: Math.floor(Date.parse(directory.now) / 1000) + serversDaySeconds, day: directory.today }
    const projects = directory.records.project
    const shares = projects.map(() => 0)
    const opened = (i: number, share: number) => {
      shares[i] = share
      this.#stand({ progress: shares.reduce((sum, one) => sum + one, 0) / projects.length })
    }
    const payloads = await Promise.all(
      projects.map(async (project, i) => {
        const payload = await this.ports.link.items(project.id, (share) => opened(i, share))
        opened(i, 1)
        return payload
      }),
    )
    // Everything is here: only now does it take the place of what stood, so that a cut meanwhile loses nothing.
    const pending = this.#state.pending
    this.#state = this.#newState()
    this.#projectSequence.clear()
    for (const entity of directoryEntities)
      for (const record of directory.records[entity])
        this.state.put(entity, record.id, record as Records[typeof entity])
    for (const [i, payload] of payloads.entries()) {
      const project = projects[i]
      if (!project) continue
      readPayload(this.state, payload)
      this.#projectSequence.set(project.id, payload.sequence)
    }
    this.sequence = directory.sequence
    for (const command of pending) {
      // What was answered before is in what was just fetched.
      if (this.#answered.has(command.id)) this.#settle(command.id, { done: true, of: command.id })
      else this.#state.restore(command)
    }
    void this.#prepare(this.state)
  }

  #lastLooked = 0
  /** A page looks at other rows. */
  looked(): void {
    this.#lastLooked = this.ports.now()
  }

  /** The order of titles, which the first view sorted by them would wait for: worked out a few ms at a time. */
  async #prepare(state: State): Promise<void> {
    // Where it does not come now, whoever asks fetches it.
    for (const fetch of [fetchLanguage, fetchSearch, fetchEffects]) void fetch().catch(() => undefined)
    for (const project of [...state.all('project')]) {
      const { ordering } = state.table(project.id).title
      while (!ordering.isKnown) {
        await this.ports.wait(calmMs)
        for (const steps = ordering.prepare(); !steps.next().done;) {
          const isLookedAt = this.ports.now() < this.#lastLooked + givesWayMs
          await this.ports.wait(isLookedAt ? givesWayMs : 0)
          if (this.#stop.signal.aborted || state !== this.state) return
        }
      }
    }
  }

  /** Hears the feed; after a cut tries again, soon at first and then every few seconds. */
  async #listen(): Promise<void> {
    for (let wait = 250; !this.#stop.signal.aborted; wait = Math.min(longestWaitMs, wait * 2)) {
      try {
        await this.ports.link.feed((message) => {
          wait = 250
          this.#receive(message)
        }, this.#stop.signal)
      } catch (error) {
        if (this.#isSignedOut(error)) return
        if (!(error instanceof LinkDown)) throw error
      }
      if (this.#stop.signal.aborted || this.#standing.link === 'signed-out' || this.#standing.link === 'outdated')
        return
      this.#stand({ link: 'down' })
      await this.ports.wait(wait)
    }
  }

  #receive(message: FeedMessage): void {
    switch (message.tell) {
      case 'hello':
        if (message.build !== this.ports.build || message.protocol !== protocol)
          return this.#stand({ link: 'outdated' })
        this.#setClock(message.now)
        if (message.sequence > this.sequence) void this.#catchUp()
        else this.#stand({ link: 'up' })
        void this.#sendPending()
        return
      case 'ended':
        if (message.why === 'closing') return
        // What someone has not sent who may not send any more is nobody's to keep.
        if (message.why === 'removed') void this.ports.box.wipe()
        this.#stand({ link: 'signed-out' })
        this.end()
        return
      case 'progress':
        // Whichever tab or browser sent it.
        if (this.#isPending(message.command)) this.#stand({ large: { command: message.command, share: message.share } })
        return
      default:
        this.#take(message)
    }
  }

  /** Takes an entry in its turn; one that came early waits, and what is missing is fetched. */
  #take(message: LogMessage): void {
    const sequence = sequenceOf(message)
    if (sequence <= this.sequence) return
    this.#early.set(sequence, message)
    if (!this.#early.has(this.sequence + 1)) {
      void this.ports.wait(200).then(() => (this.#early.has(sequence) ? this.#catchUp() : undefined))
      return
    }
    void this.#takeEarly()
  }

  #isTaking = false
  /** Takes what has come, in order. Parts of a large entry take time to fetch: whoever comes meanwhile waits. */
  async #takeEarly(): Promise<void> {
    if (this.#isTaking) return
    this.#isTaking = true
    try {
      for (let next = this.#early.get(this.sequence + 1); next; next = this.#early.get(this.sequence + 1)) {
        const entry =
          next.tell === 'entry' ? next.entry : next.tell === 'large' ? await this.#fetchLarge(next) : undefined
        this.#early.delete(sequenceOf(next))
        this.sequence = sequenceOf(next)
        if (entry) this.#confirm(entry)
      }
    } finally {
      this.#isTaking = false
    }
    for (const sequence of this.#early.keys()) if (sequence <= this.sequence) this.#early.delete(sequence)
    this.#flush()
  }

  #fetchLarge({ sequence, parts }: Extract<LogMessage, { tell: 'large' }>): Promise<Entry | undefined> {
    return this.#retrying(async () => {
      const entries: Entry[] = []
      for (let part = 0; part < parts; part++) entries.push(await this.ports.link.part(sequence, part))
      return entries[0] && { ...entries[0], patch: entries.flatMap((entry) => entry.patch) }
    })
  }

  #confirm(entry: Entry): void {
    const isMine = this.#settling.has(entry.command)
    this.#state.confirm(entry, isMine, this.#newerThanHeld(entry))
    const { command, leftAlone } = entry
    if (isMine) this.#settle(command, { done: true, of: command, ...(leftAlone && { leftAlone }) })
    if (this.#changesMyAccess(entry)) void this.#reopen()
  }

  /** While opening, a project's items may already be beyond an entry. */
  #newerThanHeld({ patch, sequence }: Entry): Patch {
    if (![...this.#projectSequence.values()].some((held) => held >= sequence)) return patch
    return patch.filter((change) => {
      if (change.entity !== 'item') return true
      const made =
        change.field === '*' && !isSetChange(change) ? ((change.after ?? change.before) as Item | null) : null
      const project = (made ?? this.state.maybe('item', change.id))?.project
      return !project || (this.#projectSequence.get(project) ?? 0) < sequence
    })
  }

  #changesMyAccess(entry: Entry): boolean {
    return entry.patch.some(
      (change) =>
        (change.entity === 'member' && change.id.endsWith(`/${this.me}`)) ||
        (change.entity === 'person' && change.id === this.me && change.field === 'role'),
    )
  }

  async #reopen(): Promise<void> {
    await this.#retrying(() => this.#fetchAll())
    this.#tellAll()
  }

  async #catchUp(): Promise<void> {
    if (this.#isCatchingUp) return
    this.#isCatchingUp = true
    try {
      const messages = await this.#retrying(() => this.ports.link.logAfter(this.sequence))
      for (const message of messages)
        if (sequenceOf(message) > this.sequence) this.#early.set(sequenceOf(message), message)
      await this.#takeEarly()
      this.#stand({ link: 'up' })
    } catch (error) {
      if (error instanceof Refused && error.problem.code === 'log-too-far-back') await this.#reopen()
      else if (!this.#isSignedOut(error)) throw error
    } finally {
      this.#isCatchingUp = false
    }
  }

  /** Sends what is pending, in order, one after another; the same ids after a cut. */
  async #sendPending(): Promise<void> {
    if (this.#isSending) return
    this.#isSending = true
    try {
      for (let next = this.#nextToSend(); next; next = this.#nextToSend()) {
        const command = next
        const answer = await this.#answerTo(command)
        if (!answer) return
        this.#takeAnswer(command, answer)
      }
    } finally {
      this.#isSending = false
      this.#stand({})
    }
  }

  readonly #answered = new Set<string>()
  #nextToSend(): Command | undefined {
    return this.#state.pending.find((command) => !this.#answered.has(command.id))
  }

  /** Undefined: the line is down or nobody is signed in; it is sent when that has changed. */
  async #answerTo(command: Command): Promise<Answer | undefined> {
    try {
      return await this.ports.link.send(command)
    } catch (error) {
      if (error instanceof Refused) return this.#isSignedOut(error) ? undefined : { problem: error.problem }
      if (!(error instanceof LinkDown)) throw error
      if (this.#standing.link === 'up') void this.ports.wait(1000).then(() => this.#sendPending())
      return undefined
    }
  }

  #takeAnswer(command: Command, answer: Answer): void {
    if ('problem' in answer) {
      this.#state.refuse(command.id)
      this.#flush()
      this.#settle(command.id, { problem: answer.problem })
      return
    }
    this.#answered.add(command.id)
    if ('entry' in answer && answer.entry.sequence <= this.sequence && this.#isPending(command.id)) {
      // It was done before this replica was opened: what it changed stands already.
      this.#state.refuse(command.id)
      this.#settle(command.id, { done: true, of: command.id })
    } else this.#take('entry' in answer ? { tell: 'entry', entry: answer.entry } : { tell: 'large', ...answer.large })
  }

  #isPending = (id: string): boolean => this.#state.pending.some((command) => command.id === id)

  #settle(command: CommandId, settled: Settled): void {
    this.#settling.get(command)?.settle(settled)
    void this.ports.box.drop(command)
    this.#stand(this.#standing.large?.command === command ? { large: undefined } : {})
  }

  #promise(command: string): void {
    if (this.#settling.has(command)) return
    let settle: (settled: Settled) => void = () => {}
    const promise = new Promise<Settled>((resolve) => (settle = resolve))
    this.#settling.set(command, { promise, settle })
  }

  #isSignedOut(error: unknown): boolean {
    if (!(error instanceof Refused) || error.problem.code !== 'not-signed-in') return false
    this.#stand({ link: 'signed-out' })
    return true
  }

  async #retrying<T>(work: () => Promise<T>): Promise<T> {
    for (let wait = 250; ; wait = Math.min(longestWaitMs, wait * 2)) {
      try {
        return await work()
      } catch (error) {
        if (!(error instanceof LinkDown) || this.#stop.signal.aborted) throw error
        this.#stand({ link: 'down' })
        await this.ports.wait(wait)
      }
    }
  }

  #setClock(now: string): void {
    this.#clockOffset = Date.parse(now) - this.ports.now()
  }

  #tellAll(): void {
    this.#touched.all = true
    this.#flush()
  }

  #flush(): void {
    const changed = this.#touched
    if (changed.isEmpty) return
    this.#touched = new ChangeSet()
    this.listener.changed(changed)
    if (changed.all) void this.#bringWorkings()
  }

  /** What works fields out is loaded where there are some; where it does not come it is tried again later. */
  async #bringWorkings(): Promise<void> {
    if (await bringWhereNeeded(this.state).catch(() => false)) this.#tellAll()
  }

  #stand(more: Partial<Standing>): void {
    const now = { ...this.#standing, ...more, pending: this.#state.pending.length }
    if (isSameValue(now, this.#standing)) return
    this.#standing = now
    this.listener.standing(now)
  }
}

function sequenceOf(message: LogMessage): number {
  return message.tell === 'entry' ? message.entry.sequence : message.tell === 'large' ? message.sequence : message.n
}
