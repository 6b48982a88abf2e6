import { beforeEach, describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { judge } from '../commands/registry'
import { boardOf } from '../model/reader'
import type { Board, Column, Person } from '../model/records'
import { contextOf, run, smallWorkspace, type Small } from '../test-kit/workspace'

let small: Small
let board: Board
let column: Column
const now = () => must(boardOf(small.state, small.project.id), 'board')
beforeEach(() => {
  small = smallWorkspace()
  board = now()
  column = must(board.definition.columns[2], 'column')
})
const setting = (from: number | null, to: number | null, more: object = {}) =>
  ({
    id: small.ids.command(),
    type: 'board.limit',
    v: 1,
    board: board.id,
    column: column.id,
    from,
    to,
    ...more,
  }) as const
function answer(command: ReturnType<typeof setting>, by: Person = small.people.lead): unknown {
  const patch = judge(small.state, command, contextOf(command, by.id))
  if (!patch.ok) return patch.problem
  run(small.state, command, by.id)
  return now().definition.columns.find((one) => one.id === column.id)?.limit
}

describe('the limit of a column', () => {
  it('is set, changed and taken off, and no other column with it', () => {
    expect([answer(setting(column.limit, 6)), answer(setting(6, 0)), answer(setting(0, null))]).toEqual([6, 0, null])
    const others = (one: Board) => one.definition.columns.filter(({ id }) => id !== column.id)
    expect(others(now())).toEqual(others(board))
  })

  it('is for leads', () => {
    for (const by of [small.people.contributor, small.people.reader])
      expect(answer(setting(column.limit, 3), by)).toMatchObject({ code: 'not-allowed', said: { needs: 'lead' } })
  })

  it('of the same board is told with both numbers where somebody set it meanwhile', () => {
    answer(setting(column.limit, 9))
    expect(answer(setting(column.limit, 5))).toMatchObject({
      code: 'changed-meanwhile',
      at: [{ field: 'limit', yours: 5, stored: 9 }],
    })
    // What is there already is no conflict, and changes nothing.
    const again = setting(column.limit, 9)
    expect(run(small.state, again, small.people.lead.id)).toEqual([])
  })

  it('is none below zero, and none of a column that is not there', () => {
    expect(answer(setting(column.limit, -1))).toMatchObject({ code: 'limit-below-zero' })
    expect(answer(setting(null, 3, { column: 'nowhere' }))).toMatchObject({ code: 'gone' })
    expect(answer(setting(null, 3, { board: small.ids.next() }))).toMatchObject({ code: 'gone' })
  })
})
