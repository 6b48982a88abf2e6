/** A small workspace for tests, and commands made from random numbers against whatever state there is. */
import { dayNumber, fromDayNumber } from '../base/dates'
import { tieId, type CommandId, type DayOffId, type ItemId, type PersonId } from '../base/ids'
import { must, type Result } from '../base/result'
import { evenWeek } from '../base/week'
import { memberId } from '../access/access'
import { personActor } from '../change/actor'
import type { Applied, Context, Entry } from '../change/command'
import { applyPatch, itemsTouchedBy, type Patch } from '../change/patch'
import { scoping } from '../change/scopes'
import { modelVersion } from '../change/upgrade'
import { together } from '../commands/bare'
import { commandOf, definitionOf, judge, type BareCommand, type Command } from '../commands/registry'
import { fieldTypeNames, type FieldTypeName } from '../fields/names'
import type { Field, Item, Kind, LongText, Person, Project, Records, Role } from '../model/records'
import { phases } from '../model/names'
import { boardsOf, columnsOf, fieldsOf, kindsOf, limitSetOf, statusesOf, stepsOf } from '../model/reader'
import { State } from '../model/state'
import { itemsHeld } from '../projects/delete'
import { optionsOf, starterPattern } from '../projects/starter-pattern'
import type { Scoped } from '../wire/seen'
import { useWorkings } from '../worked-out/workings'

useWorkings()

export class Ids {
  #n = 0
  constructor(readonly space = 0) {}
  next = (): string => {
    const n = (++this.#n).toString(16).padStart(12, '0')
    return `00000000-0000-7000-8000-${(BigInt(this.space) * 0x100000000n + BigInt(`0x${n}`)).toString(16).padStart(12, '0')}`
  }
  command = (): CommandId => this.next() as CommandId
  item = (): ItemId => this.next() as ItemId
}

export const now = '2026-11-25T09:00:00.000Z'
export const today = '2026-11-25'

export function personOf(ids: Ids, name: string, role: Role | null): Person {
  return {
    id: ids.next() as PersonId,
    name,
    email: `${name.toLowerCase()}@garden.example`,
    role,
    colour: 'pond',
    hours: evenWeek(30 * 60, [1, 2, 3, 4, 5]),
    craft: null,
    active: true,
  }
}

export interface Small {
  readonly state: State
  readonly ids: Ids
  readonly people: Readonly<Record<'owner' | 'lead' | 'contributor' | 'reader' | 'stranger', Person>>
  readonly project: Project
}

/**
 * One project from the starter pattern, with a long text, a short text that is unique, several options, a checkbox and a
 * relation whose far end takes one item.
 */
export function smallWorkspace(): Small {
  const ids = new Ids()
  const state = new State()
  const people = {
    owner: personOf(ids, 'Séverine', 'owner'),
    lead: personOf(ids, 'Imke', 'lead'),
    contributor: personOf(ids, 'Hamid', 'contributor'),
    reader: personOf(ids, 'Yuki', 'reader'),
    stranger: personOf(ids, 'Noor', 'contributor'),
  }
  state.put('workspace', 'w', {
    id: 'w',
    name: 'Garden',
    timeZone: 'Europe/Berlin',
    workingWeek: [1, 2, 3, 4, 5],
    demo: false,
  })
  for (const person of Object.values(people)) state.put('person', person.id, person)
  const christmas = ids.next() as DayOffId
  state.put('dayOff', christmas, {
    id: christmas,
    person: null,
    from: '2026-12-25',
    to: '2026-12-25',
    name: 'Christmas Day',
  })
  const body = starterPattern(
    { name: 'Glasshouse', prefix: 'GLH', colour: 'leaf', rank: 'a1', maker: people.owner.id },
    ids.next,
  )
  const more = (name: string, type: Field['type'], at: number, settings = {}): Field => ({
    id: ids.next() as never, project: body.project.id, name, help: '', type, settings, rank: `b0${at}`, archived: false,
  }) // prettier-ignore
  const tags = more('tags', 'severalOptions', 3)
  const needs = more('needs', 'relation', 5)
  const neededFor = more('needed for', 'relation', 6, { other: needs.id, single: true })
  body.fields.push(
    more('notes', 'longText', 1),
    more('outside reference', 'shortText', 2, { unique: true }),
    tags,
    more('signed off', 'checkbox', 4),
    { ...needs, settings: { other: neededFor.id } },
    neededFor,
  )
  const labels = [['heritage', 'moss'], ['wet trade', 'rain'], ['public', 'iris']] as const // prettier-ignore
  body.options.push(...optionsOf(tags.id, labels, ids.next))
  run(state, command(ids, { type: 'projects.create', ...body }), people.owner.id)
  for (const person of [people.contributor, people.reader]) {
    const id = memberId(body.project.id, person.id)
    state.put('member', id, { id, project: body.project.id, person: person.id, role: must(person.role, 'role') })
  }
  return { state, ids, people, project: must(state.maybe('project', body.project.id), 'project') }
}

export function contextOf(command: { readonly id: CommandId }, by: PersonId, more: Partial<Context> = {}): Context {
  return {
    command: command.id,
    by: personActor(by),
    now,
    today,
    isRoom: true,
    entryOf: () => undefined,
    longText: () => undefined,
    ...more,
  }
}

/** Judges and applies; throws where it is refused. */
export function run(state: State, command: Command, by: PersonId, more: Partial<Context> = {}): Patch {
  const patch = judge(state, command, contextOf(command, by, more))
  if (!patch.ok) throw new Error(`${command.type}: ${JSON.stringify(patch.problem)}`)
  applyPatch(state, patch.value.patch)
  return patch.value.patch
}

/** A command with an id of its own. */
export const command = (ids: Ids, bare: BareCommand): Command => commandOf(ids.command(), bare)

/** What the log keeps of a command that was done. */
export const entryOf = (command: Command, by: PersonId, patch: Patch, sequence = 1): Entry => ({
  sequence, command: command.id, type: command.type, v: command.v, model: modelVersion, by: personActor(by), at: now, patch,
}) // prettier-ignore

/** Applies a patch as a command's, and gives what the log keeps of it. */
export function scopedOf(state: State, command: Command, by: PersonId, patch: Patch, sequence = 1): Scoped {
  const scopesOf = scoping(state, patch)
  applyPatch(state, patch)
  return { entry: entryOf(command, by, patch, sequence), scopes: scopesOf() }
}

/** What a room does, without a database: judges in order, gives sequence numbers, keeps entries and long texts. */
export class PlainRoom {
  readonly done: Scoped[] = []
  readonly entries: Entry[] = []
  readonly texts = new Map<string, LongText>()
  #clock = Date.parse(now)
  constructor(readonly state: State) {}

  do(command: Command, by: PersonId): Result<Entry> {
    const known = this.entries.find((one) => one.command === command.id)
    if (known) return { ok: true, value: known }
    const at = new Date((this.#clock += 1000)).toISOString()
    const patch = judge(
      this.state,
      command,
      contextOf(command, by, {
        now: at,
        entryOf: (id) => this.entries.find((one) => one.command === id),
        longText: (id) => this.texts.get(id),
      }),
    )
    if (!patch.ok) return patch
    const { patch: changes, ...more }: Applied = patch.value
    const scopesOf = scoping(this.state, changes)
    applyPatch(this.state, changes)
    for (const change of changes)
      if (change.entity === 'longText' && !('added' in change)) {
        if (change.after) this.texts.set(change.id, change.after as LongText)
        else this.texts.delete(change.id)
      }
    const entry: Entry = {
      sequence: this.entries.length + 1,
      command: command.id,
      type: command.type,
      v: command.v,
      model: modelVersion,
      by: personActor(by),
      at,
      patch: changes,
      ...more,
    }
    this.entries.push(entry)
    this.done.push({ entry, scopes: scopesOf() })
    return { ok: true, value: entry }
  }
}

/** Three numbers that choose what a random command is and what it speaks of. */
export type Dice = readonly [what: number, which: number, more: number]

/** A command of every type in turn, about things of the state; undefined where the state has nothing of the sort. */
export function randomCommand(
  state: State,
  project: Project,
  dice: Dice,
  ids: Ids,
  past: readonly CommandId[],
  by: PersonId,
): Command | undefined {
  const [what, which, more] = dice
  const items = [...state.itemsOf(project.id)].sort((a, b) => (a.id < b.id ? -1 : 1))
  const pick = <T>(list: readonly T[], n: number): T | undefined => (list.length ? list[n % list.length] : undefined)
  const item = pick(items, which)
  const other = pick(items, more)
  const statuses = statusesOf(state, project.id)
  const status = must(pick(statuses, more), 'status')
  const people = [...state.all('person')]
  const fields = fieldsOf(state, project.id)
  const head = <T extends Command['type']>(type: T) => ({ id: ids.command(), type, v: definitionOf(type)?.v ?? 0 })
  const types = [
    'add',
    'add',
    'set',
    'set',
    'people',
    'setAll',
    'move',
    'place',
    'parent',
    'nest',
    'archive',
    'archive',
    'delete',
    'text',
    'limit',
    'overrule',
    'noted',
    'view',
    'viewOff',
    'viewSet',
    'viewOrder',
    'look',
    'prefer',
    'person',
    'access',
    'daysOff',
    'together',
    'project',
    'bringIn',
    'setUp',
    'setUp',
    'setUp',
    'revert',
    'revert',
  ] as const
  const type = types[what % types.length] ?? 'add'
  if (type === 'add' || !item || !other) return { ...head('items.add'), items: [newItemOf(which, more)] }
  switch (type) {
    case 'set': {
      const plain = fields.filter((one) => ['date', 'number', 'oneOption', 'checkbox'].includes(one.type))
      const field = pick(plain, which + more)
      if (!field) return undefined
      const to =
        field.type === 'date'
          ? `2026-12-${String((more % 28) + 1).padStart(2, '0')}`
          : field.type === 'number'
            ? more
            : field.type === 'checkbox'
              ? more % 2 === 0
              : (pick(state.optionsOf(field.id), more)?.id ?? null)
      return {
        ...head('items.set'),
        items: [
          {
            item: item.id,
            set: {
              [field.id]: { from: item.values[field.id] ?? null, to },
              title: { from: item.title, to: `title ${more}` },
            },
          },
        ],
      }
    }
    case 'people': {
      const field = pick(
        fields.filter((one) => ['people', 'severalOptions', 'relation'].includes(one.type)),
        which,
      )
      const choices: readonly { readonly id: string }[] =
        field?.type === 'people' ? people : field?.type === 'relation' ? items : field ? state.optionsOf(field.id) : []
      const [added, removed] = [pick(choices, more)?.id, pick(choices, more + which)?.id]
      if (!field || !added || !removed) return undefined
      return {
        ...head('items.set'),
        items: [{ item: item.id, set: { [field.id]: { add: [added], remove: [removed] } } }],
      }
    }
    case 'setAll': {
      const due = fields.find((one) => one.type === 'date')
      const set = due && [{ [due.id]: { shift: { of: more % 2 ? 'day' : 'workingDay', n: (more % 21) - 10 } } }, { [due.id]: { to: null } }, { status: { to: status.id } }][more % 3] // prettier-ignore
      return set && ({ ...head('items.set-all'), items: [...new Set([item.id, other.id])], set } as Command)
    }
    case 'move':
      return {
        ...head('items.move'),
        items: [
          {
            item: item.id,
            status: { from: item.status, to: status.id },
            ...(more % 2 && other.id !== item.id && { place: { before: other.id } }),
          },
        ],
      }
    case 'place':
      return other.id === item.id
        ? undefined
        : {
            ...head('items.move'),
            items: [{ item: item.id, place: more % 2 ? { before: other.id } : { after: other.id } }],
          }
    case 'parent':
      return {
        ...head('items.set'),
        items: [{ item: item.id, set: { parent: { from: item.parent, to: more % 3 ? other.id : null } } }],
      }
    case 'nest':
      return {
        ...head('items.nest'),
        items: [...new Set([item.id, ...(more % 4 ? [] : [pick(items, more + 1)!.id])])],
        parent: more % 3 ? other.id : null,
        ...(more % 2 && { place: which % 2 ? { before: pick(items, which)!.id } : { after: pick(items, which)!.id } }),
      }
    case 'archive':
      return {
        ...head('items.archive'),
        items: [item.id],
        archived: more % 2 === 0,
        ...(which % 3 && { inside: which % 3 === 1 }),
      }
    case 'delete': {
      const binned = items.filter((one) => one.archived).slice(0, 1 + (more % 3))
      return binned.length
        ? { ...head('items.delete'), items: binned.map(({ id }) => id), number: binned.length }
        : undefined
    }
    case 'text': {
      const field = fields.find((one) => one.type === 'longText')
      if (!field) return undefined
      const mark = item.values[field.id]
      const revision = mark && typeof mark === 'object' && 'revision' in mark ? mark.revision : 0
      return { ...head('items.text'), item: item.id, field: field.id, revision, text: more % 3 ? `words ${more}` : '' }
    }
    case 'limit': {
      const board = must(boardsOf(state, project.id)[0], 'board')
      const column = pick(columnsOf(state, board.id), which)?.id
      return (
        column && {
          ...head('limit.set'),
          column,
          from: limitSetOf(state, column),
          to: more % 4 ? { most: more % 9, least: null, of: null, stops: more % 3 === 0 } : null,
        }
      )
    }
    case 'overrule': {
      const board = must(boardsOf(state, project.id)[0], 'board')
      const column = pick(columnsOf(state, board.id), which)?.id
      return column && { ...head('limit.overrule'), column, item: item.id, reason: `reason ${more}` }
    }
    case 'noted': {
      if (item.status === status.id) return undefined
      const move: BareCommand = { type: 'items.move', items: [{ item: item.id, status: { from: item.status, to: status.id } }] } // prettier-ignore
      const note = { item: item.id, status: status.id, text: `note ${more}` }
      return more % 4 ? commandOf(ids.command(), together([move, { type: 'items.note', ...note }])) : { ...head('items.note'), ...note } // prettier-ignore
    }
    case 'view':
      return {
        ...head('view.add'),
        record: {
          id: ids.next() as never,
          project: project.id,
          maker: by,
          audience: { of: 'project' },
          archived: null,
          name: `view ${more}`,
          rank: `b${String(more % 10)}${String(which % 10)}`,
          definition: { v: 3, layout: 'table', where: [], group: [], sort: [], totals: [], show: [] },
        },
      }
    case 'viewOff': {
      const view = pick([...state.all('view')], which)
      if (view?.archived && more % 2) return { ...head('view.delete'), view: view.id }
      return view && { ...head('view.remove'), target: view.id, how: {} }
    }
    case 'viewSet': {
      const view = pick([...state.all('view')], which)
      return view && { ...head('view.set'), target: view.id, set: { name: { from: view.name, to: `named ${more}` } } }
    }
    case 'viewOrder': {
      const view = pick([...state.all('view')], which)
      return view && { ...head('view.order'), target: view.id, before: pick([...state.all('view')], more)?.id ?? null }
    }
    case 'look': {
      const view = pick([...state.all('view')], which)
      return view && { ...head('look.set'), view: view.id, widths: { title: more % 4 ? 100 + (more % 300) : null } }
    }
    case 'prefer':
      return {
        ...head('preference.set'),
        set: { theme: pick(['system', 'day', 'night'] as const, more), ...(more % 2 && { weekStart: 1 + (more % 7) }) },
      }
    case 'person':
      return { ...head('people.add'), people: [{ ...personOf(ids, `P${more}`, null), email: null }], members: [] }
    case 'access': {
      const person = pick(
        people.filter((one) => one.id !== by),
        which,
      )
      const member = pick([...state.all('member')], which)
      const role = pick(['reader', 'contributor', 'lead', 'owner'] as const, more >> 2) ?? 'reader'
      if (more % 4 === 0)
        return person && { ...head('person.set'), target: person.id, set: { role: { from: person.role, to: role } } }
      if (more % 4 === 1) return person && { ...head('person.remove'), target: person.id, how: {} }
      if (more % 4 === 2)
        return member && { ...head('member.set'), target: member.id, set: { role: { from: member.role, to: role } } }
      return member && { ...head('member.remove'), target: member.id, how: {} }
    }
    case 'daysOff': {
      const off = pick([...state.all('dayOff')], which)
      const day = fromDayNumber(dayNumber(today) + ((which + more) % 40))
      if (more % 5 === 0) return off && { ...head('dayOff.remove'), target: off.id, how: {} }
      if (more % 5 === 1)
        return off && { ...head('dayOff.set'), target: off.id, set: { to: { from: off.to, to: day } } }
      const { id, timeZone, workingWeek } = state.workspace()
      if (more % 5 === 2)
        return { ...head('workspace.set'), target: id, set: { workingWeek: { from: workingWeek, to: [1, 2, 3, 4, 5, 6, 7].filter((one) => (which >> one) % 2 === 0) } } } // prettier-ignore
      if (more % 5 === 3)
        return { ...head('workspace.set'), target: id, set: { timeZone: { from: timeZone, to: pick(['Europe/Berlin', 'Asia/Kathmandu'], which)! } } } // prettier-ignore
      return { ...head('dayOff.add'), record: { id: ids.next() as DayOffId, person: which % 2 ? by : null, from: day, to: fromDayNumber(dayNumber(day) + (more % 7)), name: '' } } // prettier-ignore
    }
    case 'together': {
      const [one, two] = [pick(people, which), pick(people, which + 1)]
      const craft = (person: Person | undefined): BareCommand[] =>
        person && person !== two
          ? [
              {
                type: 'person.set',
                target: person.id,
                set: { craft: { from: person.craft ?? null, to: `craft ${more % 3}` } },
              },
            ]
          : []
      const moved: BareCommand[] = item
        ? [{ type: 'items.set', items: [{ item: item.id, set: { status: { from: item.status, to: status.id } } }] }]
        : []
      const bare = together([...craft(one), ...moved, { type: 'person.set', target: must(two, 'person').id, set: { colour: { from: two!.colour, to: 'moss' } } }]) // prettier-ignore
      return commandOf(ids.command(), bare)
    }
    case 'project': {
      const held = pick([...state.all('project')], which)
      const set = {
        name: { from: held?.name, to: `Bed ${which} ${more % 3}` },
        prefix: { from: held?.prefix, to: `C${String(more % 50)}` },
        archived: { from: held?.archived, to: false },
      }
      const name = (['name', 'prefix', 'archived'] as const)[which % 3]!
      if (held && more % 4 === 1) return { ...head('project.set'), target: held.id, set: { [name]: set[name] } }
      if (held && more % 4 === 2) return { ...head('project.order'), target: held.id, before: null }
      const other = [...state.all('project')].find(({ id }) => id !== project.id)
      if (other && more % 4 === 3 && which % 2)
        return { ...head('projects.delete'), project: other.id, items: itemsHeld(state, other.id) }
      if (held && more % 4 === 3) return { ...head('project.remove'), target: held.id, how: {} }
      return {
        ...head('projects.create'),
        ...starterPattern(
          {
            name: `Bed ${which} ${more}`,
            prefix: `B${String(which % 100)}${String(more % 1000)}`,
            colour: 'moss',
            rank: 'b99',
            maker: by,
          },
          ids.next,
        ),
      }
    }
    case 'bringIn': {
      const items_ = [newItemOf(which, more), newItemOf(more, which)]
      const field = {
        id: ids.next() as never,
        project: project.id,
        name: `field ${more}`,
        help: '',
        type: 'shortText' as const,
        settings: {},
        rank: `c${String(which % 10)}${String(more % 10)}1`,
        archived: false,
      }
      return {
        ...head('bring-in'),
        project: project.id,
        people: [],
        kinds: [],
        fields: [field],
        options: [],
        items: items_.map((one) => ({ ...one, values: { [field.id]: 'v' } })),
        texts: [],
      }
    }
    case 'setUp':
      return setUpCommand(state, project, which, more, ids)
    case 'revert': {
      const of = pick(past, which)
      return of && { ...head('revert'), of }
    }
  }

  function newItemOf(a: number, b: number) {
    const parent: Item | undefined = b % 3 ? undefined : pick(items, a)
    return {
      item: ids.item(), project: project.id, kind: must(kindsOf(state, project.id)[0], 'kind').id, title: `item ${a}`,
      status: must(pick(statuses, b), 'status').id, parent: parent?.id ?? null, values: {},
      ...(a % 2 && pick(items, b) && { place: { after: must(pick(items, b), 'item').id } }),
    } // prettier-ignore
  }
}

/** A kind goes through a workflow of its own, or that of another kind. */
function following(
  state: State,
  kind: Kind | undefined,
  as: Kind | undefined,
  more: number,
  ids: Ids,
): Command | undefined {
  const shared = kind && state.maybe('workflow', kind.workflow)
  if (!kind || !as || !shared) return undefined
  const to = (more % 2 ? ids.next() : as.workflow) as Kind['workflow']
  const steps = stepsOf(state, shared.id).map((step) => ({ ...step, id: tieId<'step'>(to, step.status), workflow: to }))
  const instead = more % 2 ? shared.start : (state.maybe('workflow', as.workflow)?.start ?? null)
  return command(ids, { type: 'kind.follow', kind: kind.id, from: shared.id, to, made: more % 2 ? { workflow: { ...shared, id: to, name: `of ${kind.name}` }, steps } : null, instead }) // prettier-ignore
}

/** What a worked-out field reads: another one that fits, whichever; nothing of a field that is filled in. */
function workedSettings(type: FieldTypeName, fields: readonly Field[], which: number): Field['settings'] {
  const [number, date] = (['number', 'date'] as const).map((kind) => fields.filter((field) => (field.settings.gives ?? field.type) === kind)) // prettier-ignore
  const [some, day] = [number?.[which % number.length], date?.[which % date.length]]
  if (type === 'computed') return { formula: some ? `\`${some.id}\` * 2 + size(inside)` : '1 + size(children)', gives: 'number', decimals: which % 3 } // prettier-ignore
  if (type === 'rollUp') return some ? { over: 'inside', how: 'sum', of: some.id, gives: 'number' } : { over: 'children', how: 'count', gives: 'number' } // prettier-ignore
  return type === 'lookUp' && day ? { over: 'parent', of: day.id, gives: 'date' } : {}
}

/** Adding, changing, removing or ordering something that a project is set up with. */
export function setUpCommand(
  state: State,
  project: Project,
  which: number,
  more: number,
  ids: Ids,
): Command | undefined {
  const pick = <T>(list: readonly T[], n: number): T | undefined => list[n % Math.max(1, list.length)]
  const [fields, kinds] = [fieldsOf(state, project.id), kindsOf(state, project.id)]
  const statuses = statusesOf(state, project.id)
  const options = fields.map((field) => state.optionsOf(field.id)).find((of) => of.length) ?? []
  const columns = columnsOf(state, must(boardsOf(state, project.id)[0], 'board').id)
  const steps = stepsOf(state, kinds[0]?.workflow ?? '')
  const verb = pick(['add', 'set', 'remove', 'order'] as const, more)
  const [one, to] = [which >> 3, (which >> 3) + 1 + (more % 3)]
  const named = `named ${more}`
  const id = ids.next() as never
  const of = <E extends 'field' | 'option' | 'kind' | 'status' | 'step' | 'column'>(
    entity: E,
    list: readonly Records[E][],
    made: Partial<Records[E]>,
    field: string,
    value: unknown,
    how: object,
    does = verb,
  ): Command | undefined => {
    const record = pick(list, one) as (Records[E] & Readonly<Record<string, unknown>>) | undefined
    if (!record) return undefined
    const bodies = {
      add: {
        record: { ...record, id, rank: `b9${which % 10}`, ...('archived' in record && { archived: false }), ...made },
      },
      set: { target: record.id, set: { [field]: { from: record[field], to: value } } },
      remove: { target: record.id, how },
      order: { target: record.id, before: pick(list, to)?.id ?? null },
    }
    return does && command(ids, { type: `${entity}.${does}`, ...bodies[does] } as never)
  }
  const other = (list: readonly { readonly id: string }[]) => pick(list, to)?.id
  switch (which % 8) {
    case 0:
      if (verb === 'add' && more % 8 > 3) {
        const type = pick(fieldTypeNames, one) ?? 'shortText'
        const takesOptions = type === 'oneOption' || type === 'severalOptions'
        return command(ids, {
          type: 'field.make',
          field: { id, project: project.id, name: named, help: '', type, settings: workedSettings(type, fields, one), rank: `b9${which % 10}`, archived: false },
          options: takesOptions ? ['b11', 'b12'].map((rank) => ({ id: ids.next() as never, field: id, label: rank, colour: 'pond', rank, archived: false })) : [],
        }) // prettier-ignore
      }
      if (verb === 'set' && more % 8 > 3) {
        const field = pick(fields, one)
        const type = pick(fieldTypeNames, to) ?? 'shortText'
        return (
          field &&
          command(ids, { type: 'field.retype', target: field.id, from: { type: field.type, settings: field.settings }, to: { type, settings: {} }, unit: '', options: [] })
        ) // prettier-ignore
      }
      return of('field', fields, { name: named }, 'name', named, {})
    case 1:
      return of('option', options, { label: named }, 'label', named, pick([{}, { to: null }, { to: other(options) }], more) ?? {}) // prettier-ignore
    case 2:
      if (verb === 'set' && more % 8 > 4) return following(state, pick(kinds, one), pick(kinds, to), more, ids)
      return of('kind', kinds, { name: named }, 'name', named, { to: other(kinds) })
    case 3:
      return more % 8 === 5
        ? of('status', statuses, {}, 'phase', pick(phases, which >> 3), {})
        : of('status', statuses, { name: named }, 'name', named, { to: other(statuses) })
    case 4: {
      const free = statuses.find((status) => !steps.some((step) => step.status === status.id))
      const workflow = steps[0]?.workflow
      const made = free && workflow ? { id: tieId<'step'>(workflow, free.id), status: free.id } : {}
      const next = pick(statuses, to)?.id
      const filled = pick(fields, to)?.id
      const rules = [
        ['turn', { of: 'nobody' }],
        ['turn', { of: 'nobody' }],
        ['goesTo', more % 3 ? [next] : null],
        [
          'asks',
          more % 3 ? [pick([{ asks: 'note' }, { asks: 'children' }, { asks: 'field', field: filled }], one)] : null,
        ],
      ] as const
      // A status that is no step yet is there seldom: then it mostly becomes one.
      if (verb === 'add' && !free) return undefined
      const [field, value] = pick(rules, more >> 2) ?? ['turn', null]
      const away = more % 2 ? { to: other(statuses) } : {}
      return of('step', steps, made, field, value, away, free && more % 8 < 6 ? 'add' : verb)
    }
    case 5: {
      const [status, board, workflow] = [pick(statuses, one), columns[0]?.board, steps[0]?.workflow]
      if (!status || !board || !workflow) return undefined
      const column = { id: ids.next() as never, board, name: named, rank: `b9${which % 10}`, archived: false }
      const held = more % 2 ? column.id : pick(columns, to)!.id
      return command(ids, {
        type: 'workflow.extend',
        status: { ...status, id, name: named, rank: `b9${which % 10}` },
        step: {
          id: tieId<'step'>(workflow, id),
          workflow,
          status: id,
          rank: `b9${which % 10}`,
          turn: { of: 'nobody' },
          goesTo: null,
          asks: null,
        },
        column: more % 2 ? column : null,
        held: { id: tieId<'columnStatus'>(held, id), column: held, status: id, kind: null },
      })
    }
    case 6: {
      const [status, board] = [pick(statuses, one), columns[0]?.board]
      if (!status || !board) return undefined
      const kind = more % 5 ? null : (kinds[0]?.id ?? null)
      return command(ids, { type: 'column.hold', board, status: status.id, kind, to: more % 4 ? pick(columns, to)!.id : null }) // prettier-ignore
    }
    default:
      return of('column', columns, { name: named }, 'name', named, { to: pick([null, other(columns)], more) ?? null })
  }
}

/** Does some random commands; `touched` hears which items each has touched. */
export function grown(small: Small, rolls: readonly Dice[], touched: (items: Set<string>) => void = () => {}): void {
  for (const roll of rolls) {
    const command = randomCommand(small.state, small.project, roll, small.ids, [], small.people.owner.id)
    const patch = command && judge(small.state, command, contextOf(command, small.people.owner.id))
    if (!patch?.ok) continue
    applyPatch(small.state, patch.value.patch)
    touched(itemsTouchedBy(patch.value.patch))
  }
}
