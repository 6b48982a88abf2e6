import { and, desc, eq, gt, isNull, max, sql } from 'drizzle-orm'
import type { Db } from './open'
import { isoOf } from './rows'
import { credential, message, oneTimeLink, session } from './schema'

/** When each person was last here. */
export async function lastSeenIn(db: Db, workspaceId: string): Promise<Map<string, string>> {
  const rows = await db.select({ person: session.person, seen: max(session.lastSeen) }).from(session)
    .where(eq(session.workspaceId, workspaceId)).groupBy(session.person) // prettier-ignore
  return new Map(rows.flatMap(({ person, seen }) => (seen ? [[person, isoOf(seen)]] : [])))
}

/** Who has a password. */
export async function credentialsIn(db: Db, workspaceId: string): Promise<Set<string>> {
  const rows = await db.select({ person: credential.person }).from(credential).where(eq(credential.workspaceId, workspaceId)) // prettier-ignore
  return new Set(rows.map((row) => row.person))
}

export async function passwordOf(db: Db, workspaceId: string, person: string): Promise<string | undefined> {
  const rows = await db.select({ password: credential.password }).from(credential)
    .where(and(eq(credential.workspaceId, workspaceId), eq(credential.person, person))) // prettier-ignore
  return rows[0]?.password
}

export async function setPassword(db: Db, workspaceId: string, person: string, password: string): Promise<void> {
  await db.insert(credential).values({ workspaceId, person, password })
    .onConflictDoUpdate({ target: [credential.workspaceId, credential.person], set: { password } }) // prettier-ignore
}

/** `takesPlace`: those that the person had are over. */
export async function addLink(db: Db, row: typeof oneTimeLink.$inferInsert, takesPlace: boolean): Promise<void> {
  await db.transaction(async (tx) => {
    if (takesPlace) await tx.delete(oneTimeLink).where(and(eq(oneTimeLink.workspaceId, row.workspaceId), eq(oneTimeLink.person, row.person))) // prettier-ignore
    await tx.insert(oneTimeLink).values(row)
  })
}

const isOpen = (now: string) => and(isNull(oneTimeLink.used), gt(oneTimeLink.until, now))

/** Whose link it is, unless it was used or is over. */
export async function openLink(db: Db, id: string, now: string): Promise<string | undefined> {
  const rows = await db.select({ person: oneTimeLink.person }).from(oneTimeLink).where(and(eq(oneTimeLink.id, id), isOpen(now))) // prettier-ignore
  return rows[0]?.person
}

/** Uses a link up, and with it all others of its person: of two who press it at once, one finds it used. */
export async function useLink(db: Db, id: string, now: string): Promise<string | undefined> {
  return db.transaction(async (tx) => {
    const [row] = await tx.update(oneTimeLink).set({ used: now }).where(and(eq(oneTimeLink.id, id), isOpen(now)))
      .returning({ person: oneTimeLink.person }) // prettier-ignore
    if (row)
      await tx
        .update(oneTimeLink)
        .set({ used: now })
        .where(and(eq(oneTimeLink.person, row.person), isOpen(now)))
    return row?.person
  })
}

/** Until when each person's open link lasts. */
export async function openLinksIn(db: Db, workspaceId: string, now: string): Promise<Map<string, string>> {
  const rows = await db.select({ person: oneTimeLink.person, until: oneTimeLink.until }).from(oneTimeLink)
    .where(and(eq(oneTimeLink.workspaceId, workspaceId), isOpen(now))) // prettier-ignore
  return new Map(rows.map(({ person, until }) => [person, isoOf(until)]))
}

/** Ends every session of a person but one. Gives those that it ended. */
export async function endSessionsOf(db: Db, person: string, but: string | undefined, now: string): Promise<string[]> {
  const rows = await db.update(session).set({ ended: now })
    .where(and(eq(session.person, person), isNull(session.ended), but ? sql`${session.id} <> ${but}` : undefined))
    .returning({ id: session.id }) // prettier-ignore
  return rows.map((row) => row.id)
}

export async function addMessage(db: Db, row: typeof message.$inferInsert): Promise<void> {
  await db.insert(message).values(row)
}

/** Says of a message that it left, or why not. */
export async function settleMessage(db: Db, id: string, how: { sent: string } | { trouble: string }): Promise<void> {
  await db.update(message).set(how).where(eq(message.id, id))
}

export async function messagesIn(db: Db, workspaceId: string, most: number) {
  const rows = await db.select().from(message).where(eq(message.workspaceId, workspaceId))
    .orderBy(desc(message.made), desc(message.id)).limit(most) // prettier-ignore
  return rows.map((row) => ({ ...row, made: isoOf(row.made), sent: row.sent && isoOf(row.sent) }))
}
