import { may } from '../access/access'
import { personActor } from '../change/actor'
import { rowWithPath, type RowWithPath } from '../layouts/rows'
import { projectsInOrder } from '../model/reader'
import { nobodysTurn, queueOf, type QueueEntry } from '../queue/queue'
import { recomputed, watchedQuery, type QueryContext } from './contract'

/** A person’s queue in its parts. */
export interface QueueAnswer {
  readonly now: readonly RowWithPath[]
  readonly next: readonly RowWithPath[]
  readonly waits: readonly RowWithPath[]
  /** What is nobody's turn, for whoever sets up a project; undefined for everyone else. */
  readonly nobodys: readonly RowWithPath[] | undefined
}

/** The person's queue over all projects. */
export const queue = watchedQuery<undefined, QueueAnswer>((context) =>
  recomputed(
    () => true,
    () => answer(context),
  ),
)

function answer({ state, me, today }: QueryContext): QueueAnswer {
  const found = queueOf(state, me, today())
  const rows = (part: readonly QueueEntry[]) =>
    part.map((entry) => rowWithPath(state, today(), entry.item, entry.waitsFor))
  const led = projectsInOrder(state).filter((project) => may(state, personActor(me), 'set up project', project.id))
  const nobodys = led.length ? nobodysTurn(state, led).map((item) => rowWithPath(state, today(), item)) : undefined
  return { now: rows(found.now), next: rows(found.next), waits: rows(found.waits), nobodys }
}
