import { conditionWords } from '../language/conditions'
import { parse } from '../language/grammar'
import { phraseKinds, type OtherPhrase } from '../language/phrases'
import type { Wording } from '../language/wording'
import type { ViewDefinition } from '../model/records'
import { countEach } from './condition-counts'
import { dayIn, type QueryContext } from './contract'
import type { ReadPart, ReadWords, TypedWordsInput } from './typed-words'

/** Typed words as phrases of a view, with how many items each would leave. */
export function readWords(context: QueryContext, { project: id, where, text }: TypedWordsInput): ReadWords {
  const project = context.state.maybe('project', id)
  if (!project) return { parts: [], left: [] }
  const wording: Wording = { reader: context.state, project, day: dayIn(context) }
  const { understood, left } = parse(text, wording)
  const parts = understood.map((one): ReadPart => {
    const { phrase } = one
    if (phrase.says !== 'where') return { ...one, words: phraseWords(phrase, wording) }
    const [count] = countEach(context, { project: id, others: where, conditions: [phrase.condition] })
    return { ...one, words: conditionWords(phrase.condition, wording), count }
  })
  return { parts, left }
}

/** A phrase alone, as a view of a table would say it. */
function phraseWords(phrase: OtherPhrase, wording: Wording): string {
  const { into, words } = phraseKinds[phrase.says]
  const said = words(into(emptyTable, phrase as never, wording), wording) ?? ''
  return phrase.says === 'layout' ? `as a ${said}` : `${phraseKinds[phrase.says].before.replace(/^, /, '')}${said}`
}
const emptyTable: ViewDefinition = { v: 3, layout: 'table', where: [], group: [], sort: [], totals: [], show: [] }
