/** Who may change which records: asked before a command is done, and of what an undo changes. */
import { firstInPieces, type Pieces } from '../base/pieces'
import { problem, type Problem } from '../base/result'
import { personOf, type Actor } from '../change/actor'
import { isSetChange, type Patch } from '../change/patch'
import { lookupThrough } from '../change/scopes'
import { entityOf, projectOf, type Lookup } from '../model/entities'
import type { Reader } from '../model/reader'
import type { EntityName, Person, Records, View } from '../model/records'
import { refusal } from './access'
import { isWorkspaceAct, type Act } from './acts'

/** The act by which a record is made, changed and unmade: one for all of its entity, or by what it is and what of it changes. */
type Rule<R> = Act | ((record: R, by: Actor, found: Lookup, field: string | undefined) => Act | undefined)

const changedBy: { readonly [E in EntityName]: Rule<Records[E]> } = {
  workspace: 'manage people',
  person: personChangedBy,
  dayOff: ({ person }, by) => (person === personOf(by) ? 'name oneself' : 'manage people'),
  project: 'set up project',
  member: ({ role }) => (role === 'owner' ? 'make owners' : 'manage people'),
  status: 'set up project',
  workflow: 'set up project',
  step: 'set up project',
  kind: 'set up project',
  field: 'set up project',
  option: 'set up project',
  item: 'change items',
  stay: 'change items',
  longText: 'change items',
  board: 'set up project',
  column: 'set up project',
  columnStatus: 'set up project',
  limit: 'set up project',
  overrule: 'set up project',
  moveNote: 'change items',
  link: 'change items',
  view: viewChangedBy,
  preference: ({ id }, by) => (id === personOf(by) ? 'name oneself' : undefined),
  look: (look, by) => (look.person === personOf(by) ? 'keep own views' : undefined),
}

/** What of oneself anyone may change. */
const ownFields: ReadonlySet<string> = new Set(['name', 'colour'])
/** A person without an account is named by whoever works; who has one is managed, an owner by owners. */
function personChangedBy({ id, role }: Person, by: Actor, _found: Lookup, field: string | undefined): Act {
  if (id === personOf(by) && field && ownFields.has(field)) return 'name oneself'
  return role === 'owner' ? 'make owners' : role ? 'manage people' : 'name people'
}

/** A new view is its maker's; another's own view is nobody else's to change, not even a lead's. One shows one's own to some people as one likes. */
function viewChangedBy(view: View, by: Actor, found: Lookup): Act | undefined {
  const isMine = view.maker === personOf(by)
  if (!isMine && (view.audience.of === 'maker' || !found.maybe('view', view.id))) return undefined
  return isMine && view.audience.of !== 'project' ? 'keep own views' : 'keep views for everyone'
}

/** Why someone may not make every one of these changes: each record is theirs to change as it is, and as it becomes. */
export function* patchRefusal(reader: Reader, by: Actor, patch: Patch): Pieces<Problem | undefined> {
  const found = yield* lookupThrough(reader, patch)
  const asked = new Set<string>()
  return yield* firstInPieces(patch, (change) => {
    const { entity, id, field } = change
    // Items of a project are all alike in it.
    const key = entity === 'item' ? `item of ${reader.placeOf(id)?.table.project ?? id}` : `${entity} ${id} ${field}`
    if (asked.has(key)) return undefined
    asked.add(key)
    const record = found.maybe(entity, id)
    if (!record) return undefined
    const refused = changeRefusal(found, by, entity, record as never, field)
    if (refused || entity === 'item' || isSetChange(change)) return refused
    const next = field === '*' ? change.after : { ...record, [field]: change.after }
    return next ? changeRefusal(found, by, entity, next as never, field) : undefined
  })
}

/** Why someone may not change this record of an entity, nor make or unmake it; undefined where they may. */
export function changeRefusal<E extends EntityName>(
  found: Lookup,
  by: Actor,
  entity: E,
  record: Records[E],
  /** What of it changes; all of it where nothing is said. */
  field?: string,
): Problem | undefined {
  const rule = changedBy[entity] as Rule<Records[E]>
  const act = typeof rule === 'function' ? rule(record, by, found, field) : rule
  if (!act) return problem('not-allowed', { needs: 'own' })
  if (isWorkspaceAct(act)) return refusal(found, by, act)
  const project = projectOf(entityOf(entity).scope(record, found))
  return project && found.maybe('project', project) ? refusal(found, by, act, project) : problem('gone')
}
