import { describe, expect, it } from 'vitest'
import { commandOf } from '#core/commands/registry'
import { boardsOf, columnsOf, heldBy, statusesOf } from '#core/model/reader'
import type { CommandId } from '#core/base/ids'
import { run, smallWorkspace } from '#core/test-kit/workspace'
import { membersOf, othersOf } from './members'
import {
  asksText,
  demandChoices,
  goesToText,
  hasNoWayOut,
  mayLeave,
  movesOf,
  newStatus,
  orderOf,
  statusRows,
  stayWords,
  turnText,
  type Whereabouts,
} from './statuses'

const small = () => {
  const { state, project, people, ids } = smallWorkspace()
  const [workflow] = [...state.all('workflow')].map(({ id }) => id)
  const board = boardsOf(state, project.id)[0]!.id
  const rows = () => statusRows(state, workflow!)
  const done = (bare: Parameters<typeof commandOf>[1]) => run(state, commandOf(ids.next() as CommandId, bare), people.lead.id) // prettier-ignore
  return { state, project, people, ids, board, rows, done }
}

describe('a status that is added', () => {
  const added = (where: (columns: readonly { readonly id: string }[]) => string) => {
    const { state, project, ids, board, rows, done } = small()
    const after = rows()[1]!
    const place = where(columnsOf(state, board)) as Whereabouts
    done(newStatus(state, { after, name: 'Drying', phase: 'active', board, where: place }, ids.next))
    const holder = columnsOf(state, board).find((column) => heldBy(state, column.id).some((one) => state.maybe('status', one.status)?.name === 'Drying')) // prettier-ignore
    expect(rows().map(({ name }) => name).slice(1, 4)).toEqual(['Ready', 'Drying', 'In hand']) // prettier-ignore
    expect(statusesOf(state, project.id).map(({ name }) => name)[2]).toBe('Drying')
    return { holder: holder?.name, columns: columnsOf(state, board).map(({ name }) => name) }
  }

  it('comes after another, in a column of its own beside that one’s', () => {
    const { holder, columns } = added(() => 'own')
    expect(holder).toBe('Drying')
    expect(columns.slice(1, 4)).toEqual(['Ready', 'Drying', 'In hand'])
  })

  it('or in a column that is there, or in none', () => {
    expect(added((columns) => columns[0]!.id)).toMatchObject({ holder: 'Noted', columns: { length: 6 } })
    expect(added(() => 'none').holder).toBeUndefined()
  })
})

describe('statuses of a workflow', () => {
  it('are ordered in it and in the project alike', () => {
    const { state, project, rows, done } = small()
    done(orderOf(rows()[4]!, rows()[0]!))
    expect(rows()[0]!.name).toBe('Accepted')
    expect(statusesOf(state, project.id)[0]!.name).toBe('Accepted')
    done(orderOf(rows()[0]!, null))
    expect(rows().at(-1)!.name).toBe('Accepted')
  })

  it('say whose turn they are', () => {
    const { state, rows } = small()
    expect(rows().map((row) => turnText(state, row))).toEqual([
      'assignees',
      'assignees',
      'assignees',
      'reviewer',
      '',
      '',
    ])
    state.set('step', rows()[0]!.step.id, 'turn', { of: 'nobody' })
    expect(turnText(state, rows()[0]!)).toBe('nobody')
  })

  it('say how long items typically stay', () => {
    const hour = 3_600_000
    expect([hour / 4, 5 * hour, 23.8 * hour, 36 * hour, 73 * hour].map(stayWords)).toEqual([
      '15 min', '5 h', '1 day', '1.5 days', '3 days',
    ]) // prettier-ignore
  })
})

it('who takes part is told from who could', () => {
  const { state, project } = small()
  const names = (people: readonly { readonly name: string }[]) => people.map(({ name }) => name)
  expect(names(membersOf(state, project.id))).toEqual(['Imke', 'Séverine', 'Hamid', 'Yuki'])
  expect(names(othersOf(state, project.id))).toEqual(['Noor'])
})

describe('allowed moves', () => {
  it('are said in few words, and what leads nowhere is found', () => {
    const { rows, done } = small()
    const set = (at: number, to: readonly number[] | null) => {
      const { step } = rows()[at]!
      const goesTo = to && to.map((one) => rows()[one]!.id)
      done({ type: 'step.set', target: step.id, set: { goesTo: { from: step.goesTo ?? null, to: goesTo } } } as never)
      return goesToText(rows()[at]!, rows())
    }
    const n = rows().length
    expect([goesToText(rows()[0]!, rows()), movesOf(rows())]).toEqual(['anywhere', n * (n - 1)])
    expect(set(0, [1])).toBe('Ready')
    expect(set(1, [0, 2, 3, 4])).toBe('anywhere but Set aside')
    expect([set(2, []), hasNoWayOut(rows()[2]!, rows())]).toEqual(['nowhere', true])
    expect([set(4, []), hasNoWayOut(rows()[4]!, rows())]).toEqual(['nowhere', false])
    expect(movesOf(rows())).toBe(1 + (n - 2) + 2 * (n - 1))
    expect(mayLeave(rows()[0]!, rows()[2]!.id)).toBe(false)
  })

  it('and what entering a status asks for is a list to tick', () => {
    const { state, project, rows, done } = small()
    const choices = demandChoices(state, project.id)
    expect(new Set(choices.map(({ id }) => id)).size).toBe(choices.length)
    const asks = choices
      .filter(({ label }) => ['effort', 'a note', 'a lead'].includes(label))
      .map(({ demand }) => demand)
    done({ type: 'step.set', target: rows()[3]!.step.id, set: { asks: { from: null, to: asks } } } as never)
    expect(asksText(state, rows()[3]!)).toBe('effort, a note and a lead')
    expect(asksText(state, rows()[0]!)).toBe('')
  })
})
