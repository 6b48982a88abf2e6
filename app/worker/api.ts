/** The worker in which the replica lives, and what pages ask of it; `worker.ts` fetches it. */
import { expose, proxy, type Endpoint, type Remote } from 'comlink'
import * as z from 'zod/mini'
import type { CommandId } from '#core/base/ids'
import type { Problem, Result } from '#core/base/result'
import { commandOf, type BareCommand } from '#core/commands/registry'
import { itemKey } from '#core/model/reader'
import type { Folds } from '#core/model/records'
import type { QueryContext, Watch } from '#core/queries/contract'
import { ask, watch, type AnyAnswer, type AskAnswer, type AskedName, type AskInput, type WatchRequest } from '#core/queries/registry' // prettier-ignore
import { dayWords } from '../dates'
import { IndexedBox } from './pending-box'
import { Replica, type Settled, type Standing } from './replica'
import { pack, type Held, type Packed } from './sent-rows'
import { httpLink, LinkDown, Refused } from './server-link'

// Zod would compile its parsers with `new Function`, which the content security policy refuses.
z.config({ jitless: true })

/** What a page hears from the worker. */
export interface Page {
  standing(standing: Standing): void
  /** Something went wrong in here that nobody awaited: the page logs it. */
  trouble(text: string): void
}

const name = (self as unknown as { name: string }).name
const [, build = '', person = ''] = name.split('|')
const pages = new Set<Remote<Page>>()
type Hear = Remote<(answer: Packed) => void> & ((answer: Packed) => void)

/** A query that a page watches, and what that page holds of its answer. */
class PageWatch {
  readonly #held: Held = new Map()
  constructor(
    readonly watch: Watch<AnyAnswer>,
    readonly hear: Hear,
  ) {}
  send(): void {
    void this.hear(pack(this.#held, this.watch.answer()))
  }
}
const watches = new Map<number, PageWatch>()
let nextWatch = 1

const replica = new Replica(
  {
    link: httpLink,
    box: new IndexedBox(person),
    build,
    now: Date.now,
    wait: (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
  },
  {
    changed(changed) {
      for (const one of watches.values()) if (one.watch.update(changed)) one.send()
    },
    standing(standing) {
      for (const page of pages) void page.standing(standing)
    },
  },
)
const opening = replica.open().catch((error: unknown) => {
  if (!(error instanceof Refused)) throw error
})

/** The replica, as a page of a language is answered from it. */
const contextIn = (language: string): QueryContext => ({
  state: replica.state,
  me: replica.me,
  today: replica.today,
  past: replica.past,
  server: httpLink,
  day: (date) => dayWords(date, language, replica.today()),
})

/** What pages ask of the worker. */
export class Api {
  async join(page: Remote<Page>): Promise<void> {
    pages.add(page)
    await page.standing(replica.standing)
  }

  /** Keeps a query answered until `leave`. */
  async watch(request: WatchRequest, hear: (answer: Packed) => void): Promise<number> {
    await opening
    const one = new PageWatch(watch(replica, request), hear as Hear)
    const id = nextWatch++
    watches.set(id, one)
    one.send()
    return id
  }

  look(id: number, list: string, from: number, to: number, isHere: boolean): void {
    replica.looked()
    if (isHere) watches.get(id)?.watch.lists?.look(list, from, to)
    else this.#control(id, ({ lists }) => lists?.look(list, from, to))
  }
  hold(id: number, items: string[]): void {
    this.#control(id, ({ lists }) => lists?.hold(items))
  }
  fold(id: number, folds: Folds): void {
    this.#control(id, ({ lists }) => lists?.fold(folds))
  }
  #control(id: number, work: (watch: Watch<AnyAnswer>) => void): void {
    const one = watches.get(id)
    if (!one) return
    work(one.watch)
    one.send()
  }

  leave(id: number): void {
    watches.delete(id)
  }

  /** Answers a query once, days as the page's language writes them; a problem where the server does not answer. */
  async ask<N extends AskedName>(query: N, input: AskInput<N>, language: string): Promise<Result<AskAnswer<N>>> {
    await opening
    try {
      return { ok: true, value: await ask(contextIn(language), query, input) }
    } catch (error) {
      return { ok: false, problem: problemOf(error) }
    }
  }

  /** Applies a command beforehand; its last word comes by `settled`. */
  async send(id: CommandId, bare: BareCommand): Promise<Result<{ name: string }>> {
    await opening
    return replica.add(commandOf(id, bare))
  }

  settled(command: string): Promise<Settled> {
    return replica.settled(command)
  }

  stop(command: string): Promise<void> {
    return httpLink.stop(command)
  }

  async keyOf(item: string): Promise<string> {
    await opening
    const found = replica.state.maybe('item', item)
    return found ? itemKey(replica.state, found) : item
  }

  signOut(): Promise<void> {
    return replica.signOut()
  }

  /** Throws where nobody awaits it, so that a test sees that trouble in here is passed on. */
  provoke(text: string): void {
    setTimeout(() => {
      throw new Error(text)
    })
  }
}

/** Throws what no one could expect. */
function problemOf(error: unknown): Problem {
  if (error instanceof Refused) return error.problem
  if (error instanceof LinkDown) return { code: 'unreadable', said: { where: 'the server does not answer' } }
  throw error
}

function passOn(text: string): void {
  for (const page of pages) void page.trouble(text)
}
self.addEventListener('error', (event) =>
  passOn(event.error instanceof Error ? (event.error.stack ?? event.error.message) : event.message),
)
self.addEventListener('unhandledrejection', (event) =>
  passOn(`unhandled: ${event.reason instanceof Error ? event.reason.stack : String(event.reason)}`),
)
self.addEventListener('securitypolicyviolation', (event) =>
  passOn(`content security policy: ${(event as SecurityPolicyViolationEvent).violatedDirective}`),
)
const consoleError = console.error.bind(console)
console.error = (...said: unknown[]) => {
  consoleError(...said)
  passOn(said.map(String).join(' '))
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
