/** Keeps a page's question answered, whichever it is. */
import { isAtLeast, roleIn } from '../access/access'
import { compareRanked } from '../base/ranks'
import { projectsInOrder } from '../model/reader'
import type { ItemId } from '../model/records'
import { InTurn, nobodysTurn, queueOf, type QueueEntry } from '../queue/queue'
import { directoryEntities } from '../wire/directory'
import { findItem } from './find'
import type { Answers, Changed, FirstRows, Ground, Question, Watch } from './questions'
import { rowOf, withPath } from './rows'
import { ViewWatch } from './view-watch'

export function watchFor(ground: Ground, question: Question, firstRows: FirstRows = { table: 80, board: 80 }): Watch {
  switch (question.ask) {
    case 'view':
      return new ViewWatch(ground, question, firstRows)
    case 'directory':
      return new Asking(
        question,
        (changed) => changed.all,
        () => directory(ground),
      )
    case 'counts':
      return new CountsWatch(ground, question)
    case 'queue':
      return new Asking(
        question,
        () => true,
        () => queue(ground),
      )
    case 'item':
      return new Asking(
        question,
        () => true,
        () => item(ground, question.key),
      )
  }
}

/** A question that is worked out anew each time. */
class Asking implements Watch {
  constructor(
    readonly question: Question,
    readonly update: (changed: Changed) => boolean,
    readonly answer: () => Answers[Question['ask']],
  ) {}
  look(): void {}
  hold(): void {}
  fold(): void {}
}

function directory({ state, me, today }: Ground): Answers['directory'] {
  const records = Object.fromEntries(
    directoryEntities.map((entity) => [entity, [...state.all(entity)]]),
  ) as unknown as Answers['directory']['records']
  return { records, me, today: today() }
}

/** Counted item by item, so that a change costs what it touches. */
class CountsWatch implements Watch {
  #mine: InTurn
  constructor(
    readonly ground: Ground,
    readonly question: Question,
  ) {
    this.#mine = new InTurn(ground.state, ground.me)
  }

  update(changed: Changed): boolean {
    const before = this.#mine.count
    if (changed.all) this.#mine = new InTurn(this.ground.state, this.ground.me)
    else for (const id of changed.items) this.#mine.look(id)
    return this.#mine.count !== before
  }
  answer(): Answers['counts'] {
    return { inTurn: this.#mine.count }
  }
  look(): void {}
  hold(): void {}
  fold(): void {}
}

const ledProjects = ({ state, me }: Ground) =>
  projectsInOrder(state).filter((project) => isAtLeast(roleIn(state, me, project.id), 'lead'))

function queue(ground: Ground): Answers['queue'] {
  const found = queueOf(ground.state, ground.me, ground.today())
  const rows = (part: readonly QueueEntry[]) => part.map((one) => withPath(ground, one.item, one.waitsFor))
  const led = ledProjects(ground)
  const nobodys = led.length ? nobodysTurn(ground.state, led).map((one) => withPath(ground, one)) : undefined
  return { now: rows(found.now), next: rows(found.next), waits: rows(found.waits), nobodys }
}

function item(ground: Ground, key: string): Answers['item'] {
  const found = findItem(ground.state, key)
  if (!found) return undefined
  const inside = [...ground.state.childrenOf(found.id as ItemId)]
    .filter((child) => !child.archived)
    .sort((a, b) => compareRanked({ id: a.id, rank: a.siblingRank }, { id: b.id, rank: b.siblingRank }))
  return { row: withPath(ground, found), inside: inside.map((child) => rowOf(ground, child)) }
}
