/** Views as earlier versions kept them, made those of today: one step a version. */
import { dayBefore } from '../base/dates'
import type { Reader } from './reader'
import type { Condition, Project, View, ViewDefinition } from './records'

/** Five kinds of conditions, all of which an item had to meet; no groups, no totals. */
interface DefinitionV1 {
  readonly v: 1
  readonly layout: ViewDefinition['layout']
  readonly where: readonly ConditionV1[]
  readonly sort: ViewDefinition['sort']
  readonly show: ViewDefinition['show']
}
type ConditionV1 =
  | { readonly about: 'status'; readonly statuses: readonly string[] }
  | { readonly about: 'phase'; readonly phases: readonly string[] }
  | { readonly about: 'person'; readonly people: readonly string[] }
  | { readonly about: 'turn'; readonly of: 'me' | 'nobody' }
  | { readonly about: 'dueBefore'; readonly day: string }

/** `project`: the view's, whose due field a phrase of version 1 means. */
export function upgradeDefinition(definition: unknown, project: Project | undefined): ViewDefinition {
  const kept = definition as DefinitionV1 | ViewDefinition
  if (kept.v !== 1) return kept
  const { layout, where, sort, show } = kept
  const conditions = where.flatMap((one) => conditionOf(one, project) ?? [])
  return { v: 2, layout, where: conditions, group: [], sort: [...sort], totals: [], show: [...show] }
}

function conditionOf(old: ConditionV1, project: Project | undefined): Condition | undefined {
  const anyOf = (fact: string, values: readonly string[]): Condition => ({ about: 'fact', fact, test: { is: 'anyOf', values: [...values] } }) // prettier-ignore
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
      const due = project?.uses.due
      const to = old.day === 'today' ? ({ of: 'day', n: -1 } as const) : dayBefore(old.day)
      return due ? { about: 'fact', fact: due, test: { is: 'days', from: null, to } } : undefined
    }
  }
}

export function upgradeView(reader: Pick<Reader, 'maybe'>, view: View): View {
  return { ...view, definition: upgradeDefinition(view.definition, reader.maybe('project', view.project)) }
}
