/** What can be asked, sorted, grouped and totalled of an item: fields, and what the product itself knows. */
import type { Figures } from '../fields/figures'
import type { FactKind } from '../fields/kinds'
import type { Source } from '../fields/source'
import type { ItemTable } from '../model/item-table'
import type { AutomaticFactName } from '../model/names'
import type { Reader } from '../model/reader'
import type { FactRef, FactTest, Field, ItemId, Project, ProjectId, Status } from '../model/records'
import type { Viewer } from './viewer'

/** What a view is computed from. */
export interface ViewContext {
  readonly reader: Reader
  readonly project: ProjectId
  readonly table: ItemTable
  readonly viewer: Viewer
}
/** A project’s items as somebody looks at them on a day. */
export const viewContext = (reader: Reader, project: ProjectId, viewer: Viewer): ViewContext => ({
  reader, project, viewer, table: reader.table(project),
}) // prettier-ignore

/** One of the things that a fact can have. */
export interface NamedValue {
  readonly id: string
  readonly name: string
  /** `word`: said by the language itself, never quoted. `person`: also called by a given name that is clear. */
  readonly is?: 'word' | 'person'
  /** How else it may be typed. */
  readonly typed?: string
}

/** Reads typed words at a place; the parser behind it is in `core/views/language`. */
export interface Cursor {
  /** Takes the words where they come next. */
  eat(words: string): boolean
  /** Takes the first of them that comes next. */
  eatAny(...all: readonly string[]): boolean
  /** Values of a fact by their names, with *or* between. Undefined: there is none. `strictly`: no letter may be wrong. */
  values(fact: FactRef, strictly?: boolean): string[] | undefined
}

/** How conditions about a fact are said where they are not said as of its kind (*status is …*, *due is by …*). */
export interface FactWords {
  /** Before its name: *the status is …*. */
  readonly article?: 'the '
  /** A test in words, or its opposite; `list` joins values by *or*. Undefined: as its kind says it. */
  say?(test: FactTest, isNot: boolean, list: (ids: readonly string[]) => string): string | undefined
  /** What may follow *it is*: `late`, `your turn`, `finished`. */
  readItself?(at: Cursor): FactTest | undefined
  /** A clause of its own: `you’re on it`. */
  readClause?(at: Cursor): { readonly test: FactTest; readonly isNot: boolean } | undefined
  /** The opposite of a test, where the fact has words for it. */
  negated?(test: FactTest): FactTest | undefined
  /** How sorting by it is said, both ways. */
  readonly sort?: readonly [up: string, down: string]
  /** Its values may be typed alone: 1 and 2 are looked for before options of fields, 4 and 5 after them. */
  readonly saidAlone?: 1 | 2 | 4 | 5
}

/** What an item must have so that it meets a condition. */
export interface Fit {
  readonly parent?: ItemId
  /** Ids, `me` and `craft` among them. */
  readonly people?: readonly string[]
}

/** Items whose change may change what another is, at every level: what is inside it, what it is inside of. */
export interface Kin {
  readonly inside?: boolean
  readonly above?: boolean
}

/** What all facts can do for views. */
interface FactCore {
  readonly kind: FactKind
  /** How it is read from the columns. */
  source(context: ViewContext): Source
  /** The things it can have, in their order; none where it has no names. */
  values?(reader: Reader, project: Project): readonly NamedValue[]
  /** Its values are one short list: a group of each can be shown, also an empty one. */
  readonly isListed?: boolean
  /** Of `choices`: its values are items, named by their keys. */
  readonly isOfItems?: boolean
  /** Of `choices`: an item has one at most all the same. */
  readonly isSingle?: boolean
  /** Whose change changes it, besides the item's own: views that ask for it look at these again. None: the item's alone. */
  readonly kin?: Kin
}

/** A fact that the product itself knows of every item. */
export interface AutomaticFact extends FactCore {
  readonly name: AutomaticFactName
  /** In the interface's words. */
  readonly label: string
  readonly words?: FactWords
  /** How its numbers are said and read; plainly, where it says nothing. */
  readonly figures?: Figures
  /** The test with which a new condition begins. */
  begin?(reader: Reader, project: ProjectId): FactTest
  /** What an item needs to meet a test; undefined where none is clear. */
  fit?(test: FactTest): Fit | undefined
  /** Whether an item in a status can meet a test: only facts that follow from the status say so. */
  allows?(test: FactTest, status: Status): boolean
  /** Offered first where a condition is begun. */
  readonly isAskedOften?: boolean
  /** Of one that may become another though nothing of the item or its kin changed: the rows where it may have, since a moment. */
  changedSince?(context: ViewContext, moment: number): Iterable<number>
  /** Nothing but an order. */
  readonly isForSortingOnly?: boolean
}

/** A fact of a project as views know it: an automatic one, or a field. */
export interface Fact extends FactCore {
  readonly ref: FactRef
  /** Names it among all facts: an automatic fact's name, or a field's id. */
  readonly key: string
  /** In the interface's words; a field's own name. */
  readonly name: string
  /** Undefined: it is an automatic one. */
  readonly field?: Field
  readonly automatic?: AutomaticFact
  /** How its numbers are said and read. */
  readonly figures: Figures
}

/** How a sentence about the item itself begins. */
export const itIs = (isNot: boolean): string => (isNot ? 'it isn’t' : 'it’s')
