import { onScopeDispose, watch, type Ref } from 'vue'
import { afterPaint } from '../data/stands'

interface InSight {
  readonly index: number
}

/** Rows that are left beyond what is in sight when more are asked for. */
const ahead = 160
const calmAfterMs = 200

/**
 * Asks for more of a list well before an end of the stretch that is here comes into sight. One question at a time: the
 * answer, which may have been overtaken by the scrolling, is looked at again when it comes.
 */
export function useStretch(
  shown: Ref<readonly InSight[]>,
  stretch: () => { readonly from: number; readonly rows: readonly unknown[] } | undefined,
  total: () => number,
  look: (from: number, to: number) => void,
  /** Told once it is calm what is in sight and here. */
  inSight?: (from: number, to: number) => void,
): void {
  let isAsking = false
  let calm: ReturnType<typeof setTimeout> | undefined
  function askWhereNeeded(): void {
    clearTimeout(calm)
    const held = stretch()
    const [first, last] = [shown.value[0]?.index, shown.value.at(-1)?.index]
    if (isAsking || !held || first === undefined || last === undefined) return
    const end = held.from + held.rows.length
    if ((first - held.from < ahead && held.from > 0) || (end - last < ahead && end < total())) {
      isAsking = true
      look(first, last)
    } else if (inSight) calm = setTimeout(inSight, calmAfterMs, first, last)
  }
  onScopeDispose(() => clearTimeout(calm))
  watch([shown, stretch], ([, held], [, heldBefore]) => {
    if (held !== heldBefore) isAsking = false
    // What is in sight is drawn before more is fetched: the first rows, and those of which so many changed that they came alone.
    if (held && held.rows.length < (heldBefore?.rows.length ?? Infinity)) afterPaint(askWhereNeeded)
    else askWhereNeeded()
  })
}
