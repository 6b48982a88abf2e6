import * as z from 'zod/mini'
import * as ids from '../base/id-schemas'
import { inPieces, type Pieces } from '../base/pieces'
import { distinct } from '../base/schemas'
import { fail, firstProblem, must, ok, problem, type Result } from '../base/result'
import { idsAlsoIn, idsMissingFrom, isSameValue } from '../base/sorted-ids'
import { patchRefusal } from '../access/changing'
import { isSameActor } from '../change/actor'
import { defineCommand, type Applied, type Context, type Entry, type Place } from '../change/command'
import { invertChange, isSetChange, itemsOfChange, type Change } from '../change/patch'
import { upgradeEntry } from '../change/upgrade'
import { isLongTextMark } from '../fields/long-text'
import { isOfItem } from '../items/history'
import { mostInTurn } from '../items/limits'
import { changeOf, changeStatus, checkItem, projectsOf, stamp, stayOf, StayIds } from '../items/changes'
import { entitiesHeld, entityOf, idsNeeded } from '../model/entities'
import type { Reader } from '../model/reader'
import {
  isItemColumn,
  longTextId,
  type EntityName,
  type Item,
  type ItemColumn,
  type LongText,
  type Records,
  type StatusId,
} from '../model/records'
import { isOver } from '../model/turn'
import { idsOf, type Value } from '../fields/value'
import { conversion } from '../projects/set-up/retype'

/** What nothing takes back. */
const forGood: ReadonlySet<string> = new Set(['projects.delete', 'items.delete', 'view.delete'])

/**
 * Undoes one's own command, or what anyone's command did to items that one may change: restores each field that still holds
 * what the command wrote, and names those that it leaves alone. A redo is the revert of a revert.
 */
export const revert = defineCommand({
  type: 'revert',
  v: 1,
  body: z.object({ of: ids.commandId, items: z.optional(distinct(ids.itemId, mostInTurn, (id) => id)) }),
  needs: (body) => [{ what: 'entry', command: body.of }],
  projects: (reader, { items }) => projectsOf(reader, items ?? []),
  check(reader, body, context) {
    const entry = context.entryOf(body.of)
    if (!entry) return problem('nothing-to-undo')
    if (forGood.has(entry.type)) return problem('for-good')
    if (body.items) return firstProblem(body.items, (id) => checkItem(reader, id, context))
    return isSameActor(entry.by, context.by) ? undefined : problem('not-allowed', { needs: 'own' })
  },
  *apply(reader, body, context): Pieces<Result<Applied>> {
    const entry = must(context.entryOf(body.of), 'entry')
    const done = yield* revertOf(reader, body.items ? ofItems(entry, body.items) : entry, context)
    if (!done.patch.length) return fail(problem('nothing-to-undo'))
    const refused = yield* patchRefusal(reader, context.by, done.patch)
    return refused ? fail(refused) : ok(done)
  },
})

/** What an entry did to these items alone, with the stays and texts that may be theirs. */
const ofItems = (entry: Entry, items: readonly string[]): Entry => ({
  ...entry,
  patch: entry.patch.filter(
    (change) => entityOf(change.entity).held === 'server only' || items.some((item) => isOfItem(change, item)),
  ),
})

/** What undoing an entry changes now, and what it can no longer undo. */
export function revertOf(reader: Reader, entry: Entry, context: Context): Pieces<Applied> {
  return new Reverting(reader, upgradeEntry(reader, entry), context).run()
}

/** The columns that a change of status writes together. */
const statusColumns = new Set(['status', 'statusSince', 'phaseSince', 'activeDays', 'stay', 'started', 'finished'])
const stampColumns = new Set(['changed', 'changedBy'])
/** What may differ between a thing as it was made and as it now is, without it having been changed by anybody. */
const aside = new Set(['changed', 'changedBy', 'rank', 'siblingRank', 'number', 'nextNumber', 'order'])

/** A field that becomes again what it was, and how a value that it holds now is read as that. */
interface Retyped {
  readonly id: string
  convert(value: Value): Value
}

class Reverting {
  readonly #patch: Change[] = []
  readonly #leftAlone: Place[] = []
  readonly #stays: StayIds
  readonly #unmade = new Set<string>()
  /** Items that the entry made and that stay, with what they came with. */
  readonly #kept = new Set<string>()
  readonly #retyped = new Map<string, Retyped>()
  /** The entry's changes of long texts, by item, and of stays, by their id. */
  readonly #texts = new Map<string, Change[]>()
  readonly #stayChanges = new Map<string, Change[]>()
  /** The links that the entry made. */
  readonly #linked = new Set<string>()
  /** Ids that something speaks of that stays. */
  readonly #used = new Set<string>()

  constructor(
    readonly reader: Reader,
    readonly entry: Entry,
    readonly context: Context,
  ) {
    this.#stays = new StayIds(context.command)
  }

  *run(): Pieces<Applied> {
    yield* inPieces(this.entry.patch, (change) => {
      if (change.entity === 'longText') put(this.#texts, change.id.slice(0, change.id.lastIndexOf('/')), change)
      else if (change.entity === 'stay') put(this.#stayChanges, change.id, change)
      else if (change.entity === 'link' && !isSetChange(change) && change.after) this.#linked.add(change.id)
    })
    yield* this.#findUnmade()
    yield* this.#findUsed()
    const byItem = new Map<string, Change[]>()
    yield* inPieces([...this.entry.patch].reverse(), (change) => {
      if (entityOf(change.entity).held === 'server only') return
      if (change.entity === 'item' && change.field !== '*') put(byItem, change.id, change)
      else this.#revertOther(change)
    })
    this.#findRetyped()
    yield* inPieces(byItem, ([id, changes]) => this.#revertItem(id, changes))
    for (const field of this.#retyped.values()) yield* this.#convertOthers(field, byItem)
    const leftAlone = this.#leftAlone.length ? { leftAlone: this.#leftAlone } : {}
    return { patch: [...this.#saidOfWhatGoes(), ...this.#patch], of: this.entry.command, ...leftAlone }
  }

  /** The made items that go: not touched since, and with nothing left inside them. */
  *#findUnmade(): Pieces<undefined> {
    yield* inPieces(this.entry.patch, (change) => {
      if (change.entity !== 'item' || change.field !== '*' || isSetChange(change) || !change.after) return
      this.#kept.add(change.id)
      const now = this.reader.maybe('item', change.id)
      if (now && isAsMade(now, change.after)) this.#unmade.add(change.id)
    })
    const kept: string[] = []
    yield* inPieces(this.#unmade, (id) => {
      for (const child of this.reader.childrenOf(id as Item['id'])) if (!this.#unmade.has(child.id)) kept.push(id)
      for (const link of this.reader.linksOf(id)) if (!this.#linked.has(link.id)) kept.push(id)
    })
    // What has something left inside it stays, and so does what it stands in.
    for (let id = kept.pop(); id; id = kept.pop()) {
      if (!this.#unmade.delete(id)) continue
      const { parent } = must(this.reader.maybe('item', id), 'item')
      if (parent && this.#unmade.has(parent)) kept.push(parent)
    }
    for (const id of this.#unmade) this.#kept.delete(id)
    return undefined
  }

  #revertOther(change: Change): void {
    if (change.field === 'nextNumber' || isSetChange(change)) return
    if (change.field !== '*') return this.#revertField(change)
    const now = this.reader.maybe(change.entity, change.id)
    if (change.before !== null) {
      // It was taken away, or another took its place: it comes back where that still stands.
      if (isSameValue(now ?? null, change.after) && this.#hasEnds(change))
        this.#patch.push({ ...change, before: change.after, after: change.before })
      else this.#leave(change)
      if (change.entity === 'item' && !now) this.#reviveStay(change.before as Item)
    } else if (change.entity === 'item') this.#unmakeItem(change, now as Item | undefined)
    else if (now && isAsMade(now, change.after) && !this.#used.has(change.id) && !this.#isOfKept(change))
      this.#patch.push({ ...change, before: now, after: null })
    else if (now) this.#leave(change)
  }

  #isOfKept = (change: Change): boolean =>
    change.entity === 'link' && itemsOfChange(change).some((id) => this.#kept.has(id))
  /** Whether what a link tied together is there. */
  #hasEnds(change: Change): boolean {
    if (change.entity !== 'link') return true
    return itemsOfChange(change).every((id) => this.reader.placeOf(id) ?? this.entry.patch.some((one) => one.entity === 'item' && one.id === id && one.field === '*')) // prettier-ignore
  }

  #unmakeItem(change: Change, now: Item | undefined): void {
    if (!now) return
    if (!this.#unmade.has(change.id)) return this.#leave(change)
    this.#patch.push({ entity: 'item', id: now.id, field: '*', before: now, after: null })
    this.#patch.push({ entity: 'stay', id: now.stay, field: '*', before: stayOf(now), after: null })
    for (const one of this.#texts.get(now.id) ?? []) this.#patch.push(invertChange(one))
  }

  #reviveStay(item: Item): void {
    this.#patch.push({ entity: 'stay', id: item.stay, field: '*', before: null, after: stayOf(item) })
    for (const one of this.#texts.get(item.id) ?? []) this.#patch.push(invertChange(one))
  }

  #revertField(change: Exclude<Change, { added: readonly string[] }>): void {
    const record = this.reader.maybe(change.entity, change.id) as Record<string, unknown> | undefined
    if (!record) return
    if (isSameValue(record[change.field], change.after)) this.#patch.push(invertChange(change))
    else this.#leave(change)
  }

  #revertItem(id: string, changes: Change[]): void {
    const item = this.reader.maybe('item', id)
    if (!item) return this.#leave({ entity: 'item', id, field: '*', before: null, after: null })
    const before = this.#patch.length
    // Without a move, a change of the status's phase has said when it was started and finished.
    const isMoved = changes.some((change) => change.field === 'stay')
    const statusChanges = isMoved ? changes.filter((change) => statusColumns.has(change.field)) : []
    if (isMoved) this.#revertStatus(item, statusChanges)
    for (const change of changes)
      if (!statusChanges.includes(change) && !stampColumns.has(change.field)) this.#revertValue(item, change)
    if (this.#patch.length > before) this.#patch.push(...stamp(item, this.context))
  }

  /** Takes the stay back where no later change of status followed; else an ordinary move, if it still stands there. */
  #revertStatus(item: Item, changes: Change[]): void {
    const of = (field: string) =>
      changes.find((change) => change.field === field && !isSetChange(change)) as
        { before: unknown; after: unknown } | undefined
    if (of('stay')?.after === item.stay) {
      for (const { field } of changes)
        if (field !== 'finished')
          this.#patch.push(...changeOf(item, field, item[field as ItemColumn], of(field)?.before))
      this.#patch.push(...this.#finishedBefore(item, of))
      const stays = [String(of('stay')?.before), item.stay].flatMap((id) => this.#stayChanges.get(id) ?? [])
      this.#patch.push(...stays.map(invertChange).reverse())
    } else if (of('status') && item.status === of('status')?.after)
      this.#patch.push(...changeStatus(this.reader, item, of('status')?.before as StatusId, this.context, this.#stays))
    else this.#leave({ entity: 'item', id: item.id, field: 'status', before: null, after: null })
  }

  /** Whether it is finished follows the phase that the status it comes back to has today. */
  #finishedBefore(item: Item, of: (field: string) => { before: unknown } | undefined): Change[] {
    const phase = this.reader.maybe('status', String(of('status')?.before))?.phase
    const since = of('finished')?.before ?? of('statusSince')?.before ?? item.statusSince
    return changeOf(item, 'finished', item.finished, phase && isOver(phase) ? since : null)
  }

  #revertValue(item: Item, change: Change): void {
    if (isSetChange(change)) {
      const held = idsOf(item.values[change.field])
      const [added, removed] = [idsMissingFrom(change.removed, held), idsAlsoIn(change.added, held)]
      if (added.length || removed.length)
        this.#patch.push({ entity: 'item', id: item.id, field: change.field, added, removed })
      else this.#leave(change)
      return
    }
    const now = isItemColumn(change.field) ? item[change.field] : (item.values[change.field] ?? null)
    const retyped = this.#retyped.get(change.field)
    if (retyped && !isSameValue(now, change.after)) return this.#convert(item, retyped)
    if (!isSameValue(now, change.after)) return this.#leave(change)
    if (isLongTextMark(change.before) || isLongTextMark(change.after)) return this.#revertText(item, change)
    if (change.field === 'parent' && change.before && !this.reader.maybe('item', String(change.before)))
      return this.#leave(change)
    this.#patch.push(invertChange(change))
  }

  /** What was said of items in a column or a status that goes: it goes too, before what says whose it is. */
  #saidOfWhatGoes(): Change[] {
    const gone = new Set<string>(this.#patch.flatMap((one) => (one.field === '*' && !isSetChange(one) && !one.after ? one.id : []))) // prettier-ignore
    if (!gone.size) return []
    const overrules = [...this.reader.all('overrule')].filter(({ id, column }) => gone.has(column) && !gone.has(id))
    const notes = [...this.reader.all('moveNote')].filter(({ id, status }) => gone.has(status) && !gone.has(id))
    return [
      ...overrules.map((one): Change => ({ entity: 'overrule', id: one.id, field: '*', before: one, after: null })),
      ...notes.map((one): Change => ({ entity: 'moveNote', id: one.id, field: '*', before: one, after: null })),
    ]
  }

  /** Fields that become of the type that they were of, each with how what is held now is read as that. */
  #findRetyped(): void {
    for (const { entity, id, field } of this.#patch) {
      if (entity !== 'field' || (field !== 'type' && field !== 'settings')) continue
      // Settings alone leave values as they are.
      if (field === 'settings' && !this.entry.patch.some((one) => one.entity === 'item' && one.field === id)) continue
      const record = this.reader.maybe('field', id)
      if (!record) continue
      const back = this.#patch.filter((one) => one.entity === 'field' && one.id === id && !isSetChange(one))
      const after = { ...record, ...Object.fromEntries(back.map((one) => [one.field, 'after' in one ? one.after : undefined])) } // prettier-ignore
      this.#retyped.set(id, { id, convert: conversion(this.reader, record, { to: after, unit: '', options: [] }) })
    }
  }

  /** What has been said since then is read as what the field was. */
  #convert(item: Item, { id, convert }: Retyped): void {
    const now = item.values[id] ?? null
    const after = now === null ? null : convert(now)
    if (!isSameValue(now, after)) this.#patch.push({ entity: 'item', id: item.id, field: id, before: now, after })
  }
  *#convertOthers(field: Retyped, done: ReadonlyMap<string, readonly Change[]>): Pieces<undefined> {
    const project = this.reader.maybe('field', field.id)?.project
    if (!project) return undefined
    yield* inPieces(this.reader.itemsOf(project), (item) => {
      if (done.get(item.id)?.some((change) => change.field === field.id)) return
      const before = this.#patch.length
      this.#convert(item, field)
      if (this.#patch.length > before && !done.has(item.id)) this.#patch.push(...stamp(item, this.context))
    })
    return undefined
  }

  /** The old words come back under a new revision, so that nobody's editor takes them for what it has. */
  #revertText(item: Item, change: { field: string; before: unknown; after: unknown }): void {
    const id = longTextId(item.id, change.field)
    const words = this.#texts.get(item.id)?.find((one) => one.id === id && !isSetChange(one)) as
      { before: LongText | null; after: LongText | null } | undefined
    const last = isLongTextMark(change.after)
      ? change.after.revision
      : isLongTextMark(change.before)
        ? change.before.revision
        : 0
    const mark = change.before ? { revision: last + 1 } : null
    this.#patch.push({ entity: 'item', id: item.id, field: change.field, before: change.after, after: mark })
    if (!words) return
    const after = words.before ? { ...words.before, revision: last + 1 } : null
    this.#patch.push({ entity: 'longText', id, field: '*', before: words.after, after })
  }

  #leave(change: Change): void {
    this.#leftAlone.push({ entity: change.entity, id: change.id, field: change.field })
  }

  /** Asked only of what is no item and may go. */
  *#findUsed(): Pieces<undefined> {
    const made = new Set<string>()
    const given = new Map<string, Change[]>()
    let isAsked = false
    yield* inPieces(this.entry.patch, (change) => {
      const { entity, id, field } = change
      if (field === '*') made.add(id)
      else if (entity === 'item') put(given, id, change)
      isAsked ||= field === '*' && entityOf(entity).held === 'directory'
    })
    if (!isAsked) return undefined
    const use = (entity: EntityName, record: Records[EntityName]) => {
      for (const { id } of idsNeeded(entity, record)) this.#used.add(id)
    }
    yield* inPieces(this.reader.all('item'), (item) => {
      if (!this.#unmade.has(item.id)) use('item', withoutGiven(item, given.get(item.id)))
    })
    for (const entity of [...entitiesHeld('directory'), ...entitiesHeld('with items')])
      for (const record of this.reader.all(entity)) if (!made.has(record.id)) use(entity, record)
    return undefined
  }
}

/** The item without what it still holds of what it was given: that is taken back from it as well. */
function withoutGiven(item: Item, given: readonly Change[] | undefined): Item {
  if (!given) return item
  const isGiven = ([field, value]: [string, unknown]) =>
    given.some((change) => change.field === field && !isSetChange(change) && isSameValue(value, change.after))
  return { ...item, values: Object.fromEntries(Object.entries(item.values).filter((held) => !isGiven(held))) }
}

function put<T>(lists: Map<string, T[]>, key: string, one: T): void {
  const list = lists.get(key)
  if (list) list.push(one)
  else lists.set(key, [one])
}

function isAsMade(now: object, made: unknown): boolean {
  const [is, was] = [now, made] as Record<string, unknown>[]
  const isSame = (key: string) => aside.has(key) || isSameValue(is![key], was![key])
  return Object.keys(is!).every(isSame) && Object.keys(was!).every((key) => key in is! || aside.has(key))
}
