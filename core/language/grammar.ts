/** Typed words to phrases of a view, with what was understood and what was not, and where. */
import type { Condition, ViewDefinition } from '../model/records'
import { readCondition } from './conditions'
import { TextCursor } from './cursor'
import { otherNames, phraseKinds, type OtherPhrase } from './phrases'
import type { Wording } from './wording'

/** A phrase that was read: a condition, or another part of a view. */
export type Phrase = { readonly says: 'where'; readonly condition: Condition } | OtherPhrase

/** Some of the words, and what they were taken for. */
export interface Understood {
  /** Where they are in the text, in characters; `to` is after the last. */
  readonly from: number
  readonly to: number
  readonly phrase: Phrase
}

/** What was understood of a text, and what was not, with where. */
export interface Parsed {
  readonly understood: readonly Understood[]
  /** The words that were not, each stretch of them. */
  readonly left: readonly { readonly from: number; readonly to: number; readonly words: string }[]
}

/** Reads phrases one after another; between them may be commas, *and*, *where* and the like. */
export function parse(text: string, wording: Wording): Parsed {
  const at = new TextCursor(text, wording)
  at.isPhraseNext = () => isLongerPhraseNext(at)
  const understood: Understood[] = []
  const left: { from: number; to: number; words: string }[] = []
  for (at.skipBetween(); !at.isAtEnd; at.skipBetween()) {
    const from = at.place
    const phrase = at.longest<Phrase>([...otherReadings, readWhere])
    if (phrase && at.place > from) {
      understood.push({ from, to: at.place, phrase })
      continue
    }
    at.skipWord()
    const last = left.at(-1)
    const isNext = last && !text.slice(last.to, from).trim() && !understood.some((one) => one.from >= last.to)
    if (isNext) left[left.length - 1] = { from: last.from, to: at.place, words: text.slice(last.from, at.place) }
    else left.push({ from, to: at.place, words: text.slice(from, at.place) })
  }
  return { understood, left }
}

const otherReadings = otherNames.map(
  (name) =>
    (at: TextCursor): OtherPhrase | undefined =>
      phraseKinds[name].read(at),
)

/** What follows a comma alone is no further value where more words of it are a phrase of another sort. */
function isLongerPhraseNext(at: TextCursor): boolean {
  const before = at.place
  const words = () => at.text.slice(before, at.place).trim().split(/\s+/).length
  const isPhrase = at.longest(otherReadings) !== undefined && words() > 1
  at.place = before
  return isPhrase
}

function readWhere(at: TextCursor): Phrase | undefined {
  const of = at.several(
    () => at.attempt(() => readCondition(at)),
    () => (at.sign(',') ? at.eat('or') : at.eat('or')),
  )
  const [only] = of ?? []
  return of && only && { says: 'where', condition: of.length > 1 ? { about: 'any', of } : only }
}

/** A view with the phrases said: conditions come to those there are, the rest takes the place of what was said before. */
export const withPhrases = (view: ViewDefinition, phrases: readonly Phrase[], wording: Wording): ViewDefinition =>
  phrases.reduce((now: ViewDefinition, phrase): ViewDefinition => {
    if (phrase.says === 'where') return { ...now, where: [...now.where, phrase.condition] }
    return phraseKinds[phrase.says].into(now, phrase as never, wording)
  }, view)
