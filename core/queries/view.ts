/** A view that a page watches: the rows in sight, the heads of groups, the sums, kept right change by change. */
import { viewContext } from '../facts/contract'
import { isSameValue } from '../base/sorted-ids'
import { fieldRef } from '../facts/registry'
import type { DefinitionIn, ShownView } from '../layouts/contract'
import { layoutOf } from '../layouts/registry'
import { mapLists, saidLayout, type LayoutAnswer } from '../layouts/said'
import { isHead, isOutlined, rowOf, valuesApart, type GroupHead, type Row, type Sums } from '../layouts/rows'
import { isInItem } from '../fields/registry'
import { foldsOf } from '../model/looks'
import type { LayoutName } from '../model/names'
import type { Reader } from '../model/reader'
import type { Folds, Item, PersonId, Project, Total, ViewDefinition } from '../model/records'
import type { ViewQuestion } from '../views/evaluate'
import type { Test } from '../views/asked'
import { compile } from '../views/filter'
import { LiveView } from '../views/live'
import type { ChangeSet } from './change-set'
import { askedQuery, viewerOf, watchedQuery, type ListControl, type QueryContext, type Watch } from './contract'

/** Which view, and how it was changed without saving. */
export interface ViewInput {
  /** A saved view. */
  readonly view: string
  /** Its definition as somebody changed it without saving. */
  readonly draft?: ViewDefinition | undefined
  /** As whom it is looked at, where that is someone else than who asks. */
  readonly seenBy?: PersonId | undefined
  /** How many rows a list hands out before anyone has said where they look. */
  readonly first?: 'onServer' | 'inBrowser'
}

/** Undefined: there is no such view. */
export const view = watchedQuery<ViewInput, LayoutAnswer | undefined>((context, input) => new ViewWatch(context, input))

/** Some lines of a view's lists, as they are seen with this folded (left out: nothing); without places: every item that it holds. */
export interface LinesInput extends ViewInput {
  readonly folds?: Folds
  readonly from?: number
  /** After the last. */
  readonly to?: number
}
/** The items on some lines of a view, in their order; those that are in several groups once. */
export const itemsInView = askedQuery<LinesInput, string[]>(
  (context, { folds = { turned: [] }, from, to, ...input }) => {
    const watch = new ViewWatch(context, input)
    if (from === undefined || to === undefined) return watch.items()
    watch.lists.fold(folds)
    return watch.itemsOn(from, to)
  },
)

/** A line of a view as it is read whole: an item with how deep it stands, or the head of a group. */
export type WholeLine = { readonly item: Item; readonly level: number } | { readonly head: GroupHead }
/** All lines of a view, whatever a page looks at; undefined: there is no such view. */
export function linesInView(context: QueryContext, { folds = { turned: [] }, ...input }: LinesInput) {
  const watch = new ViewWatch(context, input)
  watch.lists.fold(folds)
  return watch.whole()
}

/** Rows that a list hands out on either side of what is looked at, so that scrolling finds them there. */
const margin = 400
/** Where so many items have changed at once, what is in sight is handed out first: the page then asks for what is around it. */
const [many, narrowMargin] = [200, 32] as const

interface Shown {
  readonly definition: ViewDefinition
  /** What is asked for it, which what a board holds decides too. */
  readonly question: ViewQuestion
  readonly project: Project
  readonly live: LiveView
  /** What is folded in it for whoever looks. */
  readonly seen: Folds
  /** By its place, whether a signal that is on marks the item at a row. */
  readonly signals: readonly (readonly [at: number, test: Test])[]
  /** The state that it reads: another takes its place when everything is fetched again. */
  readonly reader: Reader
}

class ViewWatch implements Watch<LayoutAnswer | undefined> {
  /** Undefined: there is no such view. */
  #shown: Shown | undefined
  /** The rows handed out last, as long as nothing that they show has changed. */
  #rows: ReadonlyMap<string, Row> = new Map()
  #held: ReadonlySet<string> = new Set()
  /** Undefined: as whoever looks has it, until the page says otherwise. */
  #folds: Folds | undefined
  #turned: ReadonlySet<string> = new Set()
  readonly #looks = new Map<string, [from: number, to: number]>()
  /** The next answer has what is in sight alone. */
  #isHurried = false

  readonly lists: ListControl = {
    look: (list, from, to) => {
      this.#looks.set(list, [from, to])
      this.#isHurried = false
    },
    hold: (items) => {
      this.#held = new Set(items)
      this.#shown?.live.hold(this.#held)
    },
    fold: (folds) => {
      this.#folds = folds
      this.#turned = new Set(folds.turned)
    },
  }

  constructor(
    readonly context: QueryContext,
    readonly input: ViewInput,
  ) {
    this.#read()
  }

  /** Takes up the view as it is now. */
  #read(): void {
    const { state } = this.context
    this.#rows = new Map()
    const saved = state.maybe('view', this.input.view)
    const definition = this.input.draft ?? saved?.definition
    const project = saved && state.maybe('project', saved.project)
    if (!definition || !project || saved.archived) return void (this.#shown = undefined)
    const seen = foldsOf(state, saved, this.context.me)
    const context = viewContext(state, project.id, {
      ...viewerOf(this.context),
      ...(this.input.seenBy && { me: this.input.seenBy }),
    })
    const signals = (definition.signals ?? []).flatMap(({ when, isOff }, at) => {
      const test = isOff ? undefined : compile(context, when)
      return test ? [[at, test] as const] : []
    })
    const question = withSums(layoutOf(definition).question(state, definition), project)
    if (this.#shown?.reader === state && isSameValue(this.#shown.question, question)) {
      this.#shown.live.evaluate(context)
      this.#shown = { ...this.#shown, definition, project, signals, seen }
      return
    }
    const live = new LiveView(question, context)
    if (this.#held.size) live.hold(this.#held)
    this.#shown = { definition, question, project, live, signals, reader: state, seen }
  }

  update(changed: ChangeSet): boolean {
    if (changed.all) this.#read()
    else {
      this.#isHurried = changed.items.size >= many
      this.#shown?.live.update(changed.items)
      this.#forget(changed.items)
    }
    return true
  }

  #forget(touched: ReadonlySet<string>): void {
    const rows = new Map(this.#rows)
    for (const id of touched) {
      rows.delete(id)
      // Whether it is archived shows where it is counted.
      const parent = this.context.state.read('item', id, 'parent')
      if (typeof parent === 'string') rows.delete(parent)
    }
    this.#rows = rows
  }

  /** Every item of it, in its order. */
  items(): string[] {
    const { live } = this.#shown ?? {}
    return live ? [...new Set(Array.from(live.inOrder(), (row) => live.plan.context.table.ids[row]!))] : []
  }
  /** The items on some lines of its lists. */
  itemsOn(from: number, to: number): string[] {
    const found = new Set<string>()
    if (!this.#shown) return []
    const { live, definition } = this.#shown
    const { ids } = live.plan.context.table
    // Of a row nothing but its item is looked at.
    const rowAt = (row: number) => ({ item: { id: ids[row] } }) as unknown as Row
    const within = (_list: string, length: number): [number, number] => [Math.min(from, length), Math.min(to, length)]
    const shown = { ...this.#view(this.#shown), window: within, rowAt }
    mapLists(layoutOf(definition).answer(shown), (_list, stretch) => {
      for (const line of stretch.rows) if (!isHead(line)) found.add(line.item.id)
      return stretch
    })
    return [...found]
  }

  /** Every line of its lists, one list after another. */
  whole(): { definition: ViewDefinition; project: Project['id']; lines: WholeLine[] } | undefined {
    if (!this.#shown) return undefined
    const { live, definition, project } = this.#shown
    const { table } = live.plan.context
    const lines: WholeLine[] = []
    const rowAt = (row: number) => ({ item: table.at(row) }) as unknown as Row
    const within = (_list: string, length: number): [number, number] => [0, length]
    mapLists(layoutOf(definition).answer({ ...this.#view(this.#shown), window: within, rowAt }), (_list, stretch) => {
      for (const line of stretch.rows)
        lines.push(isHead(line) ? { head: line } : { item: line.item, level: isOutlined(line) ? line.level : 0 })
      return stretch
    })
    return { definition, project: project.id, lines }
  }

  answer(): LayoutAnswer | undefined {
    if (!this.#shown) return undefined
    const { definition, live, reader, signals } = this.#shown
    const today = this.context.today()
    const before = this.#rows
    const now = new Map<string, Row>()
    this.#rows = now
    const worked = definition.show.flatMap((id) => reader.maybe('field', id) ?? []).filter((one) => !isInItem(one))
    const isStill = ({ item }: Row, now: Item['values'] | undefined) =>
      worked.every(({ id }) => isSameValue(item.values[id], now?.[id]))
    const shown: ShownView<LayoutName> = {
      ...this.#view(this.#shown),
      window: (list, length) => this.#window(list, length),
      rowAt: (row) => {
        const { table } = live.plan.context
        const known = before.get(table.ids[row]!)
        const held = known && isStill(known, valuesApart(reader, today, known.item, worked)) ? known : rowOf(reader, today, table.at(row), worked) // prettier-ignore
        const marked = withSignals(held, signals.flatMap(([at, { test }]) => (test(row) ? at : []))) // prettier-ignore
        now.set(held.item.id, marked)
        return marked
      },
    }
    return layoutOf(definition).answer(shown)
  }

  #view({ definition, project, live, reader, seen }: Shown): Omit<ShownView<LayoutName>, 'window' | 'rowAt'> {
    return {
      reader,
      project,
      definition: definition as DefinitionIn<LayoutName>,
      live,
      sums: sumsOf(live, definition.totals.length),
      totals: live.totals.slice(0, definition.totals.length),
      turned: this.#folds ? this.#turned : new Set(seen.turned),
      foldedFrom: (this.#folds ?? seen).to ?? Infinity,
    }
  }

  #window(list: string, length: number): [from: number, to: number] {
    const looked = this.#looks.get(list)
    // Cards are as high as their words: what is around them is not taken away even for a moment.
    const around = this.#isHurried && !list ? narrowMargin : margin
    if (looked) return [Math.max(0, Math.min(looked[0], length) - around), looked[1] + around]
    const definition = this.#shown?.definition
    return [0, definition ? saidLayout(definition).firstRows[this.input.first ?? 'inBrowser'] : 0]
  }
}

/** The row as these signals mark it: the same one where they did before. */
function withSignals(row: Row, signals: readonly number[]): Row {
  if (isSameValue(row.signals ?? [], signals)) return row
  const { signals: _before, ...plain } = row
  const v = `${row.v.split(signalsBegin)[0]}${signals.length ? signalsBegin + signals.join() : ''}`
  return { ...plain, v, ...(signals.length && { signals }) }
}
/** What comes before them in what says whether a row is the same. */
const signalsBegin = '\u0001'

/** The question with the sums of the tally after the totals of its own. */
function withSums(question: ViewQuestion, { uses }: Project): ViewQuestion {
  const sums: Total[] = [
    { name: 'filled', of: { fact: 'late' } },
    ...(uses.effort ? [{ name: 'sum' as const, of: fieldRef(uses.effort) }] : []),
  ]
  return { ...question, totals: [...question.totals, ...sums] }
}
function sumsOf(live: LiveView, shown: number): Sums {
  const [late, effort] = [live.totals[shown], live.totals[shown + 1]]
  return { items: live.count, late: late ?? 0, effort: effort ?? 0 }
}

/** Whether a view says something else to each who looks, and whether it asks for the past. */
export function asksFor(definition: ViewDefinition): { readonly isPersonal: boolean; readonly past: boolean } {
  const found = { isPersonal: false, past: false }
  const walk = (condition: ViewDefinition['where'][number]): void => {
    if ('of' in condition) condition.of.forEach(walk)
    else if ('that' in condition) walk(condition.that)
    else if (condition.about === 'was') found.past = true
    else if ('values' in condition.test)
      found.isPersonal ||= condition.test.values.some((id) => id === 'me' || id === 'craft')
  }
  definition.where.forEach(walk)
  return found
}
