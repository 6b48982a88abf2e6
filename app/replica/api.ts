/** The worker in which the replica lives, and what pages ask of it; `worker.ts` fetches it. */
import { expose, proxy, type Endpoint, type Remote } from 'comlink'
import * as z from 'zod/mini'
import type { Command } from '#core/commands/registry'
import type { Problem, Result } from '#core/base/result'
import { sentencesOf } from '#core/items/told'
import { itemKey } from '#core/model/reader'
import type { ItemId, ProjectId, ViewDefinition } from '#core/model/records'
import { viewDefinition } from '#core/model/schemas'
import { phraseCounts, watchFor, type PhraseCounts, type Question, type Watch } from '#core/questions/questions'
import { dayWords } from '../dates'
import { httpLine, LineDown, Refused } from './line'
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
    line: httpLine,
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

  async counts(project: ProjectId, others: ViewDefinition): Promise<PhraseCounts> {
    await opening
    return phraseCounts(replica, project, others)
  }

  /** Views' definitions, by view, from a text that a browser kept: those that can be read. */
  definitions(kept: string): Record<string, ViewDefinition> {
    const found = z.record(z.string(), z.unknown()).safeParse(jsonOr(kept))
    return Object.fromEntries(
      Object.entries(found.data ?? {}).flatMap(([id, definition]) => {
        const read = viewDefinition.safeParse(definition)
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
      const { entries, more } = await httpLine.history(item, before)
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
    return this.#asking(() => httpLine.text(item, field))
  }

  async keyOf(item: string): Promise<string> {
    await opening
    const found = replica.state.maybe('item', item as ItemId)
    return found ? itemKey(replica.state, found) : item
  }

  /** The items of a project that may be chosen as a parent, by words in key or title; at most 20. */
  async find(project: ProjectId | undefined, words: string): Promise<{ id: string; key: string; title: string }[]> {
    await opening
    const parts = words.toLowerCase().split(/\s+/).filter(Boolean)
    const found: { id: string; key: string; title: string }[] = []
    const items = project ? replica.state.itemsOf(project) : replica.state.all('item')
    for (const item of items) {
      if (item.archived) continue
      const key = itemKey(replica.state, item)
      const text = `${key} ${item.title}`.toLowerCase()
      if (parts.every((part) => text.includes(part))) found.push({ id: item.id, key, title: item.title })
      if (found.length === 20) break
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
      if (error instanceof LineDown)
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
