import { and, eq, gt, isNotNull, isNull, lte, or, sql } from 'drizzle-orm'
import type { Db } from './open'
import { item, stay } from './schema'

/** The status of each item of a project at a moment, of those that have moved on since. By item. */
export async function statusesAt(db: Db, id: string, project: string, at: string): Promise<Record<string, string>> {
  const rows = await db
    .select({ item: stay.item, status: stay.status })
    .from(stay)
    .innerJoin(item, and(eq(item.workspaceId, stay.workspaceId), eq(item.id, stay.item)))
    .where(
      and(
        eq(stay.workspaceId, id),
        eq(item.project, project),
        lte(stay.from, at),
        gt(item.statusSince, at),
        or(isNull(stay.until), gt(stay.until, at)),
      ),
    )
  return Object.fromEntries(rows.map((row) => [row.item, row.status]))
}

/** The median of how long items of a project have stayed in each status, in ms, of the stays that have ended. By status. */
export async function typicalStays(db: Db, id: string, project: string): Promise<Record<string, number>> {
  const seconds = sql`extract(epoch from (${stay.until}::timestamptz - ${stay.from}::timestamptz))`
  const rows = await db
    .select({
      status: stay.status,
      median: sql<number>`percentile_cont(0.5) within group (order by ${seconds})`.mapWith(Number),
    })
    .from(stay)
    .innerJoin(item, and(eq(item.workspaceId, stay.workspaceId), eq(item.id, stay.item)))
    .where(and(eq(stay.workspaceId, id), eq(item.project, project), isNotNull(stay.until)))
    .groupBy(stay.status)
  return Object.fromEntries(rows.map(({ status, median }) => [status, Math.round(median * 1000)]))
}
