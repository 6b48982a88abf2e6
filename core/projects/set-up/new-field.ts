import * as z from 'zod/mini'
import { isSameText, textKey } from '../../base/collation'
import type { Pieces } from '../../base/pieces'
import { problem, type Problem } from '../../base/result'
import { list } from '../../base/schemas'
import { patchRefusal } from '../../access/changing'
import { applied, defineCommand } from '../../change/command'
import { makes } from '../../change/patch'
import { fieldTypes } from '../../fields/registry'
import { fallbackRefusal } from '../../items/fallbacks'
import { fieldsOf } from '../../model/reader'
import { fieldRecord, optionRecord } from '../../model/schemas'
import { fieldsRefusal, mostOptions } from './most-fields'
import { endsRefusal } from './relations'
import { workedRefusal } from '../../facts/workings'

const newFieldBody = z.object({
  field: fieldRecord,
  options: list(optionRecord, mostOptions),
  /** Of a relation: the field at its other end, where that is another. */
  other: z.optional(fieldRecord),
})
type Body = z.infer<typeof newFieldBody>

/** Adds a field with what can be chosen for it. Items have it from then on, empty. */
export const makeField = defineCommand({
  type: 'field.make',
  v: 1,
  body: newFieldBody,
  projects: (_reader, { field }) => [field.project],
  *check(reader, body, context): Pieces<Problem | undefined> {
    const { field } = body
    const made = fieldsIn(body)
    const held = fieldsOf(reader, field.project)
    const taken = made.find((one, i) => [...held, ...made.slice(0, i)].some(({ name }) => isSameText(name, one.name)))
    return (
      (yield* patchRefusal(reader, context.by, parts(body))) ??
      (taken && problem('name-taken', { name: taken.name })) ??
      fieldsRefusal(reader, field.project, made.length) ??
      endsRefusal(reader, made) ??
      checkOptions(body) ??
      fallbackRefusal(reader, field, body.options) ??
      workedRefusal(reader, field)
    )
  },
  apply: (_reader, body) => applied(parts(body)),
})

const fieldsIn = ({ field, other }: Body) => (other ? [field, other] : [field])
const parts = (body: Body) => [
  ...fieldsIn(body).map((field) => makes('field', field)),
  ...body.options.map((option) => makes('option', option)),
]

/** They are of the field, which takes some, and no two are called the same. */
function checkOptions({ field, options }: Body): Problem | undefined {
  const takesSome = fieldTypes[field.type].choices === 'options'
  const named = new Set<string>()
  for (const option of options) {
    const name = textKey(option.label)
    if (!takesSome || option.field !== field.id || option.archived) return problem('wrong-value', { field: 'options' })
    if (named.has(name)) return problem('name-taken', { name: option.label })
    named.add(name)
  }
  return undefined
}
