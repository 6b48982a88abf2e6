/** What pages ask and are answered, in a browser's replica or on the server. */
import type { PlainDate } from '../base/dates'
import type { PersonId } from '../base/ids'
import { isSetChange, itemsTouchedBy, type Patch } from '../change/patch'
import type { EntityName, Item, Records, ViewDefinition } from '../model/records'
import type { State } from '../model/state'
import type { GroupValue } from '../views/axes'
import type { TotalValues } from '../views/totals'
import type { DirectoryEntity } from '../wire/directory'

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
/** The head of a group in a table: its items come after it, unless it is folded. */
export interface GroupHead {
  /** Names the group among all of the view. */
  readonly head: string
  /** What the groups around it are and, last, what it is itself. */
  readonly path: readonly GroupValue[]
  readonly count: number
  readonly totals: TotalValues
  readonly folded: boolean
  readonly v: string
}
export type ListLine = Row | GroupHead
export const isHead = (line: ListLine): line is GroupHead => 'head' in line
/** What names a line: an item that is in several groups has several lines that say the same. */
export const lineId = (line: ListLine): string => (isHead(line) ? line.head : line.item.id)

export interface TableAnswer {
  readonly layout: 'table'
  readonly sums: Sums
  readonly totals: TotalValues
  /** Lines in all: items and heads of groups. */
  readonly lines: number
  readonly stretch: Stretch<ListLine>
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
  readonly state: State
  readonly me: PersonId
  today(): PlainDate
  /** The status of an item at the end of a day so many days ago; undefined where it is not known (yet). */
  readonly past?: (daysAgo: number, item: string) => string | undefined
}

/** How many rows a list of each layout hands out at first, before anyone has said where they look. */
export type FirstRows = Readonly<Record<ViewDefinition['layout'], number>>

export interface Changed {
  readonly items: ReadonlySet<string>
  /** Something that is no item changed, or the day did. */
  readonly all: boolean
}

/** Fetched when it is looked at, and no part of any answer; a project's next number is none either. */
const showsNowhere: ReadonlySet<EntityName> = new Set(['stay', 'longText'])

/** What changes, gathered until it is taken in. */
export class ChangeSet implements Changed {
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
  /** These groups of a table, by what names them, show their heads alone. */
  fold(groups: readonly string[]): void
}
