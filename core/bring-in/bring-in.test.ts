import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { applyPatch } from '../change/patch'
import { judge, type Command } from '../commands/registry'
import { kindsOf, statusesOf } from '../model/reader'
import { contextOf, entryOf, run, smallWorkspace, type Small } from '../test-kit/workspace'
import { proposeColumns } from './columns'
import { guessType, writtenIn } from './guess'
import { parseCsv, type CsvTable } from './csv'
import { mostRecords } from './limits'
import { planRows, type Choices, type Plan } from './plan'

const sample = readFileSync(new URL('../../tests/fixtures/restoration.csv', import.meta.url), 'utf8')
const none: Choices = { statuses: {}, mends: {} }

function table(text: string): CsvTable {
  const read = parseCsv(text)
  if (!read.ok) throw new Error(JSON.stringify(read.problem))
  return read.value
}
function planOf(small: Small, text: string, choices = none): Plan {
  const read = table(text)
  return planRows(
    read,
    proposeColumns(read, small.state, small.project.id),
    choices,
    small.state,
    small.project,
    small.ids.next,
  )
}
const bringing = (small: Small, plan: Plan): Command => ({
  id: small.ids.command(),
  type: 'bring-in',
  v: 1,
  ...plan.body,
})

describe('the restoration file', () => {
  it('gives 412 items, 8 rows left out, 4 moved up, 12 people, in 5 levels', () => {
    const plan = planOf(smallWorkspace(), sample)
    expect(plan.body.items).toHaveLength(412)
    expect(plan.faults.map((fault) => fault.line)).toEqual([56, 107, 143, 208, 218, 219, 271, 298])
    expect(plan.faults.map((fault) => fault.problem.code)).toEqual([
      'no-title', 'no-such-day', 'gone', 'loop', 'loop', 'loop', 'not-unique', 'no-such-number',
    ]) // prettier-ignore
    expect(plan.movedUp).toHaveLength(4)
    expect(plan.peopleNamed).toBe(12)
    expect(plan.unknownStatuses).toEqual([])
    expect(plan.levels).toBe(5)
    expect(plan.body.kinds.map((kind) => kind.name).sort()).toEqual(['defect', 'deliverable', 'inspection'])
  })

  it('puts every column into a field that fits', () => {
    const small = smallWorkspace()
    const columns = proposeColumns(table(sample), small.state, small.project.id)
    const name = (id: string) => must(small.state.maybe('field', id), 'field').name
    const said = columns.map(
      ({ header, target }) =>
        `${header}: ${target.to === 'field' ? name(target.field) : target.to === 'new' ? `new ${target.type}` : target.to}`,
    )
    expect(said).toEqual([
      'Ref: outside reference', 'Title: title', 'Part of: parent', 'Kind: kind', 'State: status', 'Who: assignees',
      'Checked by: reviewer', 'Effort (h): effort', 'Cost: new number', 'Start: start', 'Due: due', 'Bay: new oneOption',
      'Tags: tags', 'Signed off: signed off', 'Notes: notes',
    ]) // prettier-ignore
  })

  it('is applied whole, and undone whole', () => {
    const small = smallWorkspace()
    const before = small.state.snapshot()
    const bring = bringing(small, planOf(small, sample))
    const patch = run(small.state, bring, small.people.owner.id)
    expect([...small.state.itemsOf(small.project.id)]).toHaveLength(412)
    const entry = entryOf(bring, small.people.owner.id, patch)
    run(small.state, { id: small.ids.command(), type: 'revert', v: 1, of: bring.id }, small.people.owner.id, {
      entryOf: () => entry,
    })
    const after = small.state.snapshot()
    expect({ ...after, project: [] }).toEqual({ ...before, project: [] })
    expect(small.state.maybe('project', small.project.id)?.nextNumber).toBe(413)
  })

  it('lets a row be mended', () => {
    const plan = planOf(smallWorkspace(), sample, {
      statuses: {},
      mends: { 56: { 1: 'Hang the nets' }, 107: { 10: '2026-02-28' } },
    })
    expect(plan.body.items).toHaveLength(414)
    expect(plan.body.items.some((item) => item.title === 'Hang the nets')).toBe(true)
  })

  it('keeps long texts whole, quotes and line ends included', () => {
    const plan = planOf(smallWorkspace(), sample)
    expect(plan.body.texts[0]?.text).toBe('=1+1 is not a formula here')
    expect(
      plan.body.texts.some((text) => text.text === 'Scaffold first,\nthen glass.\n"Mind the lead" says the survey'),
    ).toBe(true)
  })
})

describe('other files', () => {
  it('reads semicolons and tabs, and one column', () => {
    expect(table('a;b\n1;2\n').delimiter).toBe(';')
    expect(table('a\tb\n1\t2\n').delimiter).toBe('\t')
    const plan = planOf(smallWorkspace(), 'Title\nSow beans\nWater them\n')
    expect(plan.body.items.map((item) => item.title)).toEqual(['Sow beans', 'Water them'])
  })

  it('takes some column for the title where none is called so', () => {
    expect(planOf(smallWorkspace(), 'Job,Day\nSow,2026-03-01\n').body.items[0]?.title).toBe('Sow')
  })

  it.each([
    ['an empty file', '', 'empty'],
    ['blanks only', ' \n\n', 'empty'],
    ['a binary file', 'PK\u0003\u0004\u0000\u0000', 'not a text'],
    ['an open quote', 'Title\n"never closed\n', 'line 2'],
  ])('refuses %s', (_name, text, where) => {
    const read = parseCsv(text)
    expect(read.ok ? '' : read.problem.said?.where).toContain(where)
  })

  it('refuses more than 50,000 rows with both numbers', () => {
    const read = parseCsv('Title\n' + 'x\n'.repeat(mostRecords + 10_000))
    expect(read.ok ? '' : read.problem).toEqual({ code: 'too-many-rows', said: { rows: 60_000, most: 50_000 } })
  })

  it('counts physical lines, also over cells of several lines and empty lines', () => {
    const read = table('Title,Note\r\na,"one\r\ntwo"\r\n\r\nb,x\r\n')
    expect(read.records.map((record) => record.line)).toEqual([2, 5])
  })

  it('asks for unknown statuses, and takes the answer', () => {
    const small = smallWorkspace()
    const text = 'Title,Status\nSow,sprouting\n'
    expect(planOf(small, text).unknownStatuses).toEqual(['sprouting'])
    const active = must(statusesOf(small.state, small.project.id)[2], 'status').id
    const plan = planOf(small, text, { statuses: { sprouting: active }, mends: {} })
    expect(plan.unknownStatuses).toEqual([])
    expect(plan.body.items[0]?.status).toBe(active)
  })

  it('takes people with other accents and case for the same, and proposes the rest without an account', () => {
    const small = smallWorkspace()
    const plan = planOf(small, 'Title,Who\nSow,severine; SÉVERINE\nDig,Otto Fern\n')
    expect(plan.body.people.map((person) => [person.name, person.role])).toEqual([['Otto Fern', null]])
    const assignees = must(small.project.uses.assignees, 'use')
    expect(plan.body.items[0]?.values[assignees]).toEqual([small.people.owner.id])
  })

  it('puts rows under items that are there already, by outside reference or key', () => {
    const small = smallWorkspace()
    run(small.state, bringing(small, planOf(small, 'Ref,Title\nA1,Beds\n')), small.people.owner.id)
    const plan = planOf(small, 'Ref,Title,Part of\nA2,North bed,A1\nA3,South bed,GLH-1\nA1,again,\n')
    expect(plan.body.items.map((item) => item.parent)).toEqual(
      [...small.state.itemsOf(small.project.id)].flatMap((item) => [item.id, item.id]),
    )
    expect(plan.faults.map((fault) => [fault.line, fault.problem.code])).toEqual([[4, 'not-unique']])
  })

  it('is refused to those who may not set up the project, when it would make fields', () => {
    const small = smallWorkspace()
    const plan = planOf(small, 'Title,Bay\na,x\nb,x\nc,x\n')
    const refused = judge(
      small.state,
      bringing(small, plan),
      contextOf({ id: small.ids.command() }, small.people.contributor.id),
    )
    expect(refused).toMatchObject({ ok: false, problem: { code: 'not-allowed' } })
  })

  it('leaves alone on undo what others have changed since', () => {
    const small = smallWorkspace()
    const bring = bringing(small, planOf(small, 'Title,Part of,Ref\nBeds,,A\nNorth,A,B\nPots,,C\n'))
    const patch = run(small.state, bring, small.people.owner.id)
    const north = must(
      [...small.state.itemsOf(small.project.id)].find((item) => item.title === 'North'),
      'item',
    )
    run(
      small.state,
      {
        id: small.ids.command(),
        type: 'items.set',
        v: 1,
        items: [{ item: north.id, set: { title: { from: 'North', to: 'Far north' } } }],
      },
      small.people.lead.id,
    )
    const entry = entryOf(bring, small.people.owner.id, patch)
    const back = judge(
      small.state,
      { id: small.ids.command(), type: 'revert', v: 1, of: bring.id },
      contextOf({ id: small.ids.command() }, small.people.owner.id, { entryOf: () => entry }),
    )
    if (back.ok) applyPatch(small.state, back.value.patch)
    // North was changed and Beds holds it: both stay; Pots goes.
    expect([...small.state.itemsOf(small.project.id)].map((item) => item.title).sort()).toEqual(['Beds', 'Far north'])
  })
})

describe('what a column is', () => {
  it.each([
    [['yes', 'no', ''], 'checkbox'],
    [['2026-01-01', '24.12.2026'], 'date'],
    [['1', '2,5', '3'], 'number'],
    [['a', 'b', 'a', 'a', 'b', 'a'], 'oneOption'],
    [['a; b', 'a', 'b', 'a; b', 'b', 'a'], 'severalOptions'],
    [['one\ntwo'], 'longText'],
    [['quite', 'different', 'words'], 'shortText'],
    [['Imke', 'Hamid; Imke'], 'people'],
    [['€ 12.50', '1 200 €', 'EUR 3'], 'money'],
    [['12,50 CHF', '3 CHF'], 'money'],
    [['1d 4h', '90 min', '2 h'], 'duration'],
    [['1:30', '0:45'], 'duration'],
    [['2026-11-24 14:00', '24.11.2026 9:30', '2026-11-24T14:00:00'], 'dateTime'],
    [['https://glasshouse.example/a', 'www.glasshouse.example'], 'webLink'],
    [['imke@glasshouse.example', 'hamid@glasshouse.example'], 'email'],
    [['+49 351 1234567', '0351 / 98 76 54'], 'phone'],
    [['going well', 'in trouble', 'Needs watching'], 'health'],
    [['4', '1.200', '1.250,5'], 'number'],
    [['12 m', '3 m'], 'shortText'],
  ])('%j is %s', (cells, type) => {
    expect(guessType(cells.filter(Boolean), smallWorkspace().state).type).toBe(type)
  })
})

describe('how a column is written', () => {
  it.each([
    [['24/11/2026', '1/2/2026'], { first: 'day', decimal: '.' }, []],
    [['11/24/2026', '1/2/2026'], { first: 'month', decimal: '.' }, []],
    [['1/2/2026', '3/4/2026'], { first: 'day', decimal: '.' }, ['first']],
    [['2/2/2026'], { first: 'day', decimal: '.' }, []],
    [['1/2/2026', '13/14/2026'], { first: 'day', decimal: '.' }, ['first']],
    [['1,200'], { first: 'day', decimal: '.' }, ['decimal']],
    [['1,200', '1,5'], { first: 'day', decimal: ',' }, []],
    [['1.200,50'], { first: 'day', decimal: ',' }, []],
    [['1,200.50', '3'], { first: 'day', decimal: '.' }, []],
    [['1.200.000'], { first: 'day', decimal: ',' }, []],
    [['0.125'], { first: 'day', decimal: '.' }, []],
    [['24.11.2026', 'words, and more'], { first: 'day', decimal: '.' }, []],
  ])('%j', (cells, written, unsure) => expect(writtenIn(cells)).toMatchObject({ written, unsure }))
  it('decides what its cells become', () => {
    const small = smallWorkspace()
    const plan = planOf(small, 'Title,Cost,On\nBeds,"1.200,50",11/24/2026\nPots,"2,5",1/2/2026\n')
    const [cost, on] = plan.body.fields
    expect([cost?.type, cost?.settings, on?.type]).toEqual(['number', { decimals: 2 }, 'date'])
    expect(plan.body.items.map(({ values }) => [values[cost!.id], values[on!.id]])).toEqual([[120_050, '2026-11-24'], [250, '2026-01-02']]) // prettier-ignore
  })
})

it('proposes new kinds on the workflow that the project has', () => {
  const small = smallWorkspace()
  const plan = planOf(small, 'Title,Kind\nLeak,Defect\nOther leak,DEFECT\n')
  expect(plan.body.kinds).toHaveLength(1)
  expect(plan.body.kinds[0]?.workflow).toBe(kindsOf(small.state, small.project.id)[0]?.workflow)
})

describe('what a file should not hold', () => {
  it('a cell of a megabyte is told as too long, wherever it stands, and the others come in', () => {
    const small = smallWorkspace()
    const long = 'x'.repeat(1 << 20)
    const plan = planOf(small, `Title,Notes,outside reference\n${long},,\nSow,${long},\nDig,,${long}\nHoe,short,R-1\n`)
    expect(plan.body.items.map(({ title }) => title)).toEqual(['Hoe'])
    expect(plan.faults.map(({ problem }) => problem.code)).toEqual(['too-long', 'too-long', 'too-long'])
    // Its words are said in few.
    expect(JSON.stringify(plan.faults.map(({ problem }) => problem)).length).toBeLessThan(2000)
  })

  it('keys in a relation become links; one that is not there, or is taken, is told', () => {
    const small = smallWorkspace()
    const by = small.people.owner.id
    run(small.state, bringing(small, planOf(small, 'Title\nBed\nShed\n')) as never, by)
    const plan = planOf(
      small,
      'Title,Needs,Needed for\nDig,GLH-1;glh-2,\nRake,,GLH-1\nLost,GLH-99,\nTwo,,GLH-1;GLH-2\n',
    )
    expect(plan.faults.map(({ problem }) => problem.code)).toEqual(['no-item', 'one-item'])
    expect(plan.body.items.map(({ title }) => title)).toEqual(['Dig', 'Rake'])
    run(small.state, bringing(small, plan) as never, by)
    expect([...small.state.all('link')]).toHaveLength(3)
    const again = bringing(small, planOf(small, 'Title,Needs\nHoe,GLH-1\n'))
    const refused = judge(small.state, again, contextOf(again, by))
    expect(refused.ok ? undefined : refused.problem.code).toBe('linked-already')
  })
})
