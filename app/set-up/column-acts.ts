import { v7 } from 'uuid'
import { useRouter } from 'vue-router'
import { rankBetween } from '#core/base/ranks'
import { columnsOf } from '#core/model/reader'
import type { BoardColumn, Project } from '#core/model/records'
import { useDirectory } from '../data/directory'
import { useSetUpChange, type PendingChange } from './changes'
import { changeWords, statusWords } from './words'

/** What is done with the columns of a project's board, wherever they stand. */
export function useColumnActs(project: () => Project) {
  const directory = useDirectory()
  const setUp = useSetUpChange()
  const router = useRouter()
  const columns = (column: BoardColumn) => columnsOf(directory.reader, column.board)
  const order = (column: BoardColumn, before: BoardColumn | null): void =>
    void setUp.send({ type: 'column.order', target: column.id, before: before?.id ?? null })
  const rename = (column: BoardColumn, to: string): void =>
    void (
      to !== column.name &&
      setUp.send({ type: 'column.set', target: column.id, set: { name: { from: column.name, to } } })
    )
  function describe(column: BoardColumn, lines: Record<'belongs' | 'leaves', string>): void {
    const set = Object.fromEntries(
      (['belongs', 'leaves'] as const).flatMap((line) => {
        const [from, to] = [column[line] ?? null, lines[line].trim() || null]
        return from === to ? [] : [[line, { from, to }]]
      }),
    )
    if (Object.keys(set).length) void setUp.send({ type: 'column.set', target: column.id, set })
  }
  /** A new one before another, or at the end. */
  async function add(
    board: BoardColumn['board'],
    name: string,
    before?: BoardColumn,
  ): Promise<BoardColumn['id'] | undefined> {
    const all = columnsOf(directory.reader, board)
    const at = before ? all.findIndex(({ id }) => id === before.id) : all.length
    const id = v7() as BoardColumn['id']
    const rank = rankBetween(all[at - 1]?.rank, before?.rank)
    const record = { id, board, name, rank, archived: false }
    return (await setUp.send({ type: 'column.add', record })) ? id : undefined
  }
  const none = ''
  /** `standing`: how many items it holds. */
  function removal(column: BoardColumn, standing: number): PendingChange {
    const all = columns(column)
    const others = all.filter(({ id }) => id !== column.id)
    const before = all[all.findIndex(({ id }) => id === column.id) - 1]
    const inOrder = before ? [before, ...others.filter((one) => one !== before)] : others
    return {
      title: changeWords.removeTitle(column.name),
      go: changeWords.remove,
      about: column.id,
      standing,
      to: {
        words: changeWords.holdsGo,
        choices: [
          ...inOrder.map(({ id, name }) => ({ value: id as string, title: name })),
          { value: none, title: statusWords.noColumn },
        ],
      },
      command: (to) => ({ type: 'column.remove', target: column.id, how: { to: (to || null) as BoardColumn['id'] | null } }), // prettier-ignore
    }
  }
  /** Asked where the board is set up, with what it touches beside it. */
  const askRemoval = (column: BoardColumn, standing: number): void =>
    void router.push(`/app/${project().prefix}/set-up/board`).then(() => setUp.ask(removal(column, standing)))
  const place = (column: BoardColumn) => columns(column).findIndex(({ id }) => id === column.id)
  return { columns, place, order, add, rename, describe, removal, askRemoval }
}
