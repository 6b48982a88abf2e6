/** What of a view differs from what it was, phrase by phrase. */
import { isSameValue } from '../base/sorted-ids'
import type { Condition, ViewDefinition } from '../model/records'
import { conditionWords } from './conditions'
import { sentenceOf } from './sentence'
import { otherNames, phraseKinds } from './phrases'
import type { Wording } from './wording'

/** A phrase that came, went, or says something else. */
export interface PhraseChange {
  readonly was?: string
  readonly is?: string
}

/** Phrases that differ, in the order of the sentence. Empty: nothing that a sentence says. */
export function phraseChanges(before: ViewDefinition, after: ViewDefinition, wording: Wording): PhraseChange[] {
  const conditions = (all: readonly Condition[], others: readonly Condition[]) =>
    all.filter((one) => !others.some((other) => isSameValue(one, other))).map((one) => conditionWords(one, wording))
  const gone = conditions(before.where, after.where)
  const come = conditions(after.where, before.where)
  const where = Array.from({ length: Math.max(gone.length, come.length) }, (_, i) => changeOf(gone[i], come[i]))
  const others = otherNames.flatMap((name) => {
    const of = (view: ViewDefinition) => {
      const kind = phraseKinds[name] as (typeof phraseKinds)['show']
      const words = kind.inFull?.(view, wording) ?? kind.words(view, wording)
      return words && `${kind.before.replace(/^, /, '').trimStart()}${words}`
    }
    const [was, is] = [of(before), of(after)]
    return was === is ? [] : [changeOf(was, is)]
  })
  const marks = (view: ViewDefinition) =>
    sentenceOf(view, wording).flatMap((piece) =>
      'phrase' in piece && piece.phrase === 'signals' ? piece.words : [],
    )[0]
  const signals = isSameValue(before.signals, after.signals) && isSameValue(before.colourBy, after.colourBy) ? [] : [changeOf(marks(before), marks(after) ?? nothingMarked)] // prettier-ignore
  return [...where, ...others, ...signals]
}

const nothingMarked = 'marking nothing'

const changeOf = (was: string | undefined, is: string | undefined): PhraseChange => ({
  ...(was !== undefined && { was }), ...(is !== undefined && { is }),
}) // prettier-ignore
