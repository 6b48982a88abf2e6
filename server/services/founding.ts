import { v7 } from 'uuid'
import type { PersonId } from '#core/base/ids'
import { usualWeek } from '#core/base/week'
import type { Person } from '#core/model/records'
import type { Db } from '../db/open'
import { writeRows } from '../db/rows'
import { addCredential } from '../db/sessions'
import { isUniqueViolation } from '../db/commit'
import { person, workspace } from '../db/schema'
import { sql } from 'drizzle-orm'

export interface Founding {
  readonly name: string
  readonly timeZone: string
  readonly demo: boolean
  readonly owner: {
    readonly id?: string
    readonly name: string
    readonly email: string
    readonly password?: string
    readonly colour?: Person['colour']
  }
  readonly workspaceId?: string
}

/** The database holds one workspace; the second to found it finds it made. */
export class AlreadyFounded extends Error {}

/** Makes the workspace and its owner. Everything later is a command. */
export async function foundWorkspace(db: Db, founding: Founding): Promise<{ workspaceId: string; owner: PersonId }> {
  const workspaceId = founding.workspaceId ?? v7()
  const owner = (founding.owner.id ?? v7()) as PersonId
  try {
    await db.transaction(async (tx) => {
      await tx.execute(sql`lock table workspace in exclusive mode`)
      const held = await tx.select({ id: workspace.id }).from(workspace).limit(1)
      if (held.length) throw new AlreadyFounded()
      await tx.insert(workspace).values({
        id: workspaceId, name: founding.name, timeZone: founding.timeZone, workingWeek: [1, 2, 3, 4, 5],
        demo: founding.demo, sequence: 0,
      }) // prettier-ignore
      await writeRows(tx, person, [
        {
          workspaceId,
          id: owner,
          name: founding.owner.name,
          email: founding.owner.email,
          role: 'owner',
          colour: founding.owner.colour ?? 'wren',
          hours: usualWeek,
          active: true,
        },
      ])
      if (founding.owner.password) await addCredential(tx, workspaceId, owner, founding.owner.password)
    })
  } catch (error) {
    if (isUniqueViolation(error, 'workspace_pkey')) throw new AlreadyFounded()
    throw error
  }
  return { workspaceId, owner }
}
