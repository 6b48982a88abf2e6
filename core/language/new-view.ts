/** What a new view begins with, and what it could be called. */
import { saidLayouts } from '../layouts/said'
import type { LayoutName } from '../model/names'
import type { FieldId, ViewDefinition } from '../model/records'
import { longestName } from '../base/text'
import { conditionWords } from './conditions'
import { withPhrases, type Phrase } from './grammar'
import { phraseKinds } from './phrases'
import type { Wording } from './wording'

/**
 * A view with a layout and phrases: it shows the people, the due date and every field that its phrases name. Undefined where the
 * project has not what the layout needs.
 */
export function newView(wording: Wording, layout: LayoutName, phrases: readonly Phrase[]): ViewDefinition | undefined {
  const { reader, project } = wording
  const bare: ViewDefinition = { v: 3, layout: 'table', where: [], group: [], sort: [], totals: [], show: [] }
  const begun = saidLayouts[layout].begin(reader, project, bare)
  if (!begun) return undefined
  const said = withPhrases(begun, phrases, wording)
  if (phrases.some(({ says }) => says === 'show')) return said
  const { assignees, due } = project.uses
  const named = [assignees, due, ...fieldsNamed([said.group, said.where, said.sort, said.totals])]
  const show = [...new Set(named.flatMap((id) => id ?? []))].filter(
    (id) => reader.maybe('field', id)?.archived === false,
  )
  return { ...said, show }
}

/** The fields that phrases speak of, in the order in which they do. */
function fieldsNamed(phrases: unknown): FieldId[] {
  if (Array.isArray(phrases)) return phrases.flatMap(fieldsNamed)
  if (typeof phrases !== 'object' || phrases === null) return []
  const { fact, field } = phrases as { fact?: unknown; field?: FieldId }
  return fact === 'field' && field ? [field] : Object.values(phrases).flatMap(fieldsNamed)
}

/** A name as long as one reads at a glance. */
const usualName = 60

/** What a view could be called: its conditions and groups as the sentence says them, else what its layout is. */
export function proposedName(view: ViewDefinition, wording: Wording): string {
  const group = phraseKinds.group.words(view, wording)
  const said = [
    ...view.where.map((condition) =>
      conditionWords(condition, wording)
        .replace(/^it’s /, '')
        .replace(/^it isn’t /, 'not '),
    ),
    ...(group ? [group] : []),
  ]
  const whole = said.join(', ') || `${view.layout === 'table' ? 'all items' : saidLayouts[view.layout].words}`
  const name = whole.length > usualName ? cutAtWord(whole) : whole
  return (name.charAt(0).toUpperCase() + name.slice(1)).slice(0, longestName)
}
const cutAtWord = (text: string): string =>
  `${text.slice(0, text.lastIndexOf(' ', usualName - 2)).replace(/[,;]$/, '')} …`
