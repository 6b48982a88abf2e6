import { isSameText } from '../base/collation'
import type { FieldTypeName } from '../fields/contract'
import { isWorkedOut } from '../fields/registry'
import type { FieldSettings } from '../fields/settings'
import { builtInNames, calledIn } from '../model/called'
import { useNames } from '../model/names'
import { fieldsOf, type Reader } from '../model/reader'
import type { Field, ProjectId } from '../model/records'
import { uses } from '../model/uses'
import type { CsvTable } from './csv'
import { guessType, writtenIn, type Unsure, type Written } from './guess'

/** What a column of the file becomes. */
export type ColumnTarget =
  | { readonly to: 'title' | 'kind' | 'status' | 'parent' | 'nothing' }
  | { readonly to: 'field'; readonly field: string }
  | {
      readonly to: 'new'
      readonly name: string
      readonly type: FieldTypeName
      readonly settings: FieldSettings
    }

/** A column of the file, and what it becomes. */
export interface ColumnPlan {
  readonly header: string
  readonly target: ColumnTarget
  /** How its days and numbers are written. */
  readonly written: Written
  /** What of that its cells leave open: it has to be said. */
  readonly unsure: readonly Unsure[]
  /** A cell that can be read in two ways. */
  readonly example: string
  /** How many decimals its cells have, by the mark before them. */
  readonly decimals: Readonly<Record<Written['decimal'], number>>
}

/** The field in which a file's own key of a row is kept. */
export const referenceName = 'outside reference'

const builtIn: Readonly<Record<'title' | 'kind' | 'status' | 'parent', readonly string[]>> = {
  title: ['title', 'name', 'item', 'subject', 'summary', 'what', 'task'],
  kind: ['kind', 'type', 'sort'],
  status: ['status', 'state', 'stage'],
  parent: ['part of', 'parent', 'inside', 'belongs to', 'under'],
}
const references = ['ref', 'reference', 'id', 'key', 'no', 'number', referenceName]

/** A column's header without what is in brackets: `Effort (h)` is `Effort`. */
const bare = (header: string): string => header.replace(/\s*[([].*?[)\]]\s*$/, '').trim()
const isOneOf = (words: readonly string[], header: string): boolean =>
  words.some((word) => isSameText(word, header) || isSameText(word, bare(header)))

/** Proposes for every column what it would become: something that is there, or a new field by what the column holds. */
export function proposeColumns(table: CsvTable, reader: Reader, project: ProjectId): ColumnPlan[] {
  const taken = new Set<string>()
  const all = fieldsOf(reader, project)
  const fields = all.filter((field) => !isWorkedOut(field))
  const plans = table.header.map((header, i) => {
    const target = targetOf(header, i)
    const key = target.to === 'field' ? target.field : target.to === 'new' ? `new ${target.name}` : target.to
    const isTaken = target.to !== 'nothing' && taken.has(key)
    taken.add(key)
    return { header, target: isTaken ? newField(header, i) : target, ...writtenIn(cellsOf(i)) }
  })
  return plans.some((plan) => plan.target.to === 'title') ? plans : withSomeTitle(plans)

  function ownNames(name: keyof typeof builtIn): string[] {
    const own = builtInNames.find((one) => one === name)
    return (own && [calledIn(reader.maybe('project', project), own) ?? []].flat()) ?? []
  }
  function targetOf(header: string, i: number): ColumnTarget {
    const own = (Object.keys(builtIn) as (keyof typeof builtIn)[]).find((name) =>
      isOneOf([...builtIn[name], ...ownNames(name)], header),
    )
    if (own) return { to: own }
    const byName = fields.find((field) => isOneOf([field.name], header)) ?? fieldInUse(reader, project, fields, header)
    if (byName) return { to: 'field', field: byName.id }
    // What is worked out here is not brought in.
    if (all.some((field) => isWorkedOut(field) && isOneOf([field.name], header))) return { to: 'nothing' }
    if (isOneOf(references, header)) {
      const held = fields.find((field) => isSameText(field.name, referenceName))
      return held
        ? { to: 'field', field: held.id }
        : { to: 'new', name: referenceName, type: 'shortText', settings: { unique: true } }
    }
    return newField(header, i)
  }

  function cellsOf(i: number): string[] {
    return table.records.map((record) => record.cells[i]?.trim() ?? '').filter(Boolean)
  }
  function newField(header: string, i: number): ColumnTarget {
    const cells = cellsOf(i)
    return cells.length ? { to: 'new', name: header, ...guessType(cells, reader) } : { to: 'nothing' }
  }
}

function fieldInUse(reader: Reader, project: ProjectId, fields: readonly Field[], header: string): Field | undefined {
  const inUse = reader.maybe('project', project)?.uses
  const use = useNames.find((name) => isOneOf(uses[name].headers, header))
  const id = use && inUse?.[use]
  return id ? fields.find((field) => field.id === id) : undefined
}

/** A file without a title column: its first column of text, or its first column at all. */
function withSomeTitle(plans: ColumnPlan[]): ColumnPlan[] {
  const text = plans.findIndex(
    (plan) => plan.target.to === 'new' && ['shortText', 'longText', 'oneOption'].includes(plan.target.type),
  )
  const at = Math.max(0, text)
  return plans.map((plan, i) => (i === at ? { ...plan, target: { to: 'title' } } : plan))
}
