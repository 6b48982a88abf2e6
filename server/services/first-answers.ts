import { dateIn, type PlainDate } from '#core/base/dates'
import type { PersonId } from '#core/base/ids'
import { mayRead } from '#core/access/access'
import type { Answered } from '#core/questions/page-seed'
import { questionAt } from '#core/questions/at'
import { ChangeSet, type Answers, type Question, type Watch } from '#core/questions/questions'
import { watchFor } from '#core/questions/watch'
import { directoryFor } from '#core/wire/directory'
import type { Room } from '../rooms/room'
import type { Clock } from './clock'

/** Watches that are kept for the next who opens the same; the ones asked longest ago go first. */
const mostKept = 40
/** What one screen shows, even a high one. */
const firstRows = { table: 48, board: 16 }
/** A queue that is longer comes by the worker alone. */
const longestQueue = 200

interface Kept {
  readonly watch: Watch
  readonly day: PlainDate
  /** What has changed since it was last asked. */
  changed: ChangeSet
}

/**
 * What a page asks first, answered on the server, so that it comes with the HTML and the page shows it before its worker
 * has opened the workspace. A view is worked out when it is opened, and kept right from then on by what changed.
 */
export class FirstAnswers {
  readonly #kept = new Map<string, Kept>()

  constructor(
    readonly room: Room,
    readonly clock: Clock,
  ) {
    room.hear((entry) => {
      for (const one of this.#kept.values()) one.changed.add(entry.patch)
    })
  }

  /** The directory, and what the page at this address is about, as far as the person may see it. */
  at(path: string, me: PersonId): Answered[] {
    const { state } = this.room
    const today = dateIn(state.workspace().timeZone, this.clock.now())
    const answers: Answered[] = [[{ ask: 'directory' }, { records: directoryFor(state, me), me, today }]]
    const question = questionAt(path)
    const answer = question && this.#answer(question, me, today)
    return answer ? [...answers, [question, answer]] : answers
  }

  #answer(question: Question, me: PersonId, today: PlainDate): Answered[1] {
    const ground = { state: this.room.state, me, today: () => today }
    if (question.ask === 'queue') {
      const queue = watchFor(ground, question).answer() as Answers['queue']
      const rows = [queue.now, queue.next, queue.waits, queue.nobodys ?? []].reduce((sum, one) => sum + one.length, 0)
      return rows > longestQueue ? undefined : queue
    }
    if (question.ask !== 'view') return undefined
    const view = ground.state.maybe('view', question.view)
    const isOthers = view?.owner != null && view.owner !== me
    if (!view || isOthers || !mayRead(ground.state, me, view.project)) return undefined
    const where = JSON.stringify(view.definition.where)
    // Where items stood in the past the database alone knows: such a view is answered by the worker.
    if (where.includes('"was"')) return undefined
    // One for all, unless it speaks of whoever looks.
    const isPersonal = /"(me|craft)"/.test(where)
    const key = `${isPersonal ? me : ''} ${question.view}`
    const kept = this.#kept.get(key)
    const one =
      kept?.day === today
        ? kept
        : { watch: watchFor(ground, question, firstRows), day: today, changed: new ChangeSet() }
    if (one.changed.all || one.changed.items.size) one.watch.update(one.changed)
    one.changed = new ChangeSet()
    this.#kept.delete(key)
    this.#kept.set(key, one)
    const [longest] = this.#kept.keys()
    if (this.#kept.size > mostKept && longest) this.#kept.delete(longest)
    return one.watch.answer()
  }
}
