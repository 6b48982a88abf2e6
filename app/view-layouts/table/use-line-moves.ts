import { shallowRef } from 'vue'
import { isHead, isOutlined, type GroupHead, type ListLine, type OutlineRow } from '#core/layouts/rows'
import { useChanges } from '../../data/changes'
import { useDirectory } from '../../data/directory'
import { useWording } from '../../data/wording'
import { nameOfGroup } from '../../parts/group-names'
import { followDrag } from '../../parts/row-drag'
import type { LayoutProps } from '../contract'
import { tableWords } from '../words'
import { drags } from './beside'
import type { Aim, Dragging, Moving } from './line-drag'
import type { CellAt, useCellSpan } from './use-cell-span'

interface Table extends Omit<Dragging, 'aimOf' | 'show'> {
  readonly props: LayoutProps
  /** The lines that are selected and here. */
  chosen(): readonly number[]
  titleAt(): number
  /** Whether items may be moved at all. */
  mayMove(): boolean
  isEditing(): boolean
  /** What keeps its place while the keyboard is on it takes the one that is its own. */
  release(): void
  readonly span: ReturnType<typeof useCellSpan>
  at(): CellAt
}

/** Lines of a table that go elsewhere: dragged by their first cells, or by keyboard; over other cells, a press and a drag selects these. */
export function useLineMoves(table: Table) {
  const changes = useChanges()
  const directory = useDirectory()
  const { props, lineAt } = table
  const wording = useWording(() => props.project.id)
  /** What would become of what is dragged. */
  const aim = shallowRef<Aim>()

  const outlinedAt = (index: number): OutlineRow | undefined => {
    const line = lineAt(index)
    return line && isOutlined(line) ? line : undefined
  }
  const along = (line: number): readonly number[] => (table.chosen().includes(line) ? table.chosen() : [line])
  /** A group's name, after those of the groups around it. */
  const nameOfHead = ({ path }: GroupHead): string =>
    path.map((value, level) => wording.value ? nameOfGroup(props.definition.group[level]!, value, wording.value) : '').join(' › ') // prettier-ignore

  type Drags = Awaited<ReturnType<typeof drags>>
  const groupedBy = () => ({
    reader: directory.reader,
    definition: props.definition,
    today: directory.today,
    lineAt,
    titleAt: table.titleAt,
    nameOf: nameOfHead,
    send: (bare: Parameters<typeof changes.send>[0]) => {
      table.release()
      void changes.send(bare)
    },
    tell: async (why: Parameters<typeof changes.wordsFor>[0]) => changes.say(await changes.wordsFor(why)),
  })
  const movingFrom = ({ headOf }: Drags, line: number): Moving[] =>
    along(line).flatMap((index) => {
      const row = lineAt(index)
      return row && !isHead(row) ? [{ row, head: headOf(lineAt, index) }] : []
    })
  function aimOf(loaded: Drags, line: number) {
    const at = lineAt(line)
    if (!at) return undefined
    if (isHead(at)) return directory.may('set up project', props.project.id) ? loaded.headAim(groupedBy(), at) : undefined // prettier-ignore
    if (!table.mayMove()) return undefined
    if (props.definition.layout !== 'outline') return loaded.rowAim(groupedBy(), movingFrom(loaded, line))
    const rows = along(line).flatMap((index) => outlinedAt(index) ?? [])
    const { send } = groupedBy()
    return loaded.outlineAim({ rowAt: outlinedAt, titleAt: table.titleAt, isSorted: () => props.definition.sort.length > 0, send }, rows) // prettier-ignore
  }

  function pressedDown(event: PointerEvent): void {
    const target = event.target as HTMLElement
    const cell = target.closest<HTMLElement>('[role=gridcell]')
    if (!cell || table.isEditing() || target.closest('.turn') || event.shiftKey || event.ctrlKey || event.metaKey)
      return
    const line = Number(cell.dataset.row)
    const isHandle = cell.matches('.key, .title') || isHead(lineAt(line) ?? ({} as ListLine))
    if (isHandle)
      void drags().then((loaded) => loaded.followLineDrag({ ...table, aimOf: (of) => aimOf(loaded, of), show: (now) => (aim.value = now) }, event, line)) // prettier-ignore
    else if (event.pointerType !== 'touch') selectCells(event, { row: line, column: Number(cell.dataset.column) })
  }
  /** Cells from where the pointer came down to where it is. */
  function selectCells(event: PointerEvent, from: CellAt): void {
    followDrag(event, {
      move(x, y) {
        window.getSelection()?.removeAllRanges()
        const cell = document.elementFromPoint(x, y)?.closest<HTMLElement>('.item-row [role=gridcell]')
        if (cell) table.span.extend(from, { row: Number(cell.dataset.row), column: Number(cell.dataset.column) })
      },
      end: (isKept) => void (isKept || table.span.clear()),
    })
  }

  /** What is selected, or the row, goes into the next group that way. */
  async function regroup(way: -1 | 1, line: number): Promise<void> {
    const loaded = await drags()
    const head = loaded.groupBeside(lineAt, line, way)
    if (!table.mayMove()) return
    if (!head) return changes.say(tableWords.noGroup)
    loaded.putIntoGroup(groupedBy(), movingFrom(loaded, line), head)
  }
  /** A group goes before the one before it, or after the one after it. */
  async function moveHead(line: number, way: -1 | 1): Promise<void> {
    const { namedGroup, ordering } = await drags()
    const head = lineAt(line)
    if (!head || !isHead(head) || !directory.may('set up project', props.project.id)) return
    const key = props.definition.group[head.path.length - 1]
    const own = namedGroup(directory.reader, key, head)
    if (!own || key?.down || key?.byTotal) return
    const field = directory.reader.maybe('option', own.id)?.field
    const fellows = field
      ? directory.reader.optionsOf(field).filter(({ archived }) => !archived)
      : directory.statuses(props.project.id)
    const at = fellows.findIndex(({ id }) => id === own.id)
    const others = fellows.filter(({ id }) => id !== own.id)
    if (at + way < 0 || at + way > others.length) return
    void changes.send(ordering(own, others[at + way]?.id ?? null))
  }
  return {
    aim,
    pressedDown,
    regroup: (way: -1 | 1, line: number) => void regroup(way, line),
    moveHead: (line: number, way: -1 | 1) => void moveHead(line, way),
  }
}
