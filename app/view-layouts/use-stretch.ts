import { watch, type Ref } from 'vue'
import type { Stretch } from '../replica/watches'

interface InSight {
  readonly index: number
}

/**
 * Asks for more of a list well before an end of the stretch that is here comes into sight. One question at a time: the
 * answer, which may have been overtaken by the scrolling, is looked at again when it comes.
 */
export function useStretch(
  shown: Ref<readonly InSight[]>,
  stretch: () => Stretch<unknown> | undefined,
  total: () => number,
  look: (from: number, to: number) => void,
  ahead: number,
): void {
  let isAsking = false
  watch([shown, stretch], ([now, held], [, heldBefore]) => {
    if (held !== heldBefore) isAsking = false
    const [first, last] = [now[0]?.index, now.at(-1)?.index]
    if (isAsking || !held || first === undefined || last === undefined) return
    const end = held.from + held.rows.length
    if ((first - held.from < ahead && held.from > 0) || (end - last < ahead && end < total())) {
      isAsking = true
      look(first, last)
    }
  })
}
