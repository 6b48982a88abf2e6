import { and, asc, desc, eq, gt, inArray, lt } from 'drizzle-orm'
import { isOfItem } from '#core/items/history'
import type { CommandId } from '#core/base/ids'
import type { Actor } from '#core/change/actor'
import type { Entry } from '#core/change/command'
import type { Change, Patch } from '#core/change/patch'
import type { Scopes } from '#core/change/scopes'
import type { LongText } from '#core/model/records'
import type { Db, Tx } from './open'
import { isoOf } from './rows'
import { item, log, logItem, logPart, longText } from './schema'

/** An entry as it stands in the log; one of several parts has no patch of its own. */
export interface StoredEntry {
  readonly entry: Entry
  /** Undefined: it was written before scopes were kept. */
  readonly scopes: Scopes | undefined
  /** What was sent; empty where the entry is in parts. */
  readonly body: unknown
  readonly parts: number
}

type LogRow = typeof log.$inferSelect

function entryOf(row: LogRow): StoredEntry {
  const entry: Entry = {
    sequence: row.sequence,
    command: row.command as CommandId,
    type: row.type,
    v: row.v,
    model: row.model,
    by: row.by as Actor,
    at: isoOf(row.at),
    patch: (row.patch ?? []) as Patch,
    ...(row.more as Pick<Entry, 'of' | 'leftAlone'>),
  }
  return { entry, scopes: (row.scopes ?? undefined) as Scopes | undefined, body: row.body, parts: row.parts }
}

/** Entries after a sequence number, oldest first, at most `most`. */
export async function entriesAfter(db: Db | Tx, id: string, after: number, most: number): Promise<StoredEntry[]> {
  const rows = await db
    .select()
    .from(log)
    .where(and(eq(log.workspaceId, id), gt(log.sequence, after)))
    .orderBy(asc(log.sequence))
    .limit(most)
  return rows.map(entryOf)
}

export async function entryOfCommand(db: Db, id: string, command: string): Promise<StoredEntry | undefined> {
  const rows = await db
    .select()
    .from(log)
    .where(and(eq(log.workspaceId, id), eq(log.command, command)))
  return rows[0] && entryOf(rows[0])
}

export async function entryAt(db: Db, id: string, sequence: number): Promise<StoredEntry | undefined> {
  const rows = await db
    .select()
    .from(log)
    .where(and(eq(log.workspaceId, id), eq(log.sequence, sequence)))
  return rows[0] && entryOf(rows[0])
}

/** A part of an entry's patch, and whom its changes are for. */
export interface StoredPart {
  readonly patch: Patch
  readonly scopes: Scopes | undefined
}
export async function partOf(db: Db | Tx, id: string, command: string, part: number): Promise<StoredPart | undefined> {
  const rows = await db.select({ patch: logPart.patch, scopes: logPart.scopes }).from(logPart)
    .where(and(eq(logPart.workspaceId, id), eq(logPart.command, command), eq(logPart.part, part))) // prettier-ignore
  const [row] = rows
  return row && { patch: row.patch as Patch, scopes: (row.scopes ?? undefined) as Scopes | undefined }
}

/** The entry with its whole patch, however many parts it stands in; others have their turn between them. */
export async function wholeEntry(db: Db | Tx, id: string, stored: StoredEntry): Promise<Entry> {
  if (!stored.parts) return stored.entry
  const patch: Change[] = []
  for (let part = 0; part < stored.parts; part++)
    for (const change of (await partOf(db, id, stored.entry.command, part))?.patch ?? []) patch.push(change)
  return { ...stored.entry, patch }
}

/** What touched an item, newest first, before a sequence number; of large entries only the changes of this item. */
export async function historyOf(db: Db, id: string, item: string, before: number, most: number): Promise<Entry[]> {
  const touched = await db.select().from(logItem)
    .where(and(eq(logItem.workspaceId, id), eq(logItem.item, item), lt(logItem.sequence, before)))
    .orderBy(desc(logItem.sequence)).limit(most) // prettier-ignore
  if (!touched.length) return []
  const rows = await db.select().from(log)
    .where(and(eq(log.workspaceId, id), inArray(log.sequence, touched.map((one) => one.sequence)))).orderBy(desc(log.sequence)) // prettier-ignore
  return Promise.all(
    rows.map(async (row) => {
      const { entry } = entryOf(row)
      const part = touched.find((one) => one.sequence === row.sequence)?.part
      const inPart = (n: number) => partOf(db, id, row.command, n)
      // An item's changes stand together, but a part may end among them.
      const patch =
        part === null || part === undefined
          ? entry.patch
          : [...((await inPart(part))?.patch ?? []), ...((await inPart(part + 1))?.patch ?? [])]
      return { ...entry, patch: patch.filter((change) => isOfItem(change, item)) }
    }),
  )
}

export async function storedLongText(db: Db, id: string, textId: string): Promise<LongText | undefined> {
  const rows = await db
    .select()
    .from(longText)
    .where(and(eq(longText.workspaceId, id), eq(longText.id, textId)))
  const row = rows[0]
  return row && ({ id: row.id, item: row.item, field: row.field, revision: row.revision, text: row.text } as LongText)
}

/** The words of a field in a project, by item. */
export async function storedLongTexts(
  db: Db,
  id: string,
  project: string,
  field: string,
): Promise<Record<string, string>> {
  const rows = await db
    .select({ item: longText.item, text: longText.text })
    .from(longText)
    .innerJoin(item, and(eq(item.workspaceId, longText.workspaceId), eq(item.id, longText.item)))
    .where(and(eq(longText.workspaceId, id), eq(longText.field, field), eq(item.project, project)))
  return Object.fromEntries(rows.flatMap((row) => (row.text ? [[row.item, row.text]] : [])))
}
