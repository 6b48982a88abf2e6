import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { boardsOf, fieldsOf, statusesOf, plainLimit } from '../model/reader'
import type { Item } from '../model/records'
import { command, grown, PlainRoom, smallWorkspace, today, type Dice, type Small } from '../test-kit/workspace'
import { ColumnPlaces, dropOn, heldByColumn, roomOf, roomWords } from '../board/columns'
import { nobodysTurn, queueOf } from '../queue/queue'
import { lateDays, turnOf } from '../model/turn'
import { compareRanked } from '../base/ranked'
import { itemsIn, readPayload, toPayload, type Payload } from '../wire/payload'
import { directoryFor } from '../wire/directory'
import { seenBy } from '../wire/seen'

const dice = fc.tuple(fc.nat(1000), fc.nat(1000), fc.nat(1000)) as fc.Arbitrary<Dice>
const fieldNamed = (small: Small, name: string) =>
  must(
    fieldsOf(small.state, small.project.id).find((field) => field.name === name),
    name,
  )

describe('whose turn', () => {
  function withItem(status: number, values: Record<string, unknown>) {
    const small = smallWorkspace()
    grown(small, [[0, 1, 0]])
    const [item] = small.state.itemsOf(small.project.id)
    const statusId = must(statusesOf(small.state, small.project.id)[status], 'status').id
    const byId = Object.fromEntries(Object.entries(values).map(([name, value]) => [fieldNamed(small, name).id, value]))
    const changed = { ...must(item, 'item'), status: statusId, values: byId as Item['values'] }
    small.state.put('item', changed.id, changed)
    return { small, item: changed }
  }
  const [a, b] = ['00000000-0000-7000-8000-00000000000a', '00000000-0000-7000-8000-00000000000b']
  it.each([
    ['the assignees while working', 2, { assignees: [a], reviewer: [b] }, [a]],
    ['the reviewer while being checked', 3, { assignees: [a], reviewer: [b] }, [b]],
    ['the assignees where no reviewer is named', 3, { assignees: [a] }, [a]],
    ['nobody where nobody is named', 3, {}, []],
    ['nobody when it is finished', 4, { assignees: [a], reviewer: [b] }, []],
  ])('%s', (_what, status, values, people) => {
    const { small, item } = withItem(status, values)
    expect(turnOf(small.state, item)).toEqual({ people, open: status < 4 })
    expect(nobodysTurn(small.state, [small.project]).length).toBe(status < 4 && !people.length ? 1 : 0)
  })
  it('late is counted in working days, at least one, and only while it is open', () => {
    const late = (status: number, due: string, on = today) => { const { small, item } = withItem(status, { due }); return lateDays(small.state, item, on) } // prettier-ignore
    expect(late(2, '2026-11-20')).toBe(3)
    expect(late(2, '2026-11-25')).toBe(0)
    expect(late(2, '2026-11-27', '2026-11-28')).toBe(1)
    expect(late(4, '2026-11-20')).toBe(0)
  })
})

describe('a queue', () => {
  it('holds each open item of mine once, in the order: late, due, project, rank', () => {
    fc.assert(
      fc.property(fc.array(dice, { minLength: 20, maxLength: 80 }), (rolls) => {
        const small = smallWorkspace()
        grown(small, rolls)
        const me = small.people.owner.id
        const queue = queueOf(small.state, me, today)
        const isOut = (item: Item) => item.archived || small.state.maybe('project', item.project)?.archived
        const mine = [...small.state.all('item')].filter(
          (item) => !isOut(item) && turnOf(small.state, item).people.includes(me),
        )
        expect(new Set([...queue.now, ...queue.next].map((entry) => entry.item.id))).toEqual(
          new Set(mine.map((item) => item.id)),
        )
        for (const part of [queue.now, queue.next])
          for (const [i, one] of part.entries()) {
            const next = part[i + 1]
            if (!next) continue
            expect(one.late).toBeGreaterThanOrEqual(next.late)
            if (one.late === next.late) expect((one.due ?? '9999') <= (next.due ?? '9999')).toBe(true)
          }
        for (const one of queue.waits) expect(one.waitsFor).not.toContain(me)
      }),
      { numRuns: 60 },
    )
  })
})

describe('a board', () => {
  it('counts every unarchived item once, whatever a view leaves out', () => {
    const small = smallWorkspace()
    grown(
      small,
      Array.from({ length: 60 }, (_, i) => [i, i * 7, i * 3] as const),
    )
    const board = must(boardsOf(small.state, small.project.id)[0], 'board').id
    const { columns: held } = heldByColumn(small.state, small.project.id, new ColumnPlaces(small.state, board))
    expect([...held.values()].reduce((sum, n) => sum + n, 0)).toBe(
      [...small.state.itemsOf(small.project.id)].filter((item) => !item.archived).length,
    )
  })
  it.each([
    [4, 6, 'room for 2'], [6, 6, 'full'], [8, 6, '2 over'], [1, 0, '1 over'], [3, null, ''],
  ])('%d held of %s: %s', (held, limit, words) => expect(roomWords(roomOf(held, limit))).toBe(words)) // prettier-ignore
  it('says what a drop would do', () => {
    const most = plainLimit
    expect([dropOn(4, most(6), 1), dropOn(5, most(6), 1), dropOn(6, most(6), 1), dropOn(8, most(6), 1), dropOn(2, null, 1)].map((drop) => drop.words)).toEqual([
      '1 more, then room for 1', '1 more makes it full', '1 more would make it 1 over', '1 more would make it 3 over', '1 more here',
    ]) // prettier-ignore
    expect([dropOn(5, most(6), 1), dropOn(6, most(6), 1), dropOn(9, null, 1), dropOn(7, most(6), 0)].map((drop) => drop.isOver)).toEqual([
      false, true, false, true,
    ]) // prettier-ignore
    expect([dropOn(4, most(6), 0).words, dropOn(4, null, 0).words]).toEqual(['room for 2', 'here'])
  })
})

describe('what crosses the line', () => {
  it('a payload gives the items back as they were', () => {
    const small = smallWorkspace()
    grown(
      small,
      Array.from({ length: 80 }, (_, i) => [i, i * 7, i * 3] as const),
    )
    const items = [...small.state.itemsOf(small.project.id)].sort(compareRanked)
    const crossed = JSON.parse(JSON.stringify(toPayload(small.state, small.project.id, 7))) as Payload
    expect(itemsIn(crossed)).toEqual(items)
    const state = smallWorkspace().state
    readPayload(state, crossed)
    expect([...state.itemsOf(small.project.id)]).toEqual(items)
  })
  it('a person gets the projects and views that are theirs to see', () => {
    const small = smallWorkspace()
    const { contributor, stranger, owner } = small.people
    expect(directoryFor(small.state, contributor.id).project).toHaveLength(1)
    expect(directoryFor(small.state, stranger.id)).toMatchObject({ project: [], field: [], status: [], view: [] })
    const view = {
      id: small.ids.next() as never,
      project: small.project.id,
      maker: owner.id,
      audience: { of: 'maker' as const },
      name: 'Mine',
      rank: 'a1',
      definition: { v: 3 as const, layout: 'table' as const, where: [], group: [], sort: [], totals: [], show: [] },
    }
    const adding = command(small.ids, { type: 'view.add', record: view })
    const room = new PlainRoom(small.state)
    room.do(adding, owner.id)
    const [done] = room.done
    expect(seenBy(small.state, done!, owner.id)?.patch).toHaveLength(1)
    expect(seenBy(small.state, done!, contributor.id)).toBeUndefined()
  })
  it('words of long texts and stays are for the server alone', () => {
    const small = smallWorkspace()
    grown(small, [[0, 1, 1]])
    const [item] = small.state.itemsOf(small.project.id)
    const writing = command(small.ids, {
      type: 'items.text',
      item: must(item, 'item').id,
      field: fieldNamed(small, 'notes').id,
      revision: 0,
      text: 'secret words',
    })
    const room = new PlainRoom(small.state)
    room.do(writing, small.people.owner.id)
    const [done] = room.done
    expect(JSON.stringify(seenBy(small.state, done!, small.people.contributor.id))).not.toContain('secret words')
    expect(seenBy(small.state, done!, small.people.stranger.id)).toBeUndefined()
  })
})
