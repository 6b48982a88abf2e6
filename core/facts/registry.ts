import { plainFigures } from '../fields/figures'
import { figuresOf, isWorkedOut, typeOf } from '../fields/registry'
import { builtInNames, calledIn } from '../model/called'
import { isAutomatic, type AutomaticFactName } from '../model/names'
import { fieldContext, fieldsOf, type Reader } from '../model/reader'
import type { FactRef, FactTest, Field, FieldId, Project, ProjectId } from '../model/records'
import { age } from './age'
import { changedBy, createdBy } from './authors'
import type { AutomaticFact, Fact, ViewContext } from './contract'
import { changed, created, finished, started, statusSince } from './instants'
import { inPhase } from './in-phase'
import { key } from './key'
import { kind } from './kind'
import { late } from './late'
import { level } from './level'
import { outline } from './outline'
import { overEffort } from './over-effort'
import { parent } from './parent'
import { people } from './people'
import { peopleValues } from './people-values'
import { phase } from './phase'
import { place } from './place'
import { rank } from './rank'
import { status } from './status'
import { title } from './title'
import { turn } from './turn'
import { untouched } from './untouched'
import { workedSource } from './workings'

/** What the product itself knows of every item, in the order in which it is listed. */
export const automaticFacts: Readonly<Record<AutomaticFactName, AutomaticFact>> = {
  key, title, status, kind, phase, people, turn, late, overEffort, age, inPhase, outline, level, parent, statusSince, started, finished, created,
  createdBy, changed, changedBy, untouched, rank, place,
} // prettier-ignore

/** Those that change by what others do, which say so themselves. */
const changing = Object.values(automaticFacts).filter(({ changedSince }) => changedSince)
/** The rows where an automatic fact may have become another since a moment, though nothing of the item changed. */
export const changedAround = (context: ViewContext, moment: number): number[] =>
  changing.flatMap(({ changedSince }) => [...changedSince!(context, moment)])

/** Names a field as a fact. */
export const fieldRef = (field: FieldId): FactRef => ({ fact: 'field', field })
/** Names a fact among all: an automatic fact's name, or a field's id. */
export const factKey = (ref: FactRef): string => (ref.fact === 'field' ? ref.field : ref.fact)
/** The fact that a key names; whether it is there is another matter. */
export const refOfKey = (key: string): FactRef => (isAutomatic(key) ? { fact: key } : fieldRef(key as FieldId))
/** Whether two name the same fact. */
export const isSameFact = (one: FactRef, other: FactRef): boolean => factKey(one) === factKey(other)

const automatic = Object.fromEntries(
  Object.values(automaticFacts).map((fact): [string, Fact] => [
    fact.name,
    {
      ...fact,
      ref: { fact: fact.name },
      key: fact.name,
      name: fact.label,
      automatic: fact,
      figures: fact.figures ?? plainFigures,
    },
  ]),
) as Readonly<Record<AutomaticFactName, Fact>>

/** As the project calls it, where it has a name of its own for it. */
function called(fact: Fact, project: Project | undefined): Fact {
  const own = builtInNames.find((name) => name === fact.key)
  const name = own && calledIn(project, own)
  return name ? { ...fact, name } : fact
}

/** A field as a fact. */
export function factOfField(field: Field): Fact {
  const type = typeOf(field)
  return {
    ref: fieldRef(field.id),
    key: field.id,
    name: field.name,
    kind: type.kind,
    field,
    figures: figuresOf(field),
    source: (context) =>
      isWorkedOut(field)
        ? workedSource(context, field)
        : type.source(context.table.column(field.id), fieldContext(context.reader, field)),
    ...(type.choices === 'options' && {
      isListed: true,
      values: (reader: Reader) =>
        fieldContext(reader, field).options.flatMap((option) =>
          option.archived ? [] : [{ id: option.id, name: option.label }],
        ),
    }),
    ...(type.choices === 'people' && { values: peopleValues }),
    ...(type.choices === 'items' && { isOfItems: true, isSingle: !!field.settings.single }),
    ...(type.listed && { isListed: true, values: () => type.listed ?? [] }),
  }
}

/** Undefined where the project has no such field (any more). */
export function maybeFact(reader: Reader, project: ProjectId, ref: FactRef): Fact | undefined {
  if (ref.fact !== 'field') return called(automatic[ref.fact], reader.maybe('project', project))
  const field = reader.maybe('field', ref.field)
  return field?.project === project && !field.archived ? factOfField(field) : undefined
}

/** All of a project, its fields first. */
export const factsOf = (reader: Reader, project: Project): Fact[] => [
  ...fieldsOf(reader, project.id).map(factOfField),
  ...Object.values(automatic).map((fact) => called(fact, project)),
]

/** The test with which a new condition about a fact begins. */
export function firstTest(reader: Reader, project: ProjectId, fact: Fact): FactTest {
  const own = fact.automatic?.begin?.(reader, project)
  if (own) return own
  switch (fact.kind) {
    case 'text':
      return { is: 'has', words: ' ' }
    case 'number':
      return { is: 'between', from: null, to: null }
    case 'day':
    case 'instant':
      return { is: 'days', from: null, to: null }
    default:
      return { is: 'filled' }
  }
}
