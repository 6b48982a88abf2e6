import type { PlainDate } from '../base/dates'
import type { PersonId } from '../base/ids'
import { isIn } from '../access/access'
import { entitiesHeld, entityOf } from '../model/entities'
import type { Reader } from '../model/reader'
import type { EntityName, Records } from '../model/records'
import { recordFor } from './reserved'

/** The entities that are held by everyone who sees them. */
export type DirectoryEntity = Exclude<EntityName, 'item' | 'link' | 'stay' | 'longText'>
/** The entities of the directory. */
export const directoryEntities = entitiesHeld('directory') as readonly DirectoryEntity[]
/** Its records by entity. */
export type DirectoryRecords = { readonly [E in DirectoryEntity]: readonly Records[E][] }

/** Everything of a workspace that is no item, as far as a person may see it. */
export interface Directory {
  readonly me: PersonId
  readonly sequence: number
  readonly build: string
  readonly now: string
  /** The workspace's day at that moment. */
  readonly today: PlainDate
  readonly records: DirectoryRecords
}

/** The records of the directory that a person may see. */
export function directoryFor(reader: Reader, me: PersonId): DirectoryRecords {
  const seen = <E extends DirectoryEntity>(entity: E): Records[E][] =>
    [...reader.all(entity)].flatMap((record) =>
      isIn(reader, me, entityOf(entity).scope(record, reader)) ? recordFor(reader, me, entity, record) : [],
    )
  return Object.fromEntries(directoryEntities.map((entity) => [entity, seen(entity)])) as unknown as DirectoryRecords
}
