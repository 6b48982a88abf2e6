/** The worker in which the replica lives, and what pages ask of it; `worker.ts` fetches it. */
import { expose, proxy, type Endpoint, type Remote } from 'comlink'
import * as z from 'zod/mini'
import type { Command } from '#core/commands/registry'
import type { Problem, Result } from '#core/base/result'
import { sentencesOf } from '#core/items/told'
import { itemKey, projectsInOrder } from '#core/model/reader'
import type { Condition, ItemId, ProjectId, ViewDefinition } from '#core/model/records'
import { viewDefinition } from '#core/model/schemas'
import { upgradeDefinition } from '#core/model/upgrade'
import { countsOf, valueCounts, type ValueCounts } from '#core/questions/counts'
import { leavesOf, notInOf, readWords, whyOf, type ReadWords } from '#core/questions/explain'
import type { Question, Watch } from '#core/questions/questions'
import { watchFor } from '#core/questions/watch'
import type { Leaves, Why } from '#core/views/why'
import { dayWords } from '../dates'
import { httpLink, LinkDown, Refused } from './server-link'
import { IndexedBox } from './pending-box'
import { Replica, type Settled, type Standing } from './replica'
import { pack, type Held, type Packed } from './sent-rows'

// Zod would compile its parsers with `new Function`, which the content security policy refuses.
z.config({ jitless: true })

/** What a page hears from the worker. */
export interface Page {
  standing(standing: Standing): void
  /** Something went wrong in here that nobody awaited: the page logs it. */
  trouble(text: string): void
}

export interface ToldEntry {
  readonly sequence: number
  readonly by: string
  readonly at: string
  readonly sentences: readonly string[]
}

const name = (self as unknown as { name: string }).name
const [, build = '', person = ''] = name.split('|')
const pages = new Set<Remote<Page>>()
type Tell = Remote<(answer: Packed) => void> & ((answer: Packed) => void)
/** A watch of a page, and what that page holds of its answer. */
class Told {
  readonly #held: Held = new Map()
  constructor(
    readonly watch: Watch,
    readonly tellPage: Tell,
  ) {}
  tell(): void {
    void this.tellPage(pack(this.#held, this.watch.answer()))
  }
}
const watches = new Map<number, Told>()
let nextWatch = 1

const replica = new Replica(
  {
    line: httpLink,
    box: new IndexedBox(person),
    build,
    now: Date.now,
    wait: (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
  },
  {
    changed(changed) {
      for (const one of watches.values()) if (one.watch.update(changed)) one.tell()
    },
    standing(standing) {
      for (const page of pages) void page.standing(standing)
    },
  },
)
const opening = replica.open().catch((error: unknown) => {
  if (!(error instanceof Refused)) throw error
})

/** What pages ask of the worker. */
export class Api {
  async join(page: Remote<Page>): Promise<void> {
    pages.add(page)
    await page.standing(replica.standing)
  }

  /** Keeps a question answered until `leave`. */
  async watch(question: Question, tell: (answer: Packed) => void): Promise<number> {
    await opening
    const told = new Told(watchFor(replica, question), tell as Tell)
    const id = nextWatch++
    watches.set(id, told)
    told.tell()
    return id
  }

  look(id: number, list: string, from: number, to: number): void {
    const one = watches.get(id)
    if (!one) return
    one.watch.look(list, from, to)
    one.tell()
  }

  hold(id: number, items: string[]): void {
    const one = watches.get(id)
    if (!one) return
    one.watch.hold(items)
    one.tell()
  }

  fold(id: number, groups: string[]): void {
    const one = watches.get(id)
    if (!one) return
    one.watch.fold(groups)
    one.tell()
  }

  leave(id: number): void {
    watches.delete(id)
  }

  /** Applies beforehand; its last word comes by `settled`. */
  async send(command: Command): Promise<Result<{ name: string }>> {
    await opening
    return replica.add(command)
  }

  settled(command: string): Promise<Settled> {
    return replica.settled(command)
  }

  /** How many items each value of a fact would give, the other phrases left as they are. */
  async values(project: ProjectId, others: readonly Condition[], fact: string): Promise<ValueCounts> {
    await opening
    return valueCounts(replica, project, others, fact)
  }

  /** How many items each of these conditions would give beside the others. */
  async countEach(
    project: ProjectId,
    others: readonly Condition[],
    conditions: readonly Condition[],
  ): Promise<number[]> {
    await opening
    return countsOf(replica, project, others, conditions)
  }

  /** Typed words as phrases of a view, with how many items each would leave. */
  async read(project: ProjectId, where: readonly Condition[], text: string, language: string): Promise<ReadWords> {
    await opening
    return readWords(replica, project, where, text, (day) => dayWords(day, language, replica.today()))
  }

  /** Why an item is in a view or not; undefined where it is none of the project. */
  async why(project: ProjectId, view: ViewDefinition, key: string, language: string): Promise<Why | undefined> {
    await opening
    return whyOf(replica, project, view, key, (day) => dayWords(day, language, replica.today()))
  }

  /** Which of these items of a project a view leaves out. */
  async notIn(project: ProjectId, view: ViewDefinition, items: readonly string[]): Promise<string[]> {
    await opening
    return notInOf(replica, project, view, items)
  }

  /** How many items each phrase of a view leaves. */
  async leaves(project: ProjectId, where: readonly Condition[]): Promise<Leaves> {
    await opening
    return leavesOf(replica, project, where)
  }

  /** Views' definitions, by view, from a text that a browser kept: those that can be read. */
  async definitions(kept: string): Promise<Record<string, ViewDefinition>> {
    const found = z.record(z.string(), z.looseObject({ v: z.number() })).safeParse(jsonOr(kept))
    const all = Object.entries(found.data ?? {})
    // What an earlier version kept is made today's with what the project uses.
    if (all.some(([, one]) => one.v === 1)) await opening
    return Object.fromEntries(
      all.flatMap(([id, kept]) => {
        const project = replica.state.maybe('project', replica.state.maybe('view', id)?.project ?? '')
        const read = viewDefinition.safeParse(upgradeDefinition(kept, project))
        return read.success ? [[id, read.data]] : []
      }),
    )
  }

  /** An item's history as sentences, newest first, days as the page's language has them; a problem where it cannot be fetched. */
  async history(
    item: string,
    language: string,
    before?: number,
  ): Promise<{ entries: ToldEntry[]; more: boolean } | { problem: Problem }> {
    return this.#asking(async () => {
      await opening
      const { entries, more } = await httpLink.history(item, before)
      const told = entries.map((entry) => ({
        sequence: entry.sequence,
        by: entry.by,
        at: entry.at,
        sentences: sentencesOf(replica.state, entry, item, (day) => dayWords(day, language, replica.today())),
      }))
      return { entries: told.filter((one) => one.sentences.length), more }
    })
  }

  async text(item: string, field: string): Promise<{ revision: number; text: string } | { problem: Problem }> {
    return this.#asking(() => httpLink.text(item, field))
  }

  async keyOf(item: string): Promise<string> {
    await opening
    const found = replica.state.maybe('item', item as ItemId)
    return found ? itemKey(replica.state, found) : item
  }

  /** Keys and titles of items, of those that are there. */
  async titlesOf(items: readonly string[]): Promise<{ id: string; key: string; title: string }[]> {
    await opening
    return items.flatMap((id) => {
      const found = replica.state.maybe('item', id)
      return found ? [{ id, key: itemKey(replica.state, found), title: found.title }] : []
    })
  }

  /** The items of a project that may be chosen as a parent, by words in key or title; at most 20. */
  async find(project: ProjectId | undefined, words: string): Promise<{ id: string; key: string; title: string }[]> {
    await opening
    const parts = words.toLowerCase().split(/\s+/).filter(Boolean)
    const found: { id: string; key: string; title: string }[] = []
    const projects = project ? [project] : projectsInOrder(replica.state).map((one) => one.id)
    for (const id of projects) {
      const prefix = replica.state.maybe('project', id)?.prefix ?? ''
      const table = replica.state.table(id)
      for (let row = 0; row < table.n && found.length < 20; row++) {
        if (!table.listed[row]) continue
        const [key, title] = [`${prefix}-${table.number.a[row]! || '–'}`, table.title.a[row]!]
        const text = `${key} ${title}`.toLowerCase()
        if (parts.every((part) => text.includes(part))) found.push({ id: table.ids[row]!, key, title })
      }
    }
    return found
  }

  /** The project's items, for working out a file against them. */
  async itemsOf(project: ProjectId) {
    await opening
    return [...replica.state.itemsOf(project)]
  }

  signOut(): Promise<void> {
    return replica.signOut()
  }

  /** Throws where nobody awaits it, so that a test sees that trouble in here is told. */
  provoke(text: string): void {
    setTimeout(() => {
      throw new Error(text)
    })
  }

  async #asking<T>(ask: () => Promise<T>): Promise<T | { problem: Problem }> {
    try {
      return await ask()
    } catch (error) {
      if (error instanceof Refused) return { problem: error.problem }
      if (error instanceof LinkDown)
        return { problem: { code: 'unreadable', said: { where: 'the server does not answer' } } }
      throw error
    }
  }
}

function jsonOr(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

function tellTrouble(text: string): void {
  for (const page of pages) void page.trouble(text)
}
self.addEventListener('error', (event) =>
  tellTrouble(event.error instanceof Error ? (event.error.stack ?? event.error.message) : event.message),
)
self.addEventListener('unhandledrejection', (event) =>
  tellTrouble(`unhandled: ${event.reason instanceof Error ? event.reason.stack : String(event.reason)}`),
)
self.addEventListener('securitypolicyviolation', (event) =>
  tellTrouble(`content security policy: ${(event as SecurityPolicyViolationEvent).violatedDirective}`),
)
const consoleError = console.error.bind(console)
console.error = (...said: unknown[]) => {
  consoleError(...said)
  tellTrouble(said.map(String).join(' '))
}

// A new day comes at the workspace's midnight, and time walks on for "late".
let day = ''
setInterval(() => {
  if (!replica.me) return
  const today = replica.today()
  if (day && day !== today) replica.newDay()
  day = today
}, 20_000)

const api = proxy(new Api())
/** Answers a page. */
export const serve = (page: Endpoint): void => expose(api, page)
