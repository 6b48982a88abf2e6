/** Moves that a workflow allows, and what entering a status asks for: held to whatever way an item comes there. */
import { inPieces, type Pieces } from '../base/pieces'
import { problem, type Problem, type ProblemPlace } from '../base/result'
import { tieId } from '../base/ids'
import { may } from '../access/access'
import { personOf, type Actor } from '../change/actor'
import { demandWords } from '../language/demand-words'
import { assigneesOf, demandsOf, hasRole, lacks, mayGo } from '../items/entering'
import { maybeStep, type Reader } from '../model/reader'
import type { Demand, Item, StatusId, Step } from '../model/records'
import { isOver } from '../model/turn'
import type { After } from './after'
import type { HeldCommand } from './stops'

/** So many of the items that lack something are named. */
const mostNamed = 1000

/** Whether a command is held to what entering a status asks for, as to limits: a lead’s bring-in is not. */
export const isHeldToDemands = (
  reader: Reader,
  command: HeldCommand & { readonly project?: unknown },
  by: Actor,
): boolean => command.type !== 'bring-in' || !may(reader, by, 'set up project', command.project as Item['project'])

/** What comes into a status by a patch. */
interface Entry {
  readonly item: Item
  readonly step: Step
  /** Where it was; undefined where it was nowhere: it is made or restored, or of another kind now. */
  readonly from: StatusId | undefined
}

/** A move that is not allowed, or what an item lacks for the status that it enters. Notes belong to such a move. */
export function* refusedEntry(reader: Reader, after: After, by: Actor): Pieces<Problem | undefined> {
  const notes = new Set(after.of('moveNote').flatMap(({ id, made }) => (made ? id : [])))
  const isNoted = (item: string, { status }: Step) => notes.has(tieId<'moveNote'>(status, item))
  if (!notes.size && !hasRules(reader, after)) return undefined
  const entered = new Set<string>()
  const lacking: ProblemPlace[] = []
  const asked = new Map<StatusId, Set<Demand>>()
  let refused: Problem | undefined
  yield* inPieces(after.of('item'), ({ id, made, set }) => {
    if (refused || !(made || set.has('status') || set.has('kind') || set.has('archived'))) return
    const entry = entryOf(reader, after, id)
    if (!entry) return
    entered.add(tieId<'moveNote'>(entry.step.status, id))
    refused = moveRefused(reader, after, entry) ?? demandRefused(reader, after, entry, by)
    if (refused) return
    for (const demand of demandsOf(after, entry.step)) {
      if (!lacks(entry.item, demand, isNoted(id, entry.step))) continue
      asked.set(entry.step.status, (asked.get(entry.step.status) ?? new Set()).add(demand))
      if (lacking.length < mostNamed)
        lacking.push({ item: id, field: demand.asks === 'field' ? demand.field : 'note', yours: entry.step.status })
    }
  })
  if (refused) return refused
  const first = asked.entries().next().value
  if (first) {
    const [status, demands] = first
    const asks = demandWords(reader, [...demands])
    return problem('entry-asks', { name: reader.maybe('status', status)?.name ?? '', asks }, lacking)
  }
  return [...notes].some((id) => !entered.has(id)) ? problem('no-note') : undefined
}

function hasRules(reader: Reader, after: After): boolean {
  const asks = (step: Step | undefined) => !!step && (!!step.goesTo || !!step.asks?.length)
  for (const step of reader.all('step')) if (asks(step)) return true
  return after.of('step').some(({ id }) => asks(after.maybe('step', id)))
}

function entryOf(reader: Reader, after: After, id: string): Entry | undefined {
  const item = after.item(id)
  if (!item || item.archived) return undefined
  const step = maybeStep(after, after.maybe('kind', item.kind)?.workflow, item.status)
  if (!step) return undefined
  const before = reader.maybe('item', id)
  const isThere = before && !before.archived
  if (isThere && before.status === item.status && before.kind === item.kind) return undefined
  return { item, step, from: isThere && before.status !== item.status ? before.status : undefined }
}

function moveRefused(reader: Reader, after: After, { item, step, from }: Entry): Problem | undefined {
  if (!from || mayGo(after, step.workflow, from, step.status)) return undefined
  const name = (status: string) => reader.maybe('status', status)?.name ?? ''
  return problem('no-such-move', { from: name(from), to: name(step.status) }, [{ item: item.id, field: 'status' }])
}

/** What is asked of whoever moves it, or of what is inside it: not to be filled in. */
function demandRefused(reader: Reader, after: After, { item, step }: Entry, by: Actor): Problem | undefined {
  const person = personOf(by)
  const name = reader.maybe('status', step.status)?.name ?? ''
  const at = [{ item: item.id, field: 'status' }]
  for (const demand of demandsOf(after, step)) {
    if (demand.asks === 'children' && hasOpenChild(reader, after, item)) return problem('entry-children', { name }, at)
    if (demand.asks === 'role' && !hasRole(reader, person, item.project, demand.role))
      return problem('entry-role', { name, role: demand.role }, at)
    // Taking oneself off it in the same step makes nobody another.
    const before = reader.maybe('item', item.id)
    const assignees = [...assigneesOf(after, item), ...(before ? assigneesOf(reader, before) : [])]
    if (demand.asks === 'another' && assignees.includes(person)) return problem('entry-another', { name }, at)
  }
  return undefined
}

function hasOpenChild(reader: Reader, after: After, { id }: Item): boolean {
  const isOpen = (child: string) => {
    if (after.isGone('item', child) || after.column(child, 'parent') !== id) return false
    const item = after.item(child)
    return !!item && !item.archived && !isOver(after.maybe('status', item.status)?.phase ?? 'waiting')
  }
  const place = reader.placeOf(id)
  const held = place ? [...place.table.childrenOf(place.row)].map((row) => place.table.ids[row] ?? '') : []
  if (held.some(isOpen)) return true
  return after.of('item').some(({ id: child, made, set }) => (made || set.has('parent')) && isOpen(child))
}
