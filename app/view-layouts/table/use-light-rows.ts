import { onScopeDispose, shallowRef, watch, type Ref } from 'vue'

interface InSight {
  readonly index: number
}

/** So many rows a frame are too many to be drawn whole, and nobody reads them. */
const tooFast = 6
/** Rows that are made whole in a frame once it is calm. */
const wholeAFrame = 6
const calmAfterMs = 90

/**
 * While a list is scrolled faster than anyone reads, what comes into sight is drawn light: key and title. Once it is
 * calm, rows are made whole, some a frame. Gives the rows that are light.
 */
export function useLightRows(shown: Ref<readonly InSight[]>): Ref<ReadonlySet<number>> {
  const light = shallowRef<ReadonlySet<number>>(new Set())
  let calm: ReturnType<typeof setTimeout> | undefined
  let frame = 0

  function fill(): void {
    // From the middle outwards: what is in sight comes before what is drawn beyond it.
    const middle = ((shown.value[0]?.index ?? 0) + (shown.value.at(-1)?.index ?? 0)) / 2
    const left = [...light.value].sort((a, b) => Math.abs(b - middle) - Math.abs(a - middle))
    left.length = Math.max(0, left.length - wholeAFrame)
    light.value = new Set(left)
    frame = left.length ? requestAnimationFrame(fill) : 0
  }
  const startFilling = () => (frame ||= requestAnimationFrame(fill))

  watch(shown, (now, before) => {
    const was = new Set(before.map((inSight) => inSight.index))
    const isNew = now.filter((inSight) => !was.has(inSight.index))
    const isFast = was.size > 0 && isNew.length > tooFast
    if (isFast) {
      cancelAnimationFrame(frame)
      frame = 0
      clearTimeout(calm)
      calm = setTimeout(startFilling, calmAfterMs)
    }
    if (!isFast && !light.value.size) return
    const kept = now.filter((inSight) => light.value.has(inSight.index) || (isFast && !was.has(inSight.index)))
    light.value = new Set(kept.map((inSight) => inSight.index))
  })
  onScopeDispose(() => {
    clearTimeout(calm)
    cancelAnimationFrame(frame)
  })
  return light
}
