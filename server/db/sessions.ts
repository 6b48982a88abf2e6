import { and, desc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm'
import type { Db, Tx } from './open'
import { isoOf } from './rows'
import { credential, person, session } from './schema'

export interface SessionRow {
  readonly person: string
  readonly workspaceId: string
}

/** The session of that hash, unless it has ended or was last used more than 30 days ago. */
export async function liveSession(db: Db, id: string, now: string): Promise<SessionRow | undefined> {
  const rows = await db.select({ person: session.person, workspaceId: session.workspaceId, lastSeen: session.lastSeen }).from(session)
    .where(and(eq(session.id, id), isNull(session.ended), sql`${session.lastSeen} > ${now}::timestamptz - interval '30 days'`)) // prettier-ignore
  return rows[0]
}

/** The sessions of a person that neither have ended nor are 30 days old, those used last first. */
export async function liveSessionsOf(
  db: Db,
  personId: string,
  now: string,
): Promise<{ id: string; made: string; lastSeen: string }[]> {
  const rows = await db.select({ id: session.id, made: session.made, lastSeen: session.lastSeen }).from(session)
    .where(and(eq(session.person, personId), isNull(session.ended), sql`${session.lastSeen} > ${now}::timestamptz - interval '30 days'`))
    .orderBy(desc(session.lastSeen)) // prettier-ignore
  return rows.map((row) => ({ id: row.id, made: isoOf(row.made), lastSeen: isoOf(row.lastSeen) }))
}

/** Whose session it is or was. */
export async function personOfSession(db: Db, id: string): Promise<string | undefined> {
  const rows = await db.select({ person: session.person }).from(session).where(eq(session.id, id))
  return rows[0]?.person
}

export async function addSession(db: Db | Tx, row: typeof session.$inferInsert): Promise<void> {
  await db.insert(session).values(row)
}

export async function seeSession(db: Db, id: string, now: string): Promise<void> {
  await db.update(session).set({ lastSeen: now }).where(eq(session.id, id))
}

export async function endSession(db: Db, id: string, now: string): Promise<void> {
  await db
    .update(session)
    .set({ ended: now })
    .where(and(eq(session.id, id), isNull(session.ended)))
}

/** Which of these sessions have ended. */
export async function endedOf(db: Db, ids: readonly string[]): Promise<string[]> {
  if (!ids.length) return []
  const rows = await db
    .select({ id: session.id })
    .from(session)
    .where(and(inArray(session.id, [...ids]), isNotNull(session.ended)))
  return rows.map((row) => row.id)
}

/** The person of an e-mail address, with the password's hash; case aside. */
export async function credentialOf(
  db: Db,
  workspaceId: string,
  email: string,
): Promise<{ person: string; password: string } | undefined> {
  const rows = await db.select({ person: credential.person, password: credential.password }).from(credential)
    .innerJoin(person, and(eq(person.workspaceId, credential.workspaceId), eq(person.id, credential.person)))
    .where(and(eq(credential.workspaceId, workspaceId), sql`lower(${person.email}) = lower(${email})`)) // prettier-ignore
  return rows[0]
}

export async function addCredential(
  db: Db | Tx,
  workspaceId: string,
  personId: string,
  password: string,
): Promise<void> {
  await db.insert(credential).values({ workspaceId, person: personId, password })
}
