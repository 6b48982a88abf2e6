import { and, eq, gt, isNull, lte, or } from 'drizzle-orm'
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
