import { dateIn, type PlainDate } from '#core/base/dates'
import type { PersonId } from '#core/base/ids'
import { isIn } from '#core/access/access'
import { viewContext } from '#core/facts/contract'
import { entities } from '#core/model/entities'
import { lookId } from '#core/model/looks'
import type { Reader } from '#core/model/reader'
import type { View } from '#core/model/records'
import { compileAll } from '#core/views/filter'
import { ChangeSet } from '#core/queries/change-set'
import type { QueryContext, Watch } from '#core/queries/contract'
import type { Answered } from '#core/queries/page-seed'
import { firstQueryAt } from '#core/queries/first-query'
import { asksFor, view as viewQuery } from '#core/queries/view'
import { watch, type AnyAnswer, type WatchAnswer, type WatchRequest } from '#core/queries/registry'
import { directoryFor } from '#core/wire/directory'
import type { Room } from '../rooms/room'
import type { Clock } from '../clock'

/** Views that are kept for the next who opens the same; the ones asked longest ago go first. */
const mostKept = 40
/** A queue that is longer comes from the worker alone. */
const longestQueue = 200
/** Conditions times items that are asked at most: some 20 ms of this process, in which nobody else is answered. */
const mostAsked = 4_000_000
/** What takes longer than this again and again is left to the browser until it is another; the first time much is made that stays. */
const longestMs = 30
const mostTimesLong = 3

type ViewAnswer = WatchAnswer<'view'>
interface Kept {
  readonly watch: Watch<ViewAnswer>
  readonly day: PlainDate
  /** What has changed since it was last asked. */
  changed: ChangeSet
}

/**
 * What a page asks first, answered on the server, so that it comes with the HTML and the page shows it before its worker
 * has opened the workspace. A view is computed when it is opened, and kept right from then on by what changed.
 */
export class FirstAnswers {
  readonly #kept = new Map<string, Kept>()
  /** How often an answer to what was asked took too long, as the view was then. */
  readonly #long = new Map<string, { readonly of: unknown; readonly times: number }>()

  constructor(
    readonly room: Room,
    readonly clock: Clock,
  ) {
    room.hear(({ entry }) => {
      for (const one of this.#kept.values()) one.changed.add(entry.patch)
    })
  }

  /** The directory, and what the page at this address is about, as far as the person may see it. */
  at(path: string, me: PersonId): Answered[] {
    const { state } = this.room
    const today = dateIn(state.workspace().timeZone, this.clock.now())
    const directory = { records: directoryFor(state, me), me, today }
    const answers: Answered[] = [[{ query: 'directory', input: undefined }, directory]]
    const request = firstQueryAt(path)
    const answer = request && this.#answer(request, { state, me, today: () => today })
    return answer ? [...answers, [request, answer]] : answers
  }

  #answer(request: WatchRequest, context: QueryContext): AnyAnswer | undefined {
    if (request.query === 'view') return this.#view(request.input.view, context)
    if (request.query !== 'queue') return undefined
    const queue = watch(context, request).answer() as WatchAnswer<'queue'>
    const rows = [queue.now, queue.next, queue.waits, queue.nobodys ?? []].reduce((sum, one) => sum + one.length, 0)
    return rows > longestQueue ? undefined : queue
  }

  #view(id: string, context: QueryContext): ViewAnswer {
    const { state, me } = context
    const view = state.maybe('view', id)
    if (!view || !isIn(state, me, entities.view.scope(view, state))) return undefined
    const { isPersonal, past } = asksFor(view.definition)
    // Where items were in the past the database alone knows: such a view is answered by the worker.
    if (past) return undefined
    const isOwn = isPersonal || !!state.maybe('look', lookId(id, me))?.folds
    const key = `${isOwn ? me : ''} ${id}`
    const long = this.#long.get(key)
    const times = long?.of === view.definition ? long.times : 0
    if (times >= mostTimesLong || workOf(context.state, view) > mostAsked) return undefined
    const began = performance.now()
    const answer = this.#viewKept(key, id, context)
    if (performance.now() - began > longestMs) this.#long.set(key, { of: view.definition, times: times + 1 })
    return answer
  }

  #viewKept(key: string, id: string, context: QueryContext): ViewAnswer {
    const today = context.today()
    const kept = this.#kept.get(key)
    const one =
      kept?.day === today
        ? kept
        : { watch: viewQuery.watch(context, { view: id, first: 'onServer' }), day: today, changed: new ChangeSet() }
    if (!one.changed.isEmpty) one.watch.update(one.changed)
    one.changed = new ChangeSet()
    this.#kept.delete(key)
    this.#kept.set(key, one)
    const [longest] = this.#kept.keys()
    if (this.#kept.size > mostKept && longest) this.#kept.delete(longest)
    return one.watch.answer()
  }
}

/** How often an item is asked something about for a view to be made. */
function workOf(reader: Reader, view: View): number {
  const context = viewContext(reader, view.project, { me: view.maker, today: '1970-01-01' as PlainDate })
  const { where, group, sort } = view.definition
  return reader.table(view.project).n * (compileAll(context, where).cost + 10 * (group.length + sort.length))
}
