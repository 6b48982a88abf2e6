/** The same views by general libraries, given every help they can use; each is checked to give the same rows. */
import { compareText, foldText } from '#core/base/collation'
import { dayNumber } from '#core/base/dates'
import type { Item } from '#core/model/records'
import { evaluate, planOf } from '#core/views/evaluate'
import { viewContext } from '#core/facts/contract'
import { emptyProject, itemsOf, viewer, people, project, today, views } from '../engine-data'
import { median } from '../line'

// Their types are not installed with the application.
/* eslint-disable @typescript-eslint/no-explicit-any */
const load = (name: string): Promise<any> => import(name)

const n = 100_000
const names = ['V1', 'V1w', 'V2', 'V3'] as const
type View = (typeof names)[number]
interface Peer {
  readonly name: string
  run(view: View): Promise<readonly number[]> | readonly number[]
}

const items = itemsOf(n)
const day = today + 7
const places = (field: string, list: readonly string[]) => new Map(list.map((one, i) => [`${field} ${one}`, i]))
const zones = places('zone', ['north', 'east', 'south', 'west', 'core', 'edge'])
const facts = items.map((item: Item, row) => ({
  row,
  title: item.title,
  folded: foldText(item.title),
  status: Number(item.status.slice(7)),
  zone: zones.get(String(item.values.zone)) ?? 6,
  isTop: item.values.priority === 'priority top',
  assignees: (item.values.assignees ?? []) as string[],
  reviewer: ((item.values.reviewer ?? []) as string[])[0],
  due: item.values.due ? dayNumber(String(item.values.due)) : 1e6,
  cost: item.values.cost === undefined ? undefined : Number(item.values.cost),
  effort: item.values.effort === undefined ? undefined : Number(item.values.effort),
  rank: item.rank,
}))
type Fact = (typeof facts)[number]
const isMine = (one: Fact) => one.assignees.includes(viewer.me) || one.reviewer === viewer.me
const isUrgent = (one: Fact) => one.status !== 6 && one.status !== 7 && (one.due < day || one.isTop)
const tests: Readonly<Record<View, (one: Fact) => boolean>> = {
  V1: (one) => isMine(one) && isUrgent(one),
  V1w: isUrgent,
  V2: (one) => one.folded.includes('xyz'),
  V3: () => true,
}
const placeByRank = new Int32Array(n)
facts
  .map((fact) => fact.row)
  .sort((a, b) => (facts[a]!.rank < facts[b]!.rank ? -1 : 1))
  .forEach((row, k) => (placeByRank[row] = k))

function ours(): Peer {
  const state = emptyProject()
  const table = state.table(project)
  table.reserve(n)
  for (const item of items) table.put(item)
  void table.title.ordering.order
  const ask = viewContext(state, project, viewer)
  const plans = new Map(names.map((name) => [name, planOf(ask, views[name])]))
  return {
    name: 'Wrenleaf',
    run: (view) => evaluate(plans.get(view)!).leaves.flatMap((leaf) => (view === 'V3' || view === 'V1w' ? [leaf.n] : Array.from(leaf.rows.subarray(0, leaf.n)))), // prettier-ignore
  }
}

async function tableCore(): Promise<Peer> {
  const core = await load('@tanstack/table-core')
  const { storeReactivityBindings } = await load('@tanstack/table-core/store-reactivity-bindings')
  const features = core.tableFeatures({
    coreReactivityFeature: storeReactivityBindings(), columnFilteringFeature: core.columnFilteringFeature, columnGroupingFeature: core.columnGroupingFeature,
    rowSortingFeature: core.rowSortingFeature, rowAggregationFeature: core.rowAggregationFeature, coreRowModel: core.createCoreRowModel(), filteredRowModel: core.createFilteredRowModel(),
    groupedRowModel: core.createGroupedRowModel(), sortedRowModel: core.createSortedRowModel(), aggregationFns: { sum: core.aggregationFn_sum, count: core.aggregationFn_count },
  }) // prettier-ignore
  const number = (id: keyof Fact) => ({ id, accessorFn: (one: Fact) => one[id], sortFn: core.sortFn_basic, sortUndefined: 'last' }) // prettier-ignore
  const columns = [
    { id: 'test', accessorFn: (one: Fact) => one, filterFn: (row: any, _id: string, value: any) => value.test(row.original) },
    number('zone'), number('status'), number('due'), number('cost'), number('rank'),
    { id: 'title', accessorFn: (one: Fact) => one.title, sortFn: (a: any, b: any) => compareText(a.original.title, b.original.title) },
    { id: 'effort', accessorFn: (one: Fact) => one.effort, aggregationFn: 'sum' },
  ] // prettier-ignore
  const table = core.constructTable({ features, columns, data: facts, getRowId: (one: Fact) => String(one.row), autoResetAll: false }) // prettier-ignore
  table.getCoreRowModel()
  const by = (...ids: string[]) => ids.map((id) => ({ id: id.replace('-', ''), desc: id.startsWith('-') }))
  const asks: Readonly<Record<View, [group: string[], sort: { id: string; desc: boolean }[]]>> = {
    V1: [['zone', 'status'], by('zone', 'status', 'due', 'title', 'rank')],
    V1w: [['zone', 'status'], by('zone', 'status', 'due', 'title', 'rank')],
    V2: [[], by('-cost', 'rank')],
    V3: [['status'], by('status', 'rank')],
  }
  let flip = 0
  return {
    name: '@tanstack/table-core',
    run(view) {
      const [group, sort] = asks[view]
      // Its state must differ each time, or what it remembers comes back.
      flip ^= 1
      table.setColumnFilters([{ id: 'test', value: { test: tests[view], flip } }])
      table.setGrouping(group.length && flip ? [...group, 'none'] : group)
      table.setSorting(flip ? sort : [...sort, { id: 'none', desc: false }])
      const rows: number[] = []
      const walk = (row: any): void => {
        if (!row.groupingColumnId) return void rows.push(row.original.row)
        row.getValue('effort')
        if (view === 'V3' || (view === 'V1w' && !row.subRows[0]?.groupingColumnId)) rows.push(row.leafRows.length)
        else for (const inner of row.subRows) walk(inner)
      }
      for (const row of table.getSortedRowModel().rows) walk(row)
      return rows
    },
  }
}

async function arquero(): Promise<Peer> {
  const aq = await load('arquero')
  const column = (of: (one: Fact) => unknown) => facts.map(of)
  const data = aq.table({
    row: Int32Array.from(facts, (one) => one.row), title: column((one) => one.title), folded: column((one) => one.folded), status: Uint8Array.from(facts, (one) => one.status), zone: Uint8Array.from(facts, (one) => one.zone),
    isTop: column((one) => one.isTop), assignees: column((one) => one.assignees), reviewer: column((one) => one.reviewer), effort: column((one) => one.effort ?? null), cost: column((one) => one.cost ?? null), due: Int32Array.from(facts, (one) => one.due), rank: Int32Array.from(facts, (one) => placeByRank[one.row]!),
  }) // prettier-ignore
  const grouped = (view: View) => {
    const kept = data
      .filter(aq.escape(tests[view]))
      .orderby('zone', 'status', 'due', aq.collate('title', compareText), 'rank')
    const counts = kept
      .groupby('zone', 'status')
      .rollup({ n: aq.op.count(), sum: aq.op.sum('effort') })
      .objects()
    const rows = Array.from(kept.array('row', Int32Array)) as number[]
    return view === 'V1w'
      ? counts.sort((a: any, b: any) => a.zone - b.zone || a.status - b.status).map((count: any) => count.n)
      : rows
  }
  return {
    name: 'arquero',
    run(view) {
      if (view === 'V1' || view === 'V1w') return grouped(view)
      if (view === 'V2') return Array.from(data.filter(aq.escape(tests.V2)).orderby(aq.desc('cost'), 'rank').array('row', Int32Array)) as number[] // prettier-ignore
      void data.orderby('status', 'rank').array('row', Int32Array)
      const counts = data
        .groupby('status')
        .rollup({ n: aq.op.count(), sum: aq.op.sum('effort') })
        .objects()
      return counts.sort((a: any, b: any) => a.status - b.status).map((count: any) => count.n)
    },
  }
}

async function duckDb(): Promise<{ peer: Peer; foldedBefore: () => Promise<readonly number[]> }> {
  const { DuckDBInstance } = await load('@duckdb/node-api')
  const db = await (await DuckDBInstance.create(':memory:')).connect()
  const byTitle = facts.map((fact) => fact.row).sort((a, b) => compareText(facts[a]!.title, facts[b]!.title))
  const titleRank = new Int32Array(n)
  byTitle.forEach((row, k) => (titleRank[row] = k && compareText(facts[byTitle[k - 1]!]!.title, facts[row]!.title) === 0 ? titleRank[byTitle[k - 1]!]! : k)) // prettier-ignore
  const person = (id: string | undefined) => (id ? people.indexOf(id) + 1 : 'null')
  await db.run('create table t(row integer, title varchar, folded varchar, title_rank integer, status tinyint, zone tinyint, is_top boolean, assignees tinyint[], reviewer tinyint, effort double, cost double, due integer, rank integer)') // prettier-ignore
  const text = (one: string) => `'${one.replace(/'/g, "''")}'`
  const rows = facts.map((fact) => `(${[fact.row, text(fact.title), text(fact.folded), titleRank[fact.row], fact.status, fact.zone, fact.isTop, `[${fact.assignees.map(person).join()}]::tinyint[]`, person(fact.reviewer), fact.effort ?? 'null', fact.cost ?? 'null', fact.due, placeByRank[fact.row]].join()})`) // prettier-ignore
  for (let i = 0; i < n; i += 2000) await db.run(`insert into t values ${rows.slice(i, i + 2000).join()}`)
  const me = people.indexOf(viewer.me) + 1
  const mine = `(list_contains(assignees, ${me}) or reviewer = ${me})`
  const urgent = `status not in (6, 7) and (due < ${day} or is_top)`
  const column = async (sql: string): Promise<number[]> => Array.from((await db.runAndReadAll(sql)).getColumns()[0] ?? [], Number) // prettier-ignore
  const inOrder = (where: string) =>
    column(`select row from t where ${where} order by zone, status, due, title_rank, rank`)
  const grouped = (where: string) => column(`select count(*)::int c, zone, status, sum(effort) from t where ${where} group by zone, status order by zone, status`) // prettier-ignore
  const peer: Peer = {
    name: 'DuckDB native',
    async run(view) {
      if (view === 'V2')
        return column("select row from t where title ilike '%xyz%' order by cost desc nulls last, rank")
      if (view === 'V3') {
        await column('select row from t order by status, rank')
        return column('select count(*)::int c, status, sum(effort) from t group by status order by status')
      }
      const where = view === 'V1' ? `${mine} and ${urgent}` : urgent
      const rows = await inOrder(where)
      const counts = await grouped(where)
      return view === 'V1' ? rows : counts
    },
  }
  const foldedBefore = () =>
    column("select row from t where contains(folded, 'xyz') order by cost desc nulls last, rank")
  return { peer, foldedBefore }
}

async function medianOf(run: () => unknown): Promise<number> {
  const taken: number[] = []
  for (let i = 0; i < 12; i++) {
    const from = performance.now()
    await run()
    if (i > 2) taken.push(performance.now() - from)
  }
  return median(taken)
}

const duck = await duckDb()
const peers = [ours(), await tableCore(), await arquero(), duck.peer]
const wanted = new Map<View, string>()
const ms = new Map<string, number>()
for (const view of names)
  for (const peer of peers) {
    const rows = (await peer.run(view)).join()
    if (peer === peers[0]) wanted.set(view, rows)
    else if (rows !== wanted.get(view)) throw new Error(`${peer.name} gives other rows for ${view}`)
    ms.set(`${peer.name} ${view}`, await medianOf(() => peer.run(view)))
  }
const number = (x: number) => (x >= 100 ? x.toFixed(0) : x.toFixed(2)).padStart(10)
console.log(`\nms at ${n} items (× ours)`.padEnd(24) + names.map((view) => view.padStart(20)).join(''))
for (const { name } of peers)
  console.log(name.padEnd(24) + names.map((view) => { const its = ms.get(`${name} ${view}`)!; return `${number(its)} (${(its / ms.get(`Wrenleaf ${view}`)!).toFixed(0)}×)`.padStart(20) }).join('')) // prettier-ignore
let holds = true
for (const view of names) {
  const mine = ms.get(`Wrenleaf ${view}`)!
  const best = Math.min(...peers.slice(1).map(({ name }) => ms.get(`${name} ${view}`)!))
  const table = ms.get(`@tanstack/table-core ${view}`)!
  const its = best / mine >= 4 && table / mine >= 30
  holds &&= its
  console.log(`${view}: ${(best / mine).toFixed(1)}× the best of them (bound 4), ${(table / mine).toFixed(0)}× table-core (bound 30)  ${its ? 'holds' : 'BROKEN'}`) // prettier-ignore
}
// Not what the bound was set by, said openly: a column of folded titles made for this question beforehand, as ours are.
const folded = await medianOf(duck.foldedBefore)
console.log(`V2, DuckDB with the titles folded beforehand: ${(folded / ms.get('Wrenleaf V2')!).toFixed(1)}× ours`)
process.exit(holds ? 0 : 1)
