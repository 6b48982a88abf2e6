import { judge, needsOf } from '#core/commands/registry'
import { partsOf, type Done } from '../db/batch'
import { DoneBefore } from '../db/commit'
import { Fetched } from './fetched'
import type { Asked, Head, RoomAnswer } from './head'

interface Waiting extends Asked {
  resolve(answer: RoomAnswer | Promise<RoomAnswer>): void
  reject(error: unknown): void
}

/** The most commands that go into one transaction. */
const mostInBatch = 50

/** Commands taken one after another, several per transaction when they queue. */
export class Batches {
  readonly #waiting: Waiting[] = []
  #isBusy = false

  constructor(
    readonly head: Head,
    /** Does what turns out to be large. */
    readonly doLarge: (asked: Asked) => Promise<RoomAnswer>,
  ) {}

  submit(asked: Asked): Promise<RoomAnswer> {
    return new Promise((resolve, reject) => {
      this.#waiting.push({ ...asked, resolve, reject })
      void this.#drain()
    })
  }

  async #drain(): Promise<void> {
    if (this.#isBusy) return
    this.#isBusy = true
    while (this.#waiting.length) {
      const batch = this.#waiting.splice(0, mostInBatch)
      await this.head.alone(() => this.#doBatch(batch))
    }
    this.#isBusy = false
  }

  async #doBatch(batch: readonly Waiting[]): Promise<void> {
    try {
      await this.#tryBatch(batch)
    } catch (error) {
      if (batch.length > 1) {
        // One of them is at fault: each on its own, so that only that one is refused.
        for (const one of batch) await this.#doBatch([one])
        return
      }
      const [one] = batch
      if (!one) return
      const before = error instanceof DoneBefore ? await this.head.answerOf(one).catch(() => undefined) : undefined
      if (before) one.resolve(before)
      else one.reject(error)
    }
  }

  async #tryBatch(all: readonly Waiting[]): Promise<void> {
    const fetched = new Fetched(this.head.database.db, this.head.workspace)
    const batch: Waiting[] = []
    for (const one of all)
      if (await fetchFor(one, fetched)) batch.push(one)
      else one.resolve(this.doLarge(one))
    const answers = await this.head.settled(async () => {
      const judged = this.#judgeAll(batch, fetched)
      await this.head.store(judged.done)
      return judged.answers
    })
    for (const [i, one] of batch.entries()) {
      const answer = answers[i]
      if (!answer) continue
      // What is refused may have been done before, and its answer lost on the way.
      one.resolve('problem' in answer ? ((await this.head.answerOf(one)) ?? answer) : answer)
    }
  }

  /** Judges each on the state that the one before has left, and leaves the state after the last. */
  #judgeAll(batch: readonly Waiting[], fetched: Fetched): { done: Done[]; answers: RoomAnswer[] } {
    const { head } = this
    const done: Done[] = []
    const answers = batch.map((waiting): RoomAnswer => {
      const now = head.now(waiting)
      const judged = judge(head.state, waiting.command, head.contextOf(waiting, now, fetched, done))
      if (!judged.ok) return { problem: judged.problem }
      const finished = head.apply(waiting, judged.value, now)
      fetched.keep(finished.entry)
      done.push(finished)
      const parts = partsOf(finished)
      return parts ? { large: { sequence: finished.entry.sequence, parts } } : { done: finished }
    })
    return { done, answers }
  }
}

/** False: it speaks of a large entry. */
async function fetchFor({ command }: Asked, fetched: Fetched): Promise<boolean> {
  for (const need of needsOf(command)) if (!(await fetched.fetch(need))) return false
  return true
}
