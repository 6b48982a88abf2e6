/** What of an item can be viewContext, sorted, grouped and totalled: the project's fields, and what the product keeps itself. */
import type { FactKind } from '../fields/kinds'
import { fieldTypes } from '../fields/registry'
import { fieldsOf, type Reader } from '../model/reader'
import type { Field, Project, ProjectId } from '../model/records'

export interface Fact {
  /** A field's id, or the automatic fact's own name. */
  readonly by: string
  /** In the interface's words; a field's own name. */
  readonly name: string
  readonly kind: FactKind
  readonly field?: Field
}

const automatic = (by: string, name: string, kind: FactKind): Fact => ({ by, name, kind })

export const automaticFacts = [
  automatic('key', 'key', 'number'),
  automatic('title', 'title', 'text'),
  automatic('kind', 'kind', 'choice'),
  automatic('status', 'status', 'choice'),
  automatic('phase', 'phase', 'choice'),
  automatic('turn', 'turn', 'choices'),
  automatic('people', 'people', 'choices'),
  automatic('late', 'days late', 'number'),
  automatic('age', 'age', 'number'),
  automatic('level', 'level', 'number'),
  automatic('parent', 'parent', 'choice'),
  automatic('statusSince', 'status since', 'instant'),
  automatic('started', 'started', 'instant'),
  automatic('finished', 'finished', 'instant'),
  automatic('created', 'created', 'instant'),
  automatic('createdBy', 'author', 'choice'),
  automatic('changed', 'changed', 'instant'),
  automatic('changedBy', 'last editor', 'choice'),
  /** The team's order, for sorting alone. */
  automatic('rank', 'rank', 'text'),
] as const satisfies readonly Fact[]

const byName = new Map<string, Fact>(automaticFacts.map((fact) => [fact.by, fact]))

export const factOfField = (field: Field): Fact => ({
  by: field.id,
  name: field.name,
  kind: fieldTypes[field.type].kind,
  field,
})

/** Undefined where the project has no such field (any more). */
export function maybeFact(reader: Reader, project: ProjectId, by: string): Fact | undefined {
  const known = byName.get(by)
  if (known) return known
  const field = reader.maybe('field', by)
  return field?.project === project && !field.archived ? factOfField(field) : undefined
}

/** All of a project, its fields first. */
export const factsOf = (reader: Reader, project: Project): Fact[] => [
  ...fieldsOf(reader, project.id).map(factOfField),
  ...automaticFacts,
]
