import { PGlite } from '@electric-sql/pglite'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { fieldsOf } from '../model/reader'
import { compareRanked } from '../base/ranked'
import { fieldRef } from '../facts/registry'
import { automaticFactNames } from '../model/names'
import type { Condition, FactRef, FactTest } from '../model/records'
import { randomOf, testToday } from '../test-kit/views'
import { smallWorkspace } from '../test-kit/workspace'
import { evaluate, planOf, type ViewQuestion } from './evaluate'
import { viewContext } from '../facts/contract'

// The same questions asked of a database, which knows nothing of this engine.
const small = smallWorkspace()
const { state, project, people } = small
const random = randomOf(small)
const { uses } = project
const named = (name: string) => fieldsOf(state, project.id).find((field) => field.name === name)!.id as string
const statuses = [...state.all('status')].sort(compareRanked)
const [needs, tags] = ['need', 'tags'].map((name) => state.optionsOf(named(name)))
let db: PGlite

beforeAll(async () => {
  const items = fc.sample(random.item, { numRuns: 800, seed: 7 })
  items.forEach((item, i) =>
    state.put(
      'item',
      random.itemId(i),
      random.itemAt(i, item, () => i % 3 > 0),
    ),
  )
  db = await PGlite.create()
  await db.exec('create table item (id uuid, record jsonb)')
  for (const item of state.itemsOf(project.id)) await db.query('insert into item values ($1, $2)', [item.id, item])
}, 60_000)
afterAll(() => db.close())

const ref = (by: string): FactRef =>
  (automaticFactNames as readonly string[]).includes(by) ? ({ fact: by } as FactRef) : fieldRef(by as never)
const fact = (by: string, test: FactTest): Condition => ({ about: 'fact', fact: ref(by), test })
const value = (field: string) => `record->'values'->'${field}'`
const text = (field: string) => `record->'values'->>'${field}'`
const listed = `record->>'archived' is null`
const byRank = `record->>'rank' collate "C", id`

interface Asked {
  readonly question: ViewQuestion
  readonly where: string
  readonly order: string
}
const bare: ViewQuestion = { where: [], group: [], sort: [], totals: [] }
const due = named('due')
const effort = named('effort')
const questions: Readonly<Record<string, () => Asked>> = {
  'an option, dates empties last': () => ({
    question: { ...bare, where: [fact(uses.need!, { is: 'anyOf', values: [needs![0]!.id, needs![2]!.id] })], sort: [{ by: ref(due), down: false }] },
    where: `${text(uses.need!)} in ('${needs![0]!.id}', '${needs![2]!.id}')`,
    order: `${text(due)} asc nulls last`,
  }),
  'people or nothing, numbers descending, empties first': () => ({
    question: {
      ...bare,
      where: [{ about: 'any', of: [fact(uses.assignees!, { is: 'anyOf', values: ['me'] }), fact(uses.assignees!, { is: 'empty' })] }],
      sort: [{ by: ref(effort), down: true, emptyFirst: true }],
    },
    where: `(${value(uses.assignees!)} ? '${people.owner.id}' or ${value(uses.assignees!)} is null)`,
    order: `(${text(effort)})::int desc nulls first`,
  }),
  'none of, a number between': () => ({
    question: {
      ...bare,
      where: [
        { about: 'none', of: [fact('status', { is: 'anyOf', values: [statuses[0]!.id] }), fact('title', { is: 'has', words: 'RIDGE' })] },
        fact(effort, { is: 'between', from: 0, to: 500 }),
      ],
    },
    where: `not (record->>'status' = '${statuses[0]!.id}' or record->>'title' ilike '%ridge%') and (${text(effort)})::int between 0 and 500`,
    order: '1',
  }),
  'all of several options, a span of days': () => ({
    question: {
      ...bare,
      where: [
        fact(named('tags'), { is: 'allOf', values: [tags![0]!.id, tags![1]!.id] }),
        fact(due, { is: 'days', from: { of: 'week', n: 0 }, to: { of: 'month', n: 0, end: true } }),
      ],
    },
    where: `${value(named('tags'))} ?& array['${tags![0]!.id}', '${tags![1]!.id}'] and (${text(due)})::date between date_trunc('week', date '${testToday}') and date_trunc('month', date '${testToday}') + interval '1 month - 1 day'`,
    order: '1',
  }),
  'a child that is ticked': () => ({
    question: { ...bare, where: [{ about: 'anyChild', that: fact(named('signed off'), { is: 'filled' }) }] },
    where: `exists (select 1 from item child where child.record->>'parent' = item.id::text and child.record->>'archived' is null and (${value(named('signed off')).replace('record', 'child.record')})::boolean)`,
    order: '1',
  }),
} // prettier-ignore

describe('the same questions asked of a database', () => {
  it.each(Object.keys(questions))('%s', async (name) => {
    const { question, where, order } = questions[name]!()
    const context = viewContext(state, project.id, { me: people.owner.id, today: testToday })
    const ours = evaluate(planOf(context, question)).leaves.flatMap((leaf) => Array.from(leaf.rows.subarray(0, leaf.n), (row) => context.table.ids[row]!)) // prettier-ignore
    const by = order === '1' ? byRank : `${order}, ${byRank}`
    const { rows } = await db.query<{ id: string }>(`select id from item where ${listed} and ${where} order by ${by}`)
    expect(rows.length).toBeGreaterThan(0)
    expect(ours).toEqual(rows.map((row) => row.id))
  })

  it('counts and sums by group are the same', async () => {
    const context = viewContext(state, project.id, { me: people.owner.id, today: testToday })
    const question: ViewQuestion = {
      ...bare,
      group: [{ by: ref(uses.need!) }],
      totals: [{ name: 'sum', of: ref(effort) }],
    }
    const ours = evaluate(planOf(context, question)).leaves.map(({ path, n, tally }) => [path[0], n, tally.filled[0] ? tally.sum[0] : null]) // prettier-ignore
    const { rows } = await db.query<{ need: string; n: number; sum: number | null }>(
      `select ${text(uses.need!)} as need, count(*)::int as n, sum((${text(effort)})::int)::int as sum from item where ${listed} group by 1`,
    )
    const key = (list: unknown[][]) => list.map((one) => JSON.stringify(one)).sort()
    expect(key(ours)).toEqual(key(rows.map((row) => [row.need, row.n, row.sum])))
  })
})

describe('the order of texts', () => {
  it('is the collator’s, numbers within them by value and accents as the language has them', () => {
    const collator = new Intl.Collator('en', { numeric: true })
    fc.assert(
      fc.property(fc.array(fc.oneof(fc.constantFrom('Bay 2', 'Bay 10', 'bay 2', 'Öl', 'Ol', 'öl', 'Łódź', 'a', ''), fc.string({ maxLength: 8 })), { maxLength: 80 }), fc.array(fc.tuple(fc.nat(79), fc.string({ maxLength: 5 })), { maxLength: 20 }), fc.boolean(), (titles, edits, down) => {
        const one = smallWorkspace()
        const held = titles.map((title, i) => ({ ...random.itemAt(i, fc.sample(random.item, { numRuns: 1, seed: i })[0]!, () => false), title, archived: null })) // prettier-ignore
        held.forEach((item) => one.state.put('item', item.id, item))
        const context = viewContext(one.state, one.project.id, { me: one.people.owner.id, today: testToday })
        // The order is known before the edits, and kept right by them.
        void context.table.title.ordering.order
        for (const [at, title] of edits) {
          const item = held[at]
          if (!item) continue
          held[at] = { ...item, title }
          one.state.set('item', item.id, 'title', title)
          if (at % 2) void context.table.title.ordering.order
        }
        const ours = evaluate(planOf(context, { ...bare, sort: [{ by: { fact: 'title' }, down }] })).leaves.flatMap((leaf) => Array.from(leaf.rows, (row) => context.table.title.a[row])) // prettier-ignore
        const plain = held.map((item) => item.title).sort((a, b) => (down ? collator.compare(b, a) : collator.compare(a, b)))
        expect(ours.map((title, i) => collator.compare(title!, plain[i]!))).toEqual(plain.map(() => 0))
      }), // prettier-ignore
      { numRuns: 300 },
    )
  })
})
