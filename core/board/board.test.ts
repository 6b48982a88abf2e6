import { beforeEach, describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { judge, type Command } from '../commands/registry'
import { boardsOf, columnsOf, heldBy, kindsOf, limitOf, plainLimit } from '../model/reader'
import type { BoardColumn, Person } from '../model/records'
import { command, contextOf, run, smallWorkspace, type Small } from '../test-kit/workspace'
import { ColumnPlaces } from './columns'

let small: Small
let column: BoardColumn
const columns = () => columnsOf(small.state, must(boardsOf(small.state, small.project.id)[0], 'board').id)
beforeEach(() => {
  small = smallWorkspace()
  column = must(columns()[2], 'column')
})
const setting = (from: number | null, to: number | null, of: string = column.id) =>
  command(small.ids, { type: 'limit.set', column: of as never, from: plainLimit(from), to: plainLimit(to) })
function answer(command: Command, by: Person = small.people.lead): unknown {
  const judged = judge(small.state, command, contextOf(command, by.id))
  if (!judged.ok) return judged.problem
  run(small.state, command, by.id)
  return limitOf(small.state, column.id)
}

describe('the limit of a column', () => {
  it('is set, changed and taken off, and no other column with it', () => {
    const others = () => columns().filter(({ id }) => id !== column.id).map(({ id }) => limitOf(small.state, id)) // prettier-ignore
    const before = others()
    expect([answer(setting(6, 4)), answer(setting(4, 0)), answer(setting(0, null))]).toEqual([4, 0, null])
    expect(others()).toEqual(before)
  })

  it('is for those who set up the project', () => {
    for (const by of [small.people.contributor, small.people.reader])
      expect(answer(setting(6, 3), by)).toMatchObject({ code: 'not-allowed', said: { act: 'set up project' } })
  })

  it('is refused with both numbers where somebody set it meanwhile', () => {
    answer(setting(6, 9))
    expect(answer(setting(6, 5))).toMatchObject({
      code: 'changed-meanwhile',
      at: [{ field: 'limit', yours: plainLimit(5), stored: plainLimit(9) }],
    })
    // What is there already is no conflict, and changes nothing.
    expect(run(small.state, setting(6, 9), small.people.lead.id)).toEqual([])
  })

  it('is none below zero, and none of a column that is not there', () => {
    expect(answer(setting(6, -1))).toMatchObject({ code: 'limit-below-zero' })
    expect(answer(setting(null, 3, 'nowhere'))).toMatchObject({ code: 'gone' })
  })
})

describe('what a column holds', () => {
  it('is each status for every kind, and for a named kind another column may hold it', () => {
    const { state, project } = small
    const board = must(boardsOf(state, project.id)[0], 'board').id
    const [first, second] = columns()
    const status = must(heldBy(state, first!.id)[0], 'status').status
    const kind = kindsOf(state, project.id)[0]!.id
    expect(new ColumnPlaces(state, board).columnOf(kind, status)?.id).toBe(first!.id)
    const id = `${second!.id}/${status}` as never
    state.put('columnStatus', id, { id, column: second!.id, status, kind })
    expect(new ColumnPlaces(state, board).columnOf(kind, status)?.id).toBe(second!.id)
    expect(new ColumnPlaces(state, board).columnOf('another', status)?.id).toBe(first!.id)
    expect(new ColumnPlaces(state, board).columnOf(kind, 'another')).toBeUndefined()
  })
})
