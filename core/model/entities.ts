/** Everything that a patch can speak of: where it is held, who sees it, which ids it speaks of. */
import { tieId, type PersonId, type ProjectId } from '../base/ids'
import type {
  Allows,
  Audience,
  Condition,
  EntityName,
  FactRef,
  Fallback,
  Field,
  Folds,
  Kind,
  Records,
  TurnOf,
  ViewDefinition,
} from './records'
import type { FieldSettings } from '../fields/settings'
import { idsOf } from '../fields/value'

/**
 * Where records of an entity are held. *directory*: by everyone who sees them, all of them. *item table*: in the columns
 * of a project's items. *with items*: beside them, in their project's payload. *server only*: in the database, fetched when they are looked at.
 */
export type Held = 'directory' | 'item table' | 'with items' | 'server only'

/** Who a record is for. Who belongs to a scope is decided when it is read, by who is a member then. */
export type Scope =
  | { readonly of: 'workspace' }
  | { readonly of: 'person'; readonly person: PersonId }
  /** `self`: the person it is about hears of it also when it is what took the project from them. */
  | { readonly of: 'project'; readonly project: ProjectId; readonly self?: PersonId }
  | { readonly of: 'view'; readonly project: ProjectId; readonly maker: PersonId; readonly audience: Audience }

/** The project that a scope is in. */
export const projectOf = (scope: Scope | undefined): ProjectId | undefined =>
  scope && 'project' in scope ? scope.project : undefined

/** Finds records; `undefined` where there is none of that id. */
export interface Lookup {
  maybe<E extends EntityName>(entity: E, id: string): Records[E] | undefined
}

/** Gives the id that takes an id's place. `entity`: what it is an id of, where its place says so. */
export type MapId = <T extends string>(id: T, entity?: EntityName) => T

/** What the model says of an entity once and for all. */
export interface Entity<R> {
  readonly held: Held
  /** Its change shows in *everything* that is no item, in the *items* it is about, or in *nothing* that pages show. */
  readonly touches: 'everything' | 'items' | 'nothing'
  /** Undefined: what it belongs to is not there (any more), so nobody sees it. */
  scope(record: R, found: Lookup): Scope | undefined
  /** What of a record holds the things it speaks of in place; null: nothing does. All of it where this is not said. */
  firm?(record: R): R | null
  /** The record with every id it speaks of mapped, its own among them; read and written by this one function. */
  mapIds(record: R, map: MapId): R
}

const workspace = (): Scope => ({ of: 'workspace' })
const ofProject = (project: ProjectId | undefined): Scope | undefined => project && { of: 'project', project }
const inProject = (record: { readonly project: ProjectId }): Scope | undefined => ofProject(record.project)
/** In the project of what it belongs to. */
const within =
  <R, E extends 'workflow' | 'field' | 'board' | 'item'>(entity: E, idOf: (record: R) => string) =>
  (record: R, found: Lookup) =>
    ofProject((found.maybe(entity, idOf(record)) as { project: ProjectId } | undefined)?.project)
const withinColumn = (record: { readonly column: string }, found: Lookup) => {
  const column = found.maybe('column', record.column)
  return ofProject(column && found.maybe('board', column.board)?.project)
}

/** Maps the fields that hold one id each, of the entity that is named. */
function mapped<R extends object>(record: R, entities: { readonly [K in keyof R]?: EntityName }, map: MapId): R {
  const changed: Record<string, unknown> = {}
  for (const [field, entity] of Object.entries(entities) as [keyof R & string, EntityName][]) {
    const id = record[field]
    if (typeof id === 'string') changed[field] = map(id, entity)
  }
  return { ...record, ...changed }
}
const each = <T extends string>(ids: readonly T[], entity: EntityName | undefined, map: MapId): T[] =>
  ids.map((id) => map(id, entity))

const mapTurn = (turn: TurnOf, map: MapId): TurnOf =>
  turn.of === 'field' ? { ...turn, field: map(turn.field, 'field') } : turn

/** A value that is chosen from options or people speaks of them. */
function mapFallback({ type }: Field, fallback: Fallback, map: MapId): Fallback {
  const chosen: Readonly<Partial<Record<Field['type'], EntityName>>> = { oneOption: 'option', severalOptions: 'option', people: 'person' } // prettier-ignore
  const entity = chosen[type]
  if (fallback.is !== 'value' || !entity) return fallback
  const { value } = fallback
  if (typeof value === 'string') return { ...fallback, value: map(value, entity) }
  return Array.isArray(value) ? { ...fallback, value: each(value as string[], entity, map) } : fallback
}

/** Of which type each field is, is not said here: whatever stands among its values may be an id. */
const mapDefaults = (defaults: NonNullable<Kind['defaults']>, map: MapId): NonNullable<Kind['defaults']> =>
  Object.fromEntries(
    Object.entries(defaults).map(([field, fallback]) => [map(field, 'field'), mapValue(fallback, map)]),
  ) as NonNullable<Kind['defaults']>
function mapValue(fallback: Fallback, map: MapId): Fallback {
  if (fallback.is !== 'value') return fallback
  const { value } = fallback
  if (typeof value === 'string') return { ...fallback, value: map(value) }
  return Array.isArray(value) ? { ...fallback, value: each(idsOf(value), undefined, map) } : fallback
}

/** A formula names fields by their ids, between accents (`fields/formulas.ts`). */
const idInFormula = /`([0-9a-f-]{36})`/g
/** What a field's settings speak of: people who can be chosen, and the fields that another is worked out from. */
const mapSettings = (settings: FieldSettings, map: MapId): FieldSettings => ({
  ...settings,
  ...(settings.among && { among: each(settings.among, 'person', map) }),
  ...(settings.of && { of: map(settings.of, 'field') }),
  ...(settings.other && { other: map(settings.other, 'field') }),
  ...(settings.through && { through: map(settings.through, 'field') }),
  ...(settings.weight && { weight: map(settings.weight, 'field') }),
  ...(settings.formula && {
    formula: settings.formula.replace(idInFormula, (_, id: string) => `\`${map(id, 'field')}\``),
  }),
})

const mapFact = (fact: FactRef, map: MapId): FactRef =>
  fact.fact === 'field' ? { ...fact, field: map(fact.field, 'field') } : fact

/** Words that stand among ids of a condition's values and are none. */
const noIds: ReadonlySet<string> = new Set(['me', 'craft', 'nobody', 'waiting', 'active', 'finished', 'dropped'])

function mapCondition(condition: Condition, map: MapId): Condition {
  if ('of' in condition) return { ...condition, of: condition.of.map((one) => mapCondition(one, map)) }
  if ('that' in condition) return { ...condition, that: mapCondition(condition.that, map) }
  if (condition.about === 'was') return { ...condition, statuses: each(condition.statuses, 'status', map) }
  const { test } = condition
  const values = 'values' in test ? test.values.map((id) => (noIds.has(id) ? id : map(id))) : undefined
  return {
    ...condition,
    fact: mapFact(condition.fact, map),
    test: values ? ({ ...test, values } as typeof test) : test,
  }
}

const mapAllows = (allows: Allows, map: MapId): Allows => ({
  ...allows,
  change: allows.change && allows.change.map((one) => mapFact(one, map)),
})

/** Widths are kept by field, or by the name of a fact, which is no id. */
const mapWidths = (widths: Readonly<Record<string, number>>, map: MapId): Record<string, number> =>
  Object.fromEntries(Object.entries(widths).map(([of, width]) => [of.includes('-') ? map(of, 'field') : of, width]))

/** What is folded is named by what it is: ids of options, statuses, people or items, alone or in a path. */
const mapFolds = (folds: Folds, map: MapId): Folds => ({
  ...folds,
  turned: folds.turned.map((one) => one.replace(/[\da-f]{8}(?:-[\da-f]{4}){3}-[\da-f]{12}/g, (id) => map(id))),
})

/** What is left of a definition that speaks of nothing. */
const noDefinition: ViewDefinition = { v: 3, layout: 'table', where: [], group: [], sort: [], totals: [], show: [] }

/** A view's definition with every id in it mapped. */
export function mapDefinition(definition: ViewDefinition, map: MapId): ViewDefinition {
  const total = <T extends { readonly of?: FactRef }>(one: T): T =>
    one.of ? { ...one, of: mapFact(one.of, map) } : one
  const own =
    definition.layout === 'board'
      ? { board: map(definition.board, 'board') }
      : {
          ...(definition.widths && { widths: mapWidths(definition.widths, map) }),
          ...(definition.folds && { folds: mapFolds(definition.folds, map) }),
        }
  return {
    ...definition,
    ...own,
    where: definition.where.map((condition) => mapCondition(condition, map)),
    sort: definition.sort.map((key) => ({ ...key, by: mapFact(key.by, map) })),
    group: definition.group.map((key) => ({
      ...key,
      by: mapFact(key.by, map),
      ...(key.byTotal && { byTotal: total(key.byTotal) }),
    })),
    totals: definition.totals.map(total),
    show: each(definition.show, 'field', map),
    ...(definition.signals && {
      signals: definition.signals.map((one) => ({ ...one, when: mapCondition(one.when, map) })),
    }),
    ...(definition.colourBy && { colourBy: mapFact(definition.colourBy, map) }),
  } as ViewDefinition
}

/** Every entity there is. */
export const entities: { readonly [E in EntityName]: Entity<Records[E]> } = {
  workspace: {
    held: 'directory',
    touches: 'everything',
    scope: workspace,
    mapIds: (record, map) => mapped(record, { id: 'workspace' }, map),
  },
  person: {
    held: 'directory',
    touches: 'everything',
    scope: workspace,
    mapIds: (record, map) => mapped(record, { id: 'person' }, map),
  },
  dayOff: {
    held: 'directory',
    touches: 'everything',
    scope: workspace,
    mapIds: (record, map) => mapped(record, { id: 'dayOff', person: 'person' }, map),
  },
  project: {
    held: 'directory',
    touches: 'everything',
    scope: (record) => ofProject(record.id),
    mapIds: (record, map) => ({
      ...mapped(record, { id: 'project' }, map),
      uses: mapped(record.uses, { assignees: 'field', reviewer: 'field', effort: 'field', start: 'field', due: 'field', need: 'field' }, map), // prettier-ignore
    }),
  },
  member: {
    held: 'directory',
    touches: 'everything',
    scope: ({ project, person }) => ({ of: 'project', project, self: person }),
    mapIds(record, map) {
      const ids = mapped(record, { project: 'project', person: 'person' }, map)
      return { ...ids, id: tieId<'member'>(ids.project, ids.person) }
    },
  },
  status: {
    held: 'directory',
    touches: 'everything',
    scope: inProject,
    mapIds: (record, map) => mapped(record, { id: 'status', project: 'project' }, map),
  },
  workflow: {
    held: 'directory',
    touches: 'everything',
    scope: inProject,
    mapIds: (record, map) => mapped(record, { id: 'workflow', project: 'project', start: 'status' }, map),
  },
  step: {
    held: 'directory',
    touches: 'everything',
    scope: within('workflow', (record) => record.workflow),
    mapIds(record, map) {
      const ids = mapped(record, { workflow: 'workflow', status: 'status' }, map)
      return {
        ...ids,
        id: tieId<'step'>(ids.workflow, ids.status),
        turn: mapTurn(record.turn, map),
        ...(record.goesTo && { goesTo: each(record.goesTo, 'status', map) }),
        ...(record.asks && {
          asks: record.asks.map((one) => (one.asks === 'field' ? { ...one, field: map(one.field, 'field') } : one)),
        }),
      }
    },
    firm: (record) => ({ ...record, goesTo: null, asks: null }),
  },
  kind: {
    held: 'directory',
    touches: 'everything',
    scope: inProject,
    mapIds: (record, map) => ({
      ...mapped(record, { id: 'kind', project: 'project', workflow: 'workflow' }, map),
      ...(record.shows && { shows: each(record.shows, 'field', map) }),
      ...(record.inside && { inside: each(record.inside, 'kind', map) }),
      ...(record.groups && { groups: record.groups.map((one) => ({ ...one, from: map(one.from, 'field') })) }),
      ...(record.defaults && { defaults: mapDefaults(record.defaults, map) }),
    }),
    firm: (record) => ({ ...record, shows: null, inside: null, groups: null, defaults: null }),
  },
  field: {
    held: 'directory',
    touches: 'everything',
    scope: inProject,
    mapIds: (record, map) => ({
      ...mapped(record, { id: 'field', project: 'project' }, map),
      ...(record.fallback && { fallback: mapFallback(record, record.fallback, map) }),
      settings: mapSettings(record.settings, map),
    }),
    firm: (record) => ({ ...record, fallback: null, settings: {} }),
  },
  option: {
    held: 'directory',
    touches: 'everything',
    scope: within('field', (record) => record.field),
    mapIds: (record, map) => mapped(record, { id: 'option', field: 'field' }, map),
  },
  item: {
    held: 'item table',
    touches: 'items',
    scope: inProject,
    mapIds: (record, map) => ({
      ...mapped(record, { id: 'item', project: 'project', kind: 'kind', status: 'status', parent: 'item', createdBy: 'person', changedBy: 'person' }, map), // prettier-ignore
      values: Object.fromEntries(
        Object.entries(record.values).map(([field, value]) => [
          map(field, 'field'),
          Array.isArray(value) ? each(idsOf(value), undefined, map) : typeof value === 'string' ? map(value) : value,
        ]),
      ),
    }),
  },
  stay: {
    held: 'server only',
    touches: 'nothing',
    scope: within('item', (record) => record.item),
    mapIds: (record, map) => mapped(record, { item: 'item', status: 'status' }, map),
  },
  longText: {
    held: 'server only',
    touches: 'nothing',
    scope: within('item', (record) => record.item),
    mapIds(record, map) {
      const ids = mapped(record, { item: 'item', field: 'field' }, map)
      return { ...ids, id: `${ids.item}/${ids.field}` }
    },
  },
  link: {
    held: 'with items',
    touches: 'items',
    scope: within('field', (record) => record.field),
    mapIds(record, map) {
      const ids = mapped(record, { field: 'field', from: 'item', to: 'item' }, map)
      return { ...ids, id: `${ids.field}/${ids.from}/${ids.to}` as typeof record.id }
    },
  },
  board: {
    held: 'directory',
    touches: 'everything',
    scope: inProject,
    mapIds: (record, map) => mapped(record, { id: 'board', project: 'project' }, map),
  },
  column: {
    held: 'directory',
    touches: 'everything',
    scope: within('board', (record) => record.board),
    mapIds: (record, map) => mapped(record, { id: 'column', board: 'board' }, map),
  },
  columnStatus: {
    held: 'directory',
    touches: 'everything',
    scope: withinColumn,
    mapIds(record, map) {
      const ids = mapped(record, { column: 'column', status: 'status', kind: 'kind' }, map)
      return { ...ids, id: tieId<'columnStatus'>(ids.column, ids.status) }
    },
  },
  overrule: {
    held: 'directory',
    touches: 'everything',
    scope: withinColumn,
    mapIds(record, map) {
      const ids = mapped(record, { column: 'column', item: 'item', by: 'person' }, map)
      return { ...ids, id: tieId<'overrule'>(ids.column, ids.item) }
    },
    // What was let past a limit may go.
    firm: () => null,
  },
  moveNote: {
    held: 'directory',
    touches: 'nothing',
    scope: ({ status }, found) => ofProject(found.maybe('status', status)?.project),
    mapIds(record, map) {
      const ids = mapped(record, { status: 'status', item: 'item', by: 'person' }, map)
      return { ...ids, id: tieId<'moveNote'>(ids.status, ids.item) }
    },
    firm: () => null,
  },
  limit: {
    held: 'directory',
    touches: 'everything',
    scope: withinColumn,
    mapIds(record, map) {
      const ids = mapped(record, { column: 'column', of: 'field' }, map)
      return { ...ids, id: tieId<'limit'>(ids.column, 'items') }
    },
  },
  view: {
    held: 'directory',
    touches: 'everything',
    scope: ({ project, maker, audience }) => ({ of: 'view', project, maker, audience }),
    mapIds: (record, map) => ({
      ...mapped(record, { id: 'view', project: 'project', maker: 'person' }, map),
      audience:
        record.audience.of === 'people'
          ? { ...record.audience, people: each(record.audience.people, 'person', map) }
          : record.audience,
      definition: mapDefinition(record.definition, map),
      ...(record.gives && { gives: mapDefaults(record.gives, map) }),
      ...(record.allows && { allows: mapAllows(record.allows, map) }),
    }),
    // Its phrases stay when what they are about has gone.
    firm: (record) => ({ ...record, definition: noDefinition, gives: null, allows: null }),
  },
  look: {
    held: 'directory',
    touches: 'everything',
    scope: ({ project, person }) => ({ of: 'view', project, maker: person, audience: { of: 'maker' } }),
    mapIds(record, map) {
      const ids = mapped(record, { project: 'project', view: 'view', person: 'person' }, map)
      return { ...ids, id: tieId<'look'>(ids.view, ids.person), widths: mapWidths(record.widths, map), ...(record.folds && { folds: mapFolds(record.folds, map) }) } // prettier-ignore
    },
    firm: () => null,
  },
  preference: {
    held: 'directory',
    touches: 'everything',
    scope: ({ id }) => ({ of: 'person', person: id }),
    mapIds: (record, map) => ({
      ...mapped(record, { id: 'person' }, map),
      folded: each(record.folded, 'project', map),
    }),
    firm: () => null,
  },
}

/** The names of all entities. */
export const entityNames = Object.keys(entities) as readonly EntityName[]

/** The entities that are held so. */
export const entitiesHeld = (held: Held): EntityName[] => entityNames.filter((name) => entities[name].held === held)

/** The contract of an entity that is known by its name alone. */
export const entityOf = <E extends EntityName>(entity: E): Entity<Records[E]> =>
  entities[entity] as unknown as Entity<Records[E]>

/** Every id that a record speaks of besides its own, as often as it does. */
export function idsIn<E extends EntityName>(entity: E, record: Records[E]): { id: string; entity?: EntityName }[] {
  const found: { id: string; entity?: EntityName }[] = []
  const own = (record as { readonly id: string }).id
  entityOf(entity).mapIds(record, (id, of) => {
    if (id !== own) found.push({ id, ...(of && { entity: of }) })
    return id
  })
  return found
}

/** The ids that a record needs to be there. */
export function idsNeeded<E extends EntityName>(entity: E, record: Records[E]): { id: string; entity?: EntityName }[] {
  const { firm } = entityOf(entity)
  const part = firm ? firm(record) : record
  return part ? idsIn(entity, part) : []
}
