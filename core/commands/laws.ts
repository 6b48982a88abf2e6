/**
 * What holds whatever changes, however it came about: two changes in one command, an undo, a change of kind, an item that
 * is restored. Judged on the patch, with the state before it and after it.
 */
import { firstInPieces, inPieces, type Pieces } from '../base/pieces'
import { firstProblem, problem, type Problem } from '../base/result'
import type { Context } from '../change/command'
import type { Patch } from '../change/patch'
import { entitiesHeld, idsNeeded } from '../model/entities'
import { maybeStep, type Reader } from '../model/reader'
import type { EntityName, Person, Records, Stay } from '../model/records'
import { daysOffRefusal } from '../people/working-time'
import { After } from './after'
import { isHeldToDemands, refusedEntry } from './entering'
import { refusedInside } from './inside'
import { endsFit, linksHold } from './linked'
import { isHeldToLimits, overfilled, type HeldCommand } from './stops'
import { refusedThrough } from './through'

/**
 * The first law that the patch of a command would break, as the problem to tell; undefined where all of them hold. Stays
 * are at hand in the room alone; a browser never sees a change to them.
 */
export function* brokenLaw(
  reader: Reader,
  patch: Patch,
  command: HeldCommand,
  context: Pick<Context, 'by' | 'isRoom'>,
): Pieces<Problem | undefined> {
  const isHeld = isHeldToLimits(command)
  const after = new After(reader)
  yield* inPieces(patch, (change) => after.add(change))
  return (
    (yield* refusedThrough(reader, after, command, context.by)) ??
    (yield* idsAreUnique(reader, after)) ??
    prefixesAreUnique(reader, after) ??
    addressesAreUnique(reader, after) ??
    hasAnOwner(reader, after) ??
    daysOffEndLater(after) ??
    (yield* hierarchyIsForest(reader, after)) ??
    (yield* statusesFitKinds(reader, after)) ??
    statusesAreHeldOnce(reader, after) ??
    tiesAreWithinProject(after) ??
    endsFit(after) ??
    (yield* linksHold(reader, after)) ??
    (context.isRoom ? yield* eachHasOneOpenStay(after) : undefined) ??
    (isHeld && isHeldToDemands(reader, command, context.by)
      ? yield* refusedEntry(reader, after, context.by)
      : undefined) ??
    (isHeld ? yield* overfilled(reader, after) : undefined) ??
    (isHeld ? yield* refusedInside(reader, after) : undefined) ??
    (yield* whatIsNamedIsThere(reader, after))
  )
}

const isHeld = (reader: Reader, entity: EntityName, id: string): boolean =>
  entity === 'item' ? !!reader.placeOf(id) : !!reader.maybe(entity, id)

const idsAreUnique = (reader: Reader, after: After) =>
  firstInPieces(after.touched, ({ entity, id, made, unmade, isMadeTwice }) =>
    made && (isMadeTwice || (unmade === undefined && isHeld(reader, entity, id)))
      ? problem('id-taken', undefined, entity === 'item' ? [{ item: id }] : undefined)
      : undefined,
  )

function prefixesAreUnique(reader: Reader, after: After): Problem | undefined {
  for (const { id, made, set } of after.of('project')) {
    if (!made && !set.has('prefix')) continue
    const prefix = after.maybe('project', id)?.prefix ?? ''
    for (const other of reader.all('project'))
      if (other.id !== id && [other.prefix, ...other.oldPrefixes].includes(prefix))
        return problem('prefix-taken', { name: prefix })
  }
  return undefined
}

/** An address signs one person in. */
function addressesAreUnique(reader: Reader, after: After): Problem | undefined {
  const changed = after.of('person').filter(({ made, set }) => made || set.has('email'))
  if (!changed.length) return undefined
  const ids = new Set([...[...reader.all('person')].map(({ id }) => id as string), ...changed.map(({ id }) => id)])
  const taken = new Set<string>()
  for (const id of ids) {
    const email = after.maybe('person', id)?.email
    if (email && taken.has(email.toLowerCase())) return problem('name-taken', { name: email })
    if (email) taken.add(email.toLowerCase())
  }
  return undefined
}

/** Someone can always make owners and leads: a workspace that has an owner keeps one. */
function hasAnOwner(reader: Reader, after: After): Problem | undefined {
  const isOwner = (person: Person | undefined) => person?.role === 'owner' && person.active
  const isLost = after.of('person').some(({ id }) => isOwner(reader.maybe('person', id)) && !isOwner(after.maybe('person', id))) // prettier-ignore
  if (!isLost) return undefined
  for (const { id } of reader.all('person')) if (isOwner(after.maybe('person', id))) return undefined
  return problem('last-owner')
}

/** Whatever an undo puts together: days off end when they begin, or later. */
function daysOffEndLater(after: After): Problem | undefined {
  return firstProblem(after.of('dayOff'), ({ id }) => {
    const off = after.isGone('dayOff', id) ? undefined : after.maybe('dayOff', id)
    return off && daysOffRefusal(off)
  })
}

/** Every parent is an item of the same project, and none is inside itself. What goes leaves nothing inside it behind. */
function hierarchyIsForest(reader: Reader, after: After): Pieces<Problem | undefined> {
  /** Items that are known to have an end above them. */
  const safe = new Set<string>()
  return firstInPieces(after.of('item'), ({ id, made, set }) => {
    if (after.isGone('item', id))
      return hasChildLeft(reader, after, id) ? problem('in-use', undefined, [{ item: id }]) : undefined
    const parent = made || set.has('parent') ? after.column(id, 'parent') : undefined
    if (!parent) return undefined
    if (!after.hasItem(parent)) return problem('gone', undefined, [{ item: parent }])
    if (after.column(parent, 'project') !== after.column(id, 'project')) return problem('other-project')
    const way = new Set<string>()
    for (let at: string | null | undefined = id; at && !safe.has(at); at = after.column(at, 'parent')) {
      if (way.has(at)) return problem('loop', undefined, [{ item: id, field: 'parent' }])
      way.add(at)
    }
    for (const one of way) safe.add(one)
    return undefined
  })
}

function hasChildLeft(reader: Reader, after: After, id: string): boolean {
  const place = reader.placeOf(id)
  if (!place) return false
  for (const row of place.table.childrenOf(place.row)) {
    const child = place.table.ids[row] ?? ''
    if (!after.isGone('item', child) && after.column(child, 'parent') === id) return true
  }
  return false
}

/** An item's kind is one of its project, and its status a step of that kind's workflow. */
function* statusesFitKinds(reader: Reader, after: After): Pieces<Problem | undefined> {
  const misfit = yield* firstInPieces(after.of('item'), ({ id, made, set }) => {
    if (after.isGone('item', id) || !(made || set.has('kind') || set.has('status'))) return undefined
    const kind = after.maybe('kind', after.column(id, 'kind') ?? '')
    if (!kind || kind.project !== after.column(id, 'project')) return problem('wrong-value', { field: 'kind' })
    if (!maybeStep(after, kind.workflow, after.column(id, 'status') ?? ''))
      return problem('wrong-value', { field: set.has('kind') && !set.has('status') ? 'kind' : 'status' })
    return undefined
  })
  if (misfit) return misfit
  for (const { id, set } of after.of('kind'))
    if (set.has('workflow') && !fitsAll(reader, after, id)) return problem('wrong-value', { field: 'workflow' })
  for (const { id, unmade } of after.of('step')) {
    const step = unmade as Records['step'] | undefined
    if (step && after.isGone('step', id) && isStepUsed(reader, after, step)) return problem('in-use')
  }
  return undefined
}

/** Every item of a kind stands in a status of the workflow that the kind follows now. */
function fitsAll(reader: Reader, after: After, id: string): boolean {
  const kind = after.maybe('kind', id)
  if (!kind) return true
  const table = reader.table(kind.project)
  for (const row of table.rows()) {
    const item = table.ids[row] ?? ''
    if (after.isGone('item', item) || after.column(item, 'kind') !== id) continue
    if (!maybeStep(after, kind.workflow, after.column(item, 'status') ?? '')) return false
  }
  return true
}

function isStepUsed(reader: Reader, after: After, step: Records['step']): boolean {
  const kinds = [...reader.all('kind')].filter(({ id }) => after.maybe('kind', id)?.workflow === step.workflow)
  return kinds.some((kind) => {
    if (after.isGone('kind', kind.id)) return false
    const table = reader.table(kind.project)
    for (const row of table.rows()) {
      const id = table.ids[row] ?? ''
      if (after.isGone('item', id)) continue
      if (after.column(id, 'kind') === kind.id && after.column(id, 'status') === step.status) return true
    }
    return false
  })
}

/** What is said of an item in a column or a status is said within its project: nobody else sees it. */
function tiesAreWithinProject(after: After): Problem | undefined {
  const projectOf = (entity: 'overrule' | 'moveNote', id: string): string | undefined => {
    if (entity === 'moveNote') return after.maybe('status', after.maybe(entity, id)?.status ?? '')?.project
    const column = after.maybe('column', after.maybe(entity, id)?.column ?? '')
    return after.maybe('board', column?.board ?? '')?.project
  }
  for (const entity of ['overrule', 'moveNote'] as const)
    for (const { id, made } of after.of(entity)) {
      const item = made && !after.isGone(entity, id) ? after.maybe(entity, id)?.item : undefined
      if (item && after.column(item, 'project') !== projectOf(entity, id)) return problem('other-project')
    }
  return undefined
}

/** One column of a board holds a status: for every kind, or for one. */
function statusesAreHeldOnce(reader: Reader, after: After): Problem | undefined {
  const touched = after.of('columnStatus').filter(({ made, set }) => made || set.size)
  if (!touched.length) return undefined
  const stored = [...reader.all('columnStatus')].map(({ id }) => id as string)
  const held = new Map<string, string>()
  const touchedIds = new Set(touched.map(({ id }) => id))
  for (const id of new Set([...stored, ...touchedIds])) {
    const one = after.maybe('columnStatus', id)
    const board = one && after.maybe('column', one.column)?.board
    if (!one || !board) continue
    const place = `${board} ${one.status} ${one.kind}`
    const other = held.get(place)
    // What was held twice before is let be.
    if (other !== undefined && (touchedIds.has(id) || touchedIds.has(other)))
      return problem('held-twice', { name: after.maybe('status', one.status)?.name ?? '' })
    held.set(place, id)
  }
  return undefined
}

/** As many stays are opened as closed, but for items that come or go; and what an item calls its open stay is one. */
function* eachHasOneOpenStay(after: After): Pieces<Problem | undefined> {
  const opened = new Set<string>()
  let balance = 0
  yield* inPieces(after.of('stay'), ({ id, made, unmade, set }) => {
    const until = set.has('until') ? set.get('until') : (made as Stay | undefined)?.until
    const isOpen = !after.isGone('stay', id) && until === null
    const wasOpen = unmade ? (unmade as Stay).until === null : !made && set.has('until') && until !== null
    if (isOpen) opened.add(id)
    balance += Number(isOpen) - Number(wasOpen)
  })
  const without = yield* firstInPieces(after.of('item'), ({ id, made, unmade, set }) => {
    const isGone = after.isGone('item', id)
    if (made && !unmade) balance--
    if (isGone) balance++
    return !isGone && (made || set.has('stay')) && !opened.has(after.column(id, 'stay') ?? '')
      ? problem('unexpected')
      : undefined
  })
  return without ?? (balance ? problem('unexpected') : undefined)
}

/**
 * What is no item and speaks of something speaks of what is there. Definitions of views are aside: a phrase about what
 * has gone stays, and says so. Items are judged by their fields' types.
 */
function* whatIsNamedIsThere(reader: Reader, after: After): Pieces<Problem | undefined> {
  const gone: { entity: EntityName; id: string }[] = []
  const directory = entitiesHeld('directory').flatMap((entity) => after.of(entity))
  const lost = yield* firstInPieces(directory, ({ entity, id, made }) => {
    if (after.isGone(entity, id)) return void gone.push({ entity, id })
    const record = after.maybe(entity, id)
    const missing = record && missingIn(after, entity, record)
    if (!missing) return undefined
    return made ? problem('wrong-value', { field: missing }) : problem('gone')
  })
  if (lost) return lost
  return gone.length && isNamedStill(reader, after, gone) ? problem('in-use') : undefined
}

const missingIn = (after: After, entity: EntityName, record: Records[EntityName]): EntityName | undefined =>
  idsNeeded(entity, record).find((named) => named.entity && !after.maybe(named.entity, named.id))?.entity

function isNamedStill(reader: Reader, after: After, gone: readonly { entity: EntityName; id: string }[]): boolean {
  const ids = new Set(gone.map(({ entity, id }) => `${entity} ${id}`))
  for (const entity of entitiesHeld('directory'))
    for (const { id } of reader.all(entity)) {
      const record = after.maybe(entity, id)
      if (record && idsNeeded(entity, record).some((named) => ids.has(`${named.entity} ${named.id}`))) return true
    }
  return false
}
