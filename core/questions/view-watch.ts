/** A view that a page watches: the rows in sight, the heads of groups, the sums, kept right change by change. */
import { columnByStatus, heldByColumn } from '../board/columns'
import { boardOf } from '../model/reader'
import type { Board, Project, ProjectId, Total, ViewDefinition } from '../model/records'
import type { Reader } from '../model/reader'
import { keyOfPath, type ViewQuestion } from '../views/evaluate'
import { LiveView, type Group } from '../views/live'
import { compareBy } from '../views/sort'
import { viewContext } from '../views/sources'
import { viewerOf } from './counts'
import type {
  Answers,
  BoardColumnAnswer,
  Changed,
  FirstRows,
  Ground,
  GroupHead,
  ListLine,
  Question,
  Row,
  Stretch,
  Sums,
  Watch,
} from './questions'
import { rowOf } from './rows'

/** Rows that a list hands out on either side of what is looked at, so that scrolling finds them there. */
const margin = 400

/** Some lines that come after one another: the head of a group, or items. */
type Block = { readonly head: GroupHead } | { readonly rows: Int32Array }
const lengthOf = (block: Block): number => ('head' in block ? 1 : block.rows.length)

interface Shown {
  readonly definition: ViewDefinition
  readonly project: Project
  readonly live: LiveView
  /** The state that it reads: another takes its place when everything is fetched anew. */
  readonly reader: Reader
}

export class ViewWatch implements Watch {
  /** None: there is no such view. */
  #shown: Shown | undefined
  /** The rows handed out last, as long as nothing that they show has changed. */
  #rows: ReadonlyMap<string, Row> = new Map()
  #held: ReadonlySet<string> = new Set()
  #folded: ReadonlySet<string> = new Set()
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
    const { state } = this.ground
    this.#rows = new Map()
    const view = state.maybe('view', this.question.view)
    const definition = this.question.draft ?? view?.definition
    const project = view && state.maybe('project', view.project)
    if (!definition || !project) return void (this.#shown = undefined)
    const ask = viewContext(state, project.id, viewerOf(this.ground))
    if (this.#shown?.definition === definition && this.#shown.reader === state) {
      this.#shown.live.evaluate(ask)
      this.#shown = { ...this.#shown, project }
      return
    }
    const live = new LiveView(whatIsAsked(definition, project), ask)
    if (this.#held.size) live.hold(this.#held)
    this.#shown = { definition, project, live, reader: state }
  }

  update(changed: Changed): boolean {
    if (changed.all) this.#read()
    else {
      this.#shown?.live.update(changed.items)
      this.#forget(changed.items)
    }
    return true
  }

  look(list: string, from: number, to: number): void {
    this.#looks.set(list, [from, to])
  }

  hold(items: readonly string[]): void {
    this.#held = new Set(items)
    this.#shown?.live.hold(this.#held)
  }

  fold(groups: readonly string[]): void {
    this.#folded = new Set(groups)
  }

  #forget(touched: ReadonlySet<string>): void {
    const rows = new Map(this.#rows)
    for (const id of touched) {
      rows.delete(id)
      // Whether it is archived shows where it is counted.
      const parent = this.ground.state.read('item', id, 'parent')
      if (typeof parent === 'string') rows.delete(parent)
    }
    this.#rows = rows
  }

  answer(): Answers['view'] {
    if (!this.#shown) return undefined
    const { definition, project, live } = this.#shown
    const before = this.#rows
    const now = new Map<string, Row>()
    this.#rows = now
    const { table } = live.plan.context
    const rowAt = (row: number): Row => {
      const known = before.get(table.ids[row]!) ?? rowOf(this.ground, table.at(row))
      now.set(known.item.id, known)
      return known
    }
    const shownCount = definition.totals.length
    const totals = live.totals
    const [late, effort] = [totals[shownCount], totals[shownCount + 1]]
    const sums: Sums = { items: live.count, late: late ?? 0, effort: effort ?? 0 }
    if (definition.layout === 'board') {
      const columns = this.#columns(project.id, live, (list, rows) => {
        const [from, to] = this.#window(list, rows.length)
        return { from, rows: Array.from(rows.subarray(from, to), rowAt) }
      })
      return { layout: 'board', sums, columns }
    }
    const blocks = blocksOf(live.groups, this.#folded, shownCount)
    const lines = blocks.reduce((sum, one) => sum + lengthOf(one), 0)
    const [from, to] = this.#window('', lines)
    const rows = linesOf(blocks, from, to, rowAt)
    return { layout: 'table', sums, totals: totals.slice(0, shownCount), lines, stretch: { from, rows } }
  }

  #window(list: string, length: number): [from: number, to: number] {
    const looked = this.#looks.get(list)
    if (!looked) return [0, this.firstRows[this.#shown?.definition.layout ?? 'table']]
    return [Math.max(0, Math.min(looked[0], length) - margin), looked[1] + margin]
  }

  #columns(
    project: ProjectId,
    live: LiveView,
    stretch: (list: string, rows: Int32Array) => Stretch,
  ): BoardColumnAnswer[] {
    const { state } = this.ground
    const board = boardOf(state, project)
    if (!board) return []
    const held = heldByColumn(state, project, board)
    const lists = rowsByColumn(board, live)
    return board.definition.columns.map((column) => {
      const rows = lists.get(column.id) ?? new Int32Array(0)
      return {
        column: column.id,
        held: held.get(column.id) ?? 0,
        shown: rows.length,
        stretch: stretch(column.id, rows),
      }
    })
  }
}

/** The view's question, with the sums of the tally after the totals of its own; a board is grouped by what its columns hold. */
function whatIsAsked({ layout, where, group, sort, totals }: ViewDefinition, { uses }: Project): ViewQuestion {
  const sums: Total[] = [
    { name: 'filled', of: 'late' },
    { name: 'sum', of: uses.effort ?? 'none' },
  ]
  return { where, sort, group: layout === 'board' ? [{ by: 'status' }] : group, totals: [...totals, ...sums] }
}

/** Rows by column, each in the view's order: a column may hold several statuses. */
function rowsByColumn(board: Board, live: LiveView): Map<string, Int32Array> {
  const columnOf = columnByStatus(board)
  const parts = new Map<string, Int32Array[]>()
  for (const { value, rows, n } of live.groups) {
    const column = columnOf.get(String(value))?.id
    if (column) parts.set(column, [...(parts.get(column) ?? []), rows.subarray(0, n)])
  }
  return new Map([...parts].map(([column, all]) => [column, all.reduce((a, b) => merged(live, a, b))]))
}
function merged({ plan }: LiveView, a: Int32Array, b: Int32Array): Int32Array {
  const rows = new Int32Array(a.length + b.length)
  for (let k = 0, i = 0, j = 0; k < rows.length; k++) {
    const takesA = j >= b.length || (i < a.length && compareBy(plan.order, a[i]!, b[j]!) <= 0)
    rows[k] = takesA ? a[i++]! : b[j++]!
  }
  return rows
}

function blocksOf(groups: readonly Group[], folded: ReadonlySet<string>, totals: number): Block[] {
  return groups.flatMap((group): Block[] => {
    const { path, count, n } = group
    const inside = group.groups.length
      ? blocksOf(group.groups, folded, totals)
      : n
        ? [{ rows: group.rows.subarray(0, n) }]
        : []
    if (!path.length) return inside
    const head = keyOfPath(path)
    const one = { head, path, count, totals: group.totals.slice(0, totals), folded: folded.has(head) }
    return [{ head: { ...one, v: JSON.stringify([count, one.totals, one.folded]) } }, ...(one.folded ? [] : inside)]
  })
}

function linesOf(blocks: readonly Block[], from: number, to: number, rowAt: (row: number) => Row): ListLine[] {
  const lines: ListLine[] = []
  let at = 0
  for (const block of blocks) {
    const length = lengthOf(block)
    if (at + length > from && at < to) {
      if ('head' in block) lines.push(block.head)
      else for (const row of block.rows.subarray(Math.max(0, from - at), to - at)) lines.push(rowAt(row))
    }
    at += length
  }
  return lines
}
