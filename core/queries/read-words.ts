import { conditionWords } from '../language/conditions'
import { parse, type Parsed, type Phrase } from '../language/grammar'
import { phraseKinds, type OtherPhrase } from '../language/phrases'
import type { Wording } from '../language/wording'
import type { Condition, ProjectId, ViewDefinition } from '../model/records'
import { countEach } from './condition-counts'
import { dayIn, type QueryContext } from './contract'

/** Typed words, as they were understood. */
export interface ReadWords {
  readonly parts: readonly ReadPart[]
  readonly left: Parsed['left']
}
/** A phrase that was understood. */
export interface ReadPart {
  /** Where it is in the text, in characters; `to` is after the last. */
  readonly from: number
  readonly to: number
  readonly phrase: Phrase
  /** The phrase as the sentence will say it. */
  readonly words: string
  /** How many items it would leave, of a condition. */
  readonly count?: number
}
/** What was typed, and beside what. */
export interface TypedWordsInput {
  readonly project: ProjectId
  /** Conditions that hold beside them. */
  readonly where: readonly Condition[]
  readonly text: string
}

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
  const { into, words, inFull } = phraseKinds[phrase.says] as (typeof phraseKinds)['show']
  const view = into(emptyTable, phrase as never, wording)
  const said = inFull?.(view, wording) ?? words(view, wording) ?? ''
  return phrase.says === 'layout' ? `as a ${said}` : `${phraseKinds[phrase.says].before.replace(/^, /, '')}${said}`
}
const emptyTable: ViewDefinition = { v: 3, layout: 'table', where: [], group: [], sort: [], totals: [], show: [] }
