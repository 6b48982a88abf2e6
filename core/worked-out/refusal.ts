/** What a worked-out field needs so that it can be worked out. */
import { problem, type Problem } from '../base/result'
import { keysIn } from '../fields/formulas'
import type { RollUpName } from '../fields/names'
import type { FieldSettings } from '../fields/settings'
import { fieldTypes, isWorkedOut, shownType } from '../fields/registry'
import type { Reader } from '../model/reader'
import type { Field, ProjectId } from '../model/records'
import { check } from './cel'
import { canBeLookedUp, canWeigh, rollUpsOf } from './choices'

const numbers = ['number', 'money', 'duration'] as const
/** As what each roll-up can be shown. */
const givenBy: Readonly<Record<RollUpName, readonly string[]>> = {
  count: ['number'], finished: ['number'], sum: numbers, average: numbers, least: numbers, most: numbers, earliest: ['date'],
  latest: ['date'], worst: ['health'],
} // prettier-ignore

/** Undefined where a field can be worked out from what its project has; also for one that nobody works out. */
export function refusal(reader: Reader, field: Field): Problem | undefined {
  if (!isWorkedOut(field)) return undefined
  const wrong = problem('wrong-value', { field: 'settings' })
  if (field.required || field.fallback) return problem('worked-out')
  const { over, of, how, weight, gives, through } = field.settings
  const find = (id: string | undefined): Field | undefined => {
    const found = id === undefined ? undefined : reader.maybe('field', id)
    return found?.project === field.project && !found.archived ? found : undefined
  }
  if (field.type === 'computed')
    return formulaRefusal(reader, field.project, field.settings) ?? loopRefusal(reader, field)
  const read = find(of)
  const by = find(through)
  if ((over === 'relation') !== (through !== undefined)) return wrong
  if (through !== undefined && (!by || !fieldTypes[by.type].isLinked)) return problem('unknown-field')
  if ((of !== undefined && !read) || (weight !== undefined && !find(weight))) return problem('unknown-field')
  if (field.type === 'lookUp') {
    const isFit = (over === 'parent' || over === 'relation') && read && canBeLookedUp(read) && shownType(read) === gives
    return isFit ? loopRefusal(reader, field) : wrong
  }
  if (!how || over === 'parent' || !givenBy[how].includes(gives ?? '')) return wrong
  const readsNone = how === 'count' || how === 'finished'
  const weighs = find(weight)
  if (readsNone ? of !== undefined : !read || !rollUpsOf(read).includes(how)) return wrong
  if (weighs && (how !== 'finished' || !canWeigh(weighs))) return wrong
  return loopRefusal(reader, field)
}

/** The fields that a worked-out one reads. */
const readBy = ({ type, settings: { formula, of, weight } }: Field): string[] =>
  type === 'computed' ? keysIn(formula ?? '') : [of, weight].filter((id) => id !== undefined)

/** Undefined where a field, as it would be, does not hang on itself; else the way round. */
function loopRefusal(reader: Reader, field: Field): Problem | undefined {
  const seen = new Set<string>()
  const way = (at: Field): string[] | undefined => {
    for (const id of readBy(at)) {
      if (id === field.id) return [at.name, field.name]
      const next = reader.maybe('field', id)
      if (!next || seen.has(id) || !fieldTypes[next.type].isWorkedOut) continue
      seen.add(id)
      const found = way(next)
      if (found) return [at.name, ...found]
    }
    return undefined
  }
  const found = way(field)
  return found && problem('formula-loop', { path: found.join(' → ') })
}

function formulaRefusal(
  reader: Reader,
  project: ProjectId,
  { formula = '', gives }: FieldSettings,
): Problem | undefined {
  const checked = check(reader, project, formula)
  if (!checked.ok) return problem('no-formula', { text: checked.problem.words })
  return gives && checked.value.gives.includes(gives) ? undefined : problem('wrong-value', { field: 'settings' })
}
