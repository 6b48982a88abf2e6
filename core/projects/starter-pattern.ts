import { tieId, type NewId } from '../base/ids'
import { ranksBetween } from '../base/ranks'
import { must } from '../base/result'
import { storedFormula } from '../fields/formulas'
import type { OptionColour } from '../fields/names'
import type { FieldSettings } from '../fields/settings'
import { automaticFacts } from '../facts/registry'
import { useNames } from '../model/names'
import { limitId } from '../model/reader'
import type {
  BoardId,
  BoardColumn,
  Condition,
  Demand,
  FactRef,
  FieldId,
  Kind,
  KindIcon,
  KindId,
  OptionId,
  OptionOfField,
  PaletteColour,
  PersonId,
  Project,
  ProjectId,
  StatusId,
  TurnOf,
  ViewDefinition,
  ViewId,
  WorkflowId,
} from '../model/records'
import type { ProjectBody } from './create'
import { patterns, type Pattern, type PatternField, type PatternView } from './patterns'

/** What is said of a project before it is made. */
export interface NewProject {
  readonly name: string
  /** 2 to 8 capital letters or digits, a letter first. */
  readonly prefix: string
  readonly colour: PaletteColour
  readonly rank: string
  /** Who starts it. */
  readonly maker: PersonId
}

/** What a new project begins with that nobody has said anything of. */
export const starterPattern = (named: NewProject, newId: NewId): ProjectBody =>
  projectOfPattern(patterns.usual, named, newId)

/** What a project begins with that is made after a pattern: names become records, each with an id of its own. */
export function projectOfPattern(pattern: Pattern, { maker, ...project }: NewProject, newId: NewId): ProjectBody {
  const id = <T extends string>() => newId() as T
  const projectId = id<ProjectId>()
  const ranksFor = (n: number) => ranksBetween(undefined, undefined, n)
  const [fieldRanks, statusRanks] = [ranksFor(pattern.fields.length), ranksFor(pattern.statuses.length)]
  const fieldIds = new Map(pattern.fields.map(({ name }) => [name, id<FieldId>()]))
  const field = (name: string): FieldId => must(fieldIds.get(name), name)
  const uses = Object.fromEntries(useNames.map((use) => [use, null])) as Mutable<Project['uses']>
  for (const one of pattern.fields) if (one.use) uses[one.use] = field(one.name)
  const [workflow, board] = [id<WorkflowId>(), id<BoardId>()]
  /** Each status with the step and the column that it has. */
  const begun = pattern.statuses.map(({ name, phase, colour, turn, most, asks }, at) => {
    const rank = statusRanks[at]!
    const status = { id: id<StatusId>(), project: projectId, name, phase, colour, rank, archived: false }
    const column = { id: id<BoardColumn['id']>(), board, name, rank, archived: false }
    const whose: TurnOf = turn === 'reviewer' && uses.reviewer ? { of: 'field', field: uses.reviewer } : { of: turn === 'nobody' ? 'nobody' : 'assignees' } // prettier-ignore
    const asked = asks?.map((one): Demand => (one.asks === 'field' ? { asks: 'field', field: field(one.field) } : one))
    const step = { id: tieId<'step'>(workflow, status.id), workflow, status: status.id, rank, turn: whose, goesTo: null, asks: asked ?? null } // prettier-ignore
    return {
      status,
      column,
      step,
      held: { id: tieId<'columnStatus'>(column.id, status.id), column: column.id, status: status.id, kind: null },
      limits: most ? [{ id: limitId(column.id), column: column.id, most, least: null, of: null, stops: false }] : [],
    }
  })
  const named = pattern.fields.map(({ name }) => ({ key: field(name) as string, name }))
  const facts = Object.values(automaticFacts).map((fact) => ({ key: fact.name as string, name: fact.label }))
  const settingsOf = ({ settings, of, weight, formula }: PatternField): FieldSettings => ({
    ...settings,
    ...(of && { of: field(of) }),
    ...(weight && { weight: field(weight) }),
    ...(formula && { formula: storedFormula(formula, [...named, ...facts]).text }),
  })
  const kinds = kindsOfPattern(pattern, field, { project: projectId, workflow }, newId)
  const viewRanks = ranksFor(pattern.views.length)
  return {
    project: { id: projectId, ...project, oldPrefixes: [], archived: false, uses, nextNumber: 1 },
    statuses: begun.map((one) => one.status),
    workflows: [{ id: workflow, project: projectId, name: 'Usual', start: must(begun[0], 'status').status.id }],
    steps: begun.map((one) => one.step),
    kinds,
    fields: pattern.fields.map((one, at) => ({
      id: field(one.name), project: projectId, name: one.name, help: one.help, type: one.type, settings: settingsOf(one),
      rank: fieldRanks[at]!, archived: false, ...(one.required && { required: true }),
    })), // prettier-ignore
    options: pattern.fields.flatMap(({ name, options }) => (options ? optionsOf(field(name), options, newId) : [])),
    boards: [{ id: board, project: projectId, name: 'Board', rank: must(ranksFor(1)[0], 'rank'), archived: false }],
    columns: begun.map((one) => one.column),
    columnStatuses: begun.map((one) => one.held),
    limits: begun.flatMap((one) => one.limits),
    views: pattern.views.map((view, at) => ({
      id: id<ViewId>(), project: projectId, maker, audience: { of: 'project' as const }, name: view.name, rank: viewRanks[at]!,
      definition: definitionOf(view, field, board),
      archived: null,
    })), // prettier-ignore
  }
}
type Mutable<T> = { -readonly [K in keyof T]: T[K] }

function kindsOfPattern(
  { kinds }: Pattern,
  field: (name: string) => FieldId,
  of: { readonly project: ProjectId; readonly workflow: WorkflowId },
  newId: NewId,
): Kind[] {
  const ranks = ranksBetween(undefined, undefined, kinds.length)
  const made = kinds.map(({ name, icon }, at) => kindOfPattern({ name, icon, ...of, rank: ranks[at]! }, newId))
  const named = (name: string): KindId => must(made.find((kind) => kind.name === name), name).id // prettier-ignore
  return made.map((kind, at) => {
    const { shows, inside } = kinds[at]!
    return { ...kind, ...(shows && { shows: shows.map(field) }), ...(inside && { inside: inside.map(named) }) }
  })
}

function definitionOf(view: PatternView, field: (name: string) => FieldId, board: BoardId): ViewDefinition {
  const { show, group, isOpen } = view
  const where: Condition[] = isOpen ? [{ about: 'fact', fact: { fact: 'phase' }, test: { is: 'anyOf', values: ['waiting', 'active'] } }] : [] // prettier-ignore
  const by: FactRef | undefined = group === 'status' || group === 'kind' ? { fact: group } : group ? { fact: 'field', field: field(group) } : undefined // prettier-ignore
  const question = { v: 3 as const, where, sort: [{ by: { fact: 'rank' as const }, down: false }], totals: [], show: show.map(field) } // prettier-ignore
  return view.layout === 'board'
    ? { ...question, layout: 'board', board, group: [] }
    : { ...question, layout: 'table', group: by ? [{ by }] : [] }
}

/** Options of a field in the order in which they are given. */
export function optionsOf(
  field: FieldId,
  options: readonly (readonly [label: string, colour: OptionColour])[],
  newId: NewId,
): OptionOfField[] {
  const ranks = ranksBetween(undefined, undefined, options.length)
  return options.map(([label, colour], at) => ({
    id: newId() as OptionId, field, label, colour, rank: ranks[at] ?? '', archived: false,
  })) // prettier-ignore
}

/** A kind with a new id. */
export const kindOfPattern = (
  kind: { name: string; icon: KindIcon; project: ProjectId; workflow: WorkflowId; rank: string },
  newId: NewId,
): Kind => ({ id: newId() as KindId, ...kind, archived: false })
