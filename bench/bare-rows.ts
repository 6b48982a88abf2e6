/** The rows that commands write, by the same driver on a database of their own and with nothing else: the limit of what writes them. */
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { sql } from 'drizzle-orm'
import { build } from 'esbuild'
import { v7 } from 'uuid'
import { modelVersion } from '#core/change/upgrade'
import { openDatabase, type OpenDatabase } from '../server/db/open'
import { writeRows } from '../server/db/rows'
import { item as itemTable, log, logItem, logPart, stay as stayTable, workspace } from '../server/db/schema'
import { newFolder, root } from '../tests/kit/server'
import { median } from './line'

async function openBare(url?: string): Promise<OpenDatabase> {
  const outfile = join(root, 'node_modules/.cache/wrenleaf-bench/worker.mjs')
  await build({
    entryPoints: [join(root, 'server/db/worker.ts')],
    outfile,
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    external: ['@electric-sql/pglite', '@electric-sql/pglite/*'],
  })
  return openDatabase({ url, dir: newFolder('bench-db'), worker: pathToFileURL(outfile), migrations: join(root, 'server/db/migrations') }, (error) => { throw error }) // prettier-ignore
}

const now = new Date().toISOString()
const itemOf = (workspaceId: string, id: string, project: string, n: number) => ({ workspaceId, id, project, number: n, kind: project, title: `Row ${n} of a long file`, status: project, parent: null, rank: `a${n}`, siblingRank: `a${n}`, values: {}, stay: `${project}/${n}`, statusSince: now, phaseSince: now, activeDays: 0, started: null, finished: null, archived: null, created: now, createdBy: project, changed: now, changedBy: project }) // prettier-ignore

/** Items, their stays, what stands in their histories and the parts of their entry, a thousand of each at a time. In ms. */
export async function insertionOfRows(n: number, url?: string): Promise<number> {
  const { db, close } = await openBare(url)
  const [workspaceId, project, command] = [v7(), v7(), v7()]
  const items = Array.from({ length: n }, (_, i) => itemOf(workspaceId, v7(), project, i))
  const stays = items.map((item) => ({ workspaceId, id: item.stay, item: item.id, status: project, from: now, until: null })) // prettier-ignore
  const changes = items.flatMap((item, i) => [
    { entity: 'item', id: item.id, field: '*', before: null, after: { ...item, workspaceId: undefined } },
    { entity: 'stay', id: item.stay, field: '*', before: null, after: { ...stays[i], workspaceId: undefined } },
  ])
  const parts = Array.from({ length: Math.ceil(changes.length / 1000) }, (_, part) => ({ workspaceId, command, part, patch: changes.slice(part * 1000, (part + 1) * 1000), scopes: [{ n: 1000, scope: { of: 'project', project } }] })) // prettier-ignore
  const from = performance.now()
  for (const part of parts) await writeRows(db, logPart, [part])
  for (let at = 0; at < n; at += 1000) {
    const some = items.slice(at, at + 1000)
    await writeRows(db, itemTable, some)
    await writeRows(db, stayTable, stays.slice(at, at + 1000))
    await writeRows(db, logItem, some.map((item) => ({ workspaceId, item: item.id, sequence: 1, part: 0 }))) // prettier-ignore
  }
  const took = performance.now() - from
  await close()
  return took
}

/** Items updated in place, their stays closed and others opened, their histories and the parts of their entry. In ms. */
export async function updateOfRows(n: number, url?: string): Promise<number> {
  const { db, close } = await openBare(url)
  const [workspaceId, project, to, command] = [v7(), v7(), v7(), v7()]
  const items = Array.from({ length: n }, (_, i) => itemOf(workspaceId, v7(), project, i))
  const stays = items.map((item) => ({ workspaceId, id: item.stay, item: item.id, status: project, from: now, until: null as string | null })) // prettier-ignore
  for (let at = 0; at < n; at += 1000) {
    await writeRows(db, itemTable, items.slice(at, at + 1000))
    await writeRows(db, stayTable, stays.slice(at, at + 1000))
  }
  const moved = items.map((item, i) => ({ ...item, status: to, stay: `${to}/${i}` }))
  const changes = moved.flatMap((item, i) => [
    ...(['status', 'statusSince', 'phaseSince', 'stay', 'changed', 'changedBy'] as const).map((field) => ({ entity: 'item', id: item.id, field, before: items[i]![field], after: item[field] })), // prettier-ignore
    { entity: 'stay', id: stays[i]!.id, field: 'until', before: null, after: now },
    { entity: 'stay', id: item.stay, field: '*', before: null, after: { id: item.stay, item: item.id, status: to, from: now, until: null } }, // prettier-ignore
  ])
  const parts = Array.from({ length: Math.ceil(changes.length / 1000) }, (_, part) => ({ workspaceId, command, part, patch: changes.slice(part * 1000, (part + 1) * 1000), scopes: [{ n: 1000, scope: { of: 'project', project } }] })) // prettier-ignore
  const from = performance.now()
  for (const part of parts) await writeRows(db, logPart, [part])
  for (let at = 0; at < n; at += 1000) {
    const some = moved.slice(at, at + 1000)
    await writeRows(db, itemTable, some, { replacing: ['workspace_id', 'id'] })
    await writeRows(db, stayTable, stays.slice(at, at + 1000).map((stay) => ({ ...stay, until: now })), { replacing: ['workspace_id', 'id'] }) // prettier-ignore
    await writeRows(db, stayTable, some.map((item) => ({ workspaceId, id: item.stay, item: item.id, status: to, from: now, until: null }))) // prettier-ignore
    await writeRows(db, logItem, some.map((item) => ({ workspaceId, item: item.id, sequence: 1, part: 0 }))) // prettier-ignore
  }
  const took = performance.now() - from
  await close()
  return took
}

/** One commit of the rows that a change of a title writes, by the same driver on a folder of its own. */
export async function commitOfTheSameRows(): Promise<number> {
  const { db, close } = await openBare()
  const workspaceId = v7()
  await db
    .insert(workspace)
    .values({ id: workspaceId, name: 'b', timeZone: 'UTC', workingWeek: [], demo: false, sequence: 0 })
  const id = v7()
  const record = { workspaceId, id, project: v7(), number: 1, kind: v7(), title: 'a', status: v7(), parent: null, rank: 'a0', siblingRank: 'a0', values: { a: 'b', c: ['d'] }, stay: 'x', statusSince: now, phaseSince: now, activeDays: 0, started: null, finished: null, archived: null, created: now, createdBy: v7(), changed: now, changedBy: v7() } // prettier-ignore
  const patch = [
    { entity: 'item', id, field: 'title', before: 'a', after: 'b' },
    { entity: 'item', id, field: 'changed', before: now, after: now },
  ]
  const taken: number[] = []
  for (let sequence = 1; sequence <= 200; sequence++) {
    const from = performance.now()
    await db.transaction(async (tx) => {
      await tx.execute(sql`update workspace set sequence = ${sequence} where id = ${workspaceId}::uuid`)
      await writeRows(tx, log, [
        {
          workspaceId,
          sequence,
          command: v7(),
          type: 'items.set',
          v: 1,
          body: { a: 1 },
          patch,
          parts: 0,
          model: modelVersion,
          by: { is: 'person', person: id },
          at: now,
          more: {},
          scopes: [{ n: patch.length, scope: { of: 'project', project: id } }],
        },
      ])
      await writeRows(tx, logItem, [{ workspaceId, item: id, sequence, part: null }])
      await writeRows(tx, itemTable, [record], { replacing: ['workspace_id', 'id'] })
    })
    taken.push(performance.now() - from)
  }
  await close()
  return median(taken.slice(40))
}
