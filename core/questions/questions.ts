/** What pages watch: each kind of question, worked out from a state, in a browser's replica or on the server. */
import type { PlainDate } from '../base/dates'
import type { PersonId } from '../base/ids'
import { compareRanked } from '../base/ranks'
import { columnByStatus, heldByColumn } from '../board/columns'
import { isSetChange, itemsTouchedBy, type Patch } from '../change/patch'
import { boardOf, itemKey, pathOf, projectsInOrder } from '../model/reader'
import { lateDays, turnOf } from '../model/turn'
import type { EntityName, Item, ItemId, Project, ProjectId, Records, ViewDefinition } from '../model/records'
import type { MapState } from '../model/state'
import { isTurnOf, nobodysTurn, queuedProjects, queueOf, type QueueEntry } from '../queue/queue'
import { isAtLeast, roleIn } from '../access/access'
import { LiveView } from '../views/evaluate'
import { directoryEntities, type DirectoryEntity } from '../wire/directory'

/** An item as a page shows it. */
export interface Row {
  readonly item: Item
  readonly key: string
  /** What names it in an address: its key, or its id until it has one. */
  readonly address: string
  /** Working days late; 0: it is not. */
  readonly late: number
  readonly turn: readonly string[]
  readonly children: number
  /** The same as long as nothing that a row shows has changed: a page then keeps the row that it has. */
  readonly v: string
}
export interface RowWithPath extends Row {
  readonly path: readonly { readonly id: string; readonly title: string; readonly key: string }[]
  readonly waitsFor: readonly string[]
}

/** A stretch of a list: `rows` begin at `from`. */
export interface Stretch<R = Row> {
  readonly from: number
  readonly rows: readonly R[]
}
export interface Sums {
  readonly items: number
  readonly late: number
  /** At the effort field's scale. */
  readonly effort: number
}

export type Question =
  | { readonly ask: 'directory' }
  | { readonly ask: 'counts' }
  /** A saved view; with a draft, as somebody changed it without keeping it. */
  | { readonly ask: 'view'; readonly view: string; readonly draft?: ViewDefinition | undefined }
  | { readonly ask: 'queue' }
  | { readonly ask: 'item'; readonly key: string }

export interface BoardColumnAnswer {
  readonly column: string
  /** Every unarchived item of the project in it, whatever the view leaves out. */
  readonly held: number
  readonly shown: number
  readonly stretch: Stretch
}
export interface TableAnswer {
  readonly layout: 'table'
  readonly sums: Sums
  readonly stretch: Stretch
}
export interface BoardAnswer {
  readonly layout: 'board'
  readonly sums: Sums
  readonly columns: readonly BoardColumnAnswer[]
}
export type Answers = {
  directory: {
    records: { [E in DirectoryEntity]: readonly Records[E][] }
    me: PersonId
    today: PlainDate
  }
  counts: { inTurn: number }
  /** Undefined: there is no such view. */
  view: TableAnswer | BoardAnswer | undefined
  queue: { now: RowWithPath[]; next: RowWithPath[]; waits: RowWithPath[]; nobodys: RowWithPath[] | undefined }
  item: { row: RowWithPath; inside: readonly Row[] } | undefined
}
export type AnswerTo<Q extends Question> = Answers[Q['ask']]

/** What a watch needs: the state of a replica or a room, who asks, and the workspace's day. */
export interface Ground {
  readonly state: MapState
  readonly me: PersonId
  today(): PlainDate
}

export interface Changed {
  readonly items: ReadonlySet<string>
  /** Something that is no item changed, or the day did. */
  readonly all: boolean
}

/** Fetched when it is looked at, and no part of any answer; a project's next number is none either. */
const showsNowhere: ReadonlySet<EntityName> = new Set(['stay', 'longText'])

/** What changes, gathered until it is taken in. */
export class Gathered implements Changed {
  readonly items = new Set<string>()
  all = false

  /** Parents are touched by what comes into them and leaves them: their rows count what is inside. */
  add(patch: Patch): void {
    for (const id of itemsTouchedBy(patch)) this.items.add(id)
    for (const change of patch)
      if (change.entity === 'item' && !isSetChange(change))
        for (const value of [change.before, change.after]) {
          const parent = change.field === '*' ? (value as Item | null)?.parent : change.field === 'parent' && value
          if (typeof parent === 'string') this.items.add(parent)
        }
    this.all ||= patch.some(
      ({ entity, field }) => !showsNowhere.has(entity) && entity !== 'item' && field !== 'nextNumber',
    )
  }
}

/** A question that is kept answered. */
export interface Watch {
  readonly question: Question
  /** Takes in what changed; false where the answer cannot have. */
  update(changed: Changed): boolean
  answer(): Answers[Question['ask']]
  /** Moves a stretch of a list (of a column, on a board). */
  look(list: string, from: number, to: number): void
  /** These items keep their place until they are let go. */
  hold(items: readonly string[]): void
}

/** How many rows a list of each layout hands out at first, before anyone has said where they look. */
export type FirstRows = Readonly<Record<ViewDefinition['layout'], number>>

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
}

/** A record is replaced when it changes, so its identity is its version. */
const versions = new WeakMap<Item, number>()
let lastVersion = 0
function versionOf(one: Item): number {
  const known = versions.get(one)
  if (known !== undefined) return known
  versions.set(one, ++lastVersion)
  return lastVersion
}

export function rowOf({ state, today }: Ground, one: Item): Row {
  let children = 0
  for (const child of state.childrenOf(one.id)) if (!child.archived) children++
  const key = itemKey(state, one)
  const late = lateDays(state, one, today())
  const turn = turnOf(state, one).people
  const address = one.number ? key : one.id
  return { item: one, key, address, late, turn, children, v: [versionOf(one), late, children, ...turn].join() }
}

function withPath(ground: Ground, one: Item, waitsFor: readonly string[] = []): RowWithPath {
  const path = pathOf(ground.state, one).map((parent) => ({
    id: parent.id,
    title: parent.title,
    key: itemKey(ground.state, parent),
  }))
  return { ...rowOf(ground, one), path, waitsFor }
}

/** Rows that a list hands out on either side of what is looked at, so that scrolling finds them there. */
const margin = 400

class ViewWatch implements Watch {
  /** What it shows of which project; none: there is no such view. */
  #of: { readonly definition: ViewDefinition; readonly project: ProjectId; readonly live: LiveView } | undefined
  /** What each item in it adds to the sums, and these. */
  readonly #parts = new Map<string, Part>()
  #sums: Sums = { items: 0, late: 0, effort: 0 }
  /** The rows handed out last, as long as nothing that they show has changed. */
  #rows: ReadonlyMap<string, Row> = new Map()
  #held: ReadonlySet<string> = new Set()
  readonly #looks = new Map<string, [from: number, to: number]>()
  constructor(
    readonly ground: Ground,
    readonly question: Extract<Question, { ask: 'view' }>,
    readonly firstRows: FirstRows,
  ) {
    this.#read()
  }

  /** Takes up the view as it stands now. */
  #read(): void {
    const view = this.ground.state.maybe('view', this.question.view)
    const definition = this.question.draft ?? view?.definition
    const looking = { me: this.ground.me, today: this.ground.today() }
    if (!view || !definition) this.#of = undefined
    else if (this.#of?.definition === definition && this.#of.live.reader === this.ground.state)
      this.#of.live.evaluate(looking)
    else {
      const live = new LiveView(this.ground.state, view.project, definition, looking)
      if (this.#held.size) live.hold(this.#held)
      this.#of = { definition, project: view.project, live }
    }
    this.#sumAnew()
  }

  update(changed: Changed): boolean {
    if (changed.all) this.#read()
    else this.#take(this.#of?.live.update(changed.items), changed.items)
    return true
  }

  look(list: string, from: number, to: number): void {
    this.#looks.set(list, [from, to])
  }

  hold(items: readonly string[]): void {
    this.#held = new Set(items)
    this.#take(this.#of?.live.hold(this.#held))
  }

  /** `now`: these in the view as they are now; undefined: it was worked out anew. */
  #take(now: ReadonlyMap<string, Item | undefined> | undefined, touched: ReadonlySet<string> = new Set()): void {
    if (!now) return this.#sumAnew()
    for (const [id, one] of now) this.#count(id, one)
    const rows = new Map(this.#rows)
    for (const id of touched) {
      rows.delete(id)
      // Whether it is archived shows where it is counted.
      const parent = this.ground.state.maybe('item', id)?.parent
      if (parent) rows.delete(parent)
    }
    this.#rows = rows
  }

  answer(): Answers['view'] {
    if (!this.#of) return undefined
    const { definition, project, live } = this.#of
    const before = this.#rows
    const now = new Map<string, Row>()
    this.#rows = now
    const stretch = (list: string, items: readonly Item[]): Stretch => {
      const looked = this.#looks.get(list)
      const from = looked ? Math.max(0, Math.min(looked[0], items.length) - margin) : 0
      const rows = items
        .slice(from, looked ? looked[1] + margin : this.firstRows[definition.layout])
        .map((one) => before.get(one.id) ?? rowOf(this.ground, one))
      for (const row of rows) now.set(row.item.id, row)
      return { from, rows }
    }
    return definition.layout === 'table'
      ? { layout: 'table', sums: this.#sums, stretch: stretch('', live.items) }
      : { layout: 'board', sums: this.#sums, columns: this.#columns(project, live.items, stretch) }
  }

  #columns(
    project: ProjectId,
    shown: readonly Item[],
    stretch: (list: string, items: readonly Item[]) => Stretch,
  ): BoardColumnAnswer[] {
    const { state } = this.ground
    const board = boardOf(state, project)
    if (!board) return []
    const held = heldByColumn(state, project, board)
    const columnOf = columnByStatus(board)
    const lists = new Map<string, Item[]>(board.definition.columns.map((column) => [column.id, []]))
    for (const one of shown) lists.get(columnOf.get(one.status)?.id ?? '')?.push(one)
    return board.definition.columns.map((column) => {
      const items = lists.get(column.id) ?? []
      return {
        column: column.id,
        held: held.get(column.id) ?? 0,
        shown: items.length,
        stretch: stretch(column.id, items),
      }
    })
  }

  #sumAnew(): void {
    this.#rows = new Map()
    this.#parts.clear()
    this.#sums = { items: 0, late: 0, effort: 0 }
    for (const one of this.#of?.live.items ?? []) this.#count(one.id, one)
  }

  /** Takes what an item added out of the sums and, where it is in the view, what it adds now in. */
  #count(id: string, one: Item | undefined): void {
    const before = this.#parts.get(id)
    const now = one && this.#of && partOf(this.ground, this.#of.project, one)
    if (now) this.#parts.set(id, now)
    else this.#parts.delete(id)
    this.#sums = {
      items: this.#sums.items + Number(!!now) - Number(!!before),
      late: this.#sums.late + (now?.late ?? 0) - (before?.late ?? 0),
      effort: this.#sums.effort + (now?.effort ?? 0) - (before?.effort ?? 0),
    }
  }
}

/** What an item adds to the sums of a view. */
interface Part {
  readonly late: 0 | 1
  readonly effort: number
}
const nothing: Part = { late: 0, effort: 0 }

function partOf({ state, today }: Ground, project: ProjectId, one: Item): Part {
  const effortField = state.maybe('project', project)?.uses.effort
  const value = effortField ? one.values[effortField] : undefined
  const effort = typeof value === 'number' ? value : 0
  const late = lateDays(state, one, today()) ? 1 : 0
  return late || effort ? { late, effort } : nothing
}

function directory({ state, me, today }: Ground): Answers['directory'] {
  const records = Object.fromEntries(
    directoryEntities.map((entity) => [entity, [...state.all(entity)]]),
  ) as unknown as Answers['directory']['records']
  return { records, me, today: today() }
}

/** Counted item by item, so that a change costs what it touches. */
class CountsWatch implements Watch {
  #projects: ReadonlyMap<string, Project> = new Map()
  readonly #mine = new Set<string>()
  constructor(
    readonly ground: Ground,
    readonly question: Question,
  ) {
    this.#countAll()
  }

  #countAll(): void {
    this.#mine.clear()
    this.#projects = queuedProjects(this.ground.state, this.ground.me)
    for (const one of this.ground.state.all('item')) if (this.#isMine(one)) this.#mine.add(one.id)
  }
  #isMine = (one: Item): boolean => this.#projects.has(one.project) && isTurnOf(this.ground.state, one, this.ground.me)

  update(changed: Changed): boolean {
    const before = this.#mine.size
    if (changed.all) this.#countAll()
    else
      for (const id of changed.items) {
        const one = this.ground.state.maybe('item', id)
        if (one && this.#isMine(one)) this.#mine.add(id)
        else this.#mine.delete(id)
      }
    return this.#mine.size !== before
  }
  answer(): Answers['counts'] {
    return { inTurn: this.#mine.size }
  }
  look(): void {}
  hold(): void {}
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

/** By key (`GLH-142`, also with an old prefix) or by id, for an item that has no number yet. */
export function findItem(state: MapState, key: string): Item | undefined {
  const byId = state.maybe('item', key)
  if (byId) return byId
  const match = /^([A-Z][A-Z0-9]*)-(\d+)$/i.exec(key)
  const prefix = match?.[1]?.toUpperCase() ?? ''
  for (const project of state.all('project'))
    if (project.prefix === prefix || project.oldPrefixes.includes(prefix))
      for (const one of state.itemsOf(project.id)) if (one.number === Number(match?.[2])) return one
  return undefined
}

function item(ground: Ground, key: string): Answers['item'] {
  const found = findItem(ground.state, key)
  if (!found) return undefined
  const inside = [...ground.state.childrenOf(found.id as ItemId)]
    .filter((child) => !child.archived)
    .sort((a, b) => compareRanked({ id: a.id, rank: a.siblingRank }, { id: b.id, rank: b.siblingRank }))
  return { row: withPath(ground, found), inside: inside.map((child) => rowOf(ground, child)) }
}

/** How many items each value of a phrase would give, the other phrases left as they are. */
export interface PhraseCounts {
  readonly statuses: Readonly<Record<string, number>>
  readonly people: Readonly<Record<string, number>>
  readonly total: number
}

export function phraseCounts(ground: Ground, project: ProjectId, others: ViewDefinition): PhraseCounts {
  const live = new LiveView(ground.state, project, { ...others, sort: [] }, { me: ground.me, today: ground.today() })
  const statuses: Record<string, number> = {}
  const people: Record<string, number> = {}
  const peopleFields = new Set(
    [...ground.state.all('field')].filter((field) => field.type === 'people').map((field) => field.id as string),
  )
  for (const one of live.items) {
    statuses[one.status] = (statuses[one.status] ?? 0) + 1
    const inIt = new Set<string>()
    for (const [field, value] of Object.entries(one.values))
      if (peopleFields.has(field) && Array.isArray(value)) for (const id of value as string[]) inIt.add(id)
    for (const id of inIt) people[id] = (people[id] ?? 0) + 1
  }
  return { statuses, people, total: live.items.length }
}
