/** Definitions of views as earlier versions kept them, made today's: one step a version. */
import { dayBefore } from '../base/dates'
import type { BoardId, FieldId } from '../base/ids'
import { automaticFactNames, type LayoutName } from './names'
import { boardsOf, type Reader } from './reader'
import type { Condition, FactRef, FactTest, ProjectId, ViewDefinition } from './records'

/** What a definition of an earlier version leaves to its project. */
export interface UpgradeContext {
  /** The field that a phrase of version 1 means by *due*. */
  readonly due: FieldId | null
  /** The board that a board view of versions 1 and 2 draws. */
  readonly board: BoardId | undefined
}

/** Five kinds of conditions, all of which an item had to meet; no groups, no totals. */
interface DefinitionV1 {
  readonly v: 1
  readonly layout: LayoutName
  readonly where: readonly ConditionV1[]
  readonly sort: readonly SortKeyV2[]
  readonly show: readonly string[]
}
type ConditionV1 =
  | { readonly about: 'status'; readonly statuses: readonly string[] }
  | { readonly about: 'phase'; readonly phases: readonly string[] }
  | { readonly about: 'person'; readonly people: readonly string[] }
  | { readonly about: 'turn'; readonly of: 'me' | 'nobody' }
  | { readonly about: 'dueBefore'; readonly day: string }

/** Facts were named by a text: a field's id or an automatic fact's name; a board view drew the project's first board. */
interface DefinitionV2 {
  readonly v: 2
  readonly layout: LayoutName
  readonly where: readonly ConditionV2[]
  readonly group: readonly (SortKeyV2 & { readonly byTotal?: TotalV2 })[]
  readonly sort: readonly SortKeyV2[]
  readonly totals: readonly TotalV2[]
  readonly show: readonly string[]
}
type ConditionV2 =
  | { readonly about: 'fact'; readonly fact: string; readonly test: FactTest }
  | Extract<Condition, { about: 'was' }>
  | { readonly about: 'all' | 'any' | 'none'; readonly of: readonly ConditionV2[] }
  | { readonly about: 'anyChild' | 'allChildren' | 'parent' | 'someAncestor'; readonly that: ConditionV2 }
interface SortKeyV2 {
  readonly by: string
}
interface TotalV2 {
  readonly of?: string
}

/**
 * A stored definition of any version as one of today's. What it says is not checked: whoever reads it from outside parses
 * it afterwards.
 */
export function upgradeDefinition(definition: unknown, around: UpgradeContext): ViewDefinition {
  const kept = definition as DefinitionV1 | DefinitionV2 | ViewDefinition
  if (kept.v === 3) return kept
  return fromV2(kept.v === 1 ? fromV1(kept, around.due) : kept, around.board)
}

/** What an earlier definition leaves to a project that is held. */
export function upgradeContextOf(reader: Reader, project: ProjectId): UpgradeContext {
  return { due: reader.maybe('project', project)?.uses.due ?? null, board: boardsOf(reader, project)[0]?.id }
}

function fromV1({ layout, where, sort, show }: DefinitionV1, due: FieldId | null): DefinitionV2 {
  return {
    v: 2,
    layout,
    where: where.flatMap((condition) => conditionOf(condition, due) ?? []),
    group: [],
    sort,
    totals: [],
    show,
  }
}

function conditionOf(old: ConditionV1, due: FieldId | null): ConditionV2 | undefined {
  const anyOf = (fact: string, values: readonly string[]): ConditionV2 => ({ about: 'fact', fact, test: { is: 'anyOf', values: [...values] } }) // prettier-ignore
  switch (old.about) {
    case 'status':
      return anyOf('status', old.statuses)
    case 'phase':
      return anyOf('phase', old.phases)
    case 'person':
      return anyOf('people', old.people)
    case 'turn':
      return anyOf('turn', [old.of])
    case 'dueBefore': {
      const to = old.day === 'today' ? ({ of: 'day', n: -1 } as const) : dayBefore(old.day)
      return due ? { about: 'fact', fact: due, test: { is: 'days', from: null, to } } : undefined
    }
  }
}

function fromV2(old: DefinitionV2, board: BoardId | undefined): ViewDefinition {
  const total = (one: TotalV2) => ({ ...one, ...(one.of !== undefined && { of: factOf(one.of) }) })
  const question = {
    ...old,
    v: 3,
    where: old.where.map(conditionFromV2),
    group: old.group.map((key) => ({
      ...key,
      by: factOf(key.by),
      ...(key.byTotal && { byTotal: total(key.byTotal) }),
    })),
    sort: old.sort.map((key) => ({ ...key, by: factOf(key.by) })),
    totals: old.totals.map(total),
  }
  // A board that there never was cannot be drawn: what is in the view still can.
  const own = old.layout === 'board' ? (board ? { board } : { layout: 'table' }) : {}
  return { ...question, ...own } as unknown as ViewDefinition
}

function conditionFromV2(old: ConditionV2): Condition {
  if ('of' in old) return { ...old, of: old.of.map(conditionFromV2) }
  if ('that' in old) return { ...old, that: conditionFromV2(old.that) }
  return old.about === 'fact' ? { ...old, fact: factOf(old.fact) } : old
}

const factOf = (by: string): FactRef =>
  (automaticFactNames as readonly string[]).includes(by)
    ? { fact: by as (typeof automaticFactNames)[number] }
    : { fact: 'field', field: by as FieldId }
