import { watch, type Ref } from 'vue'

import { afterPaint } from '../data/stands'

interface InSight {
  readonly index: number
}

/** Rows that are left beyond what is in sight when more are asked for. */
const ahead = 160

/**
 * Asks for more of a list well before an end of the stretch that is here comes into sight. One question at a time: the
 * answer, which may have been overtaken by the scrolling, is looked at again when it comes.
 */
export function useStretch(
  shown: Ref<readonly InSight[]>,
  stretch: () => { readonly from: number; readonly rows: readonly unknown[] } | undefined,
  total: () => number,
  look: (from: number, to: number) => void,
): void {
  let isAsking = false
  function askWhereNeeded(): void {
    const held = stretch()
    const [first, last] = [shown.value[0]?.index, shown.value.at(-1)?.index]
    if (isAsking || !held || first === undefined || last === undefined) return
    const end = held.from + held.rows.length
    if ((first - held.from < ahead && held.from > 0) || (end - last < ahead && end < total())) {
      isAsking = true
      look(first, last)
    }
  }
  watch([shown, stretch], ([, held], [, heldBefore]) => {
    if (held !== heldBefore) isAsking = false
    // The first rows are drawn before more of them are fetched.
    if (held && !heldBefore) afterPaint(askWhereNeeded)
    else askWhereNeeded()
  })
}
