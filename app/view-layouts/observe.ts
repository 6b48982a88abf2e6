import { elementScroll, type Virtualizer } from '@tanstack/vue-virtual'

interface Scrolling {
  readonly scrollElement: Element | null
}
type Size = { width: number; height: number }

/** Tells a virtual list its size when it has been laid out anyway, where the library's own would force that. */
export function observeSize(list: Scrolling, tell: (size: Size) => void): (() => void) | undefined {
  const element = list.scrollElement
  if (!element) return undefined
  const observer = new ResizeObserver(([entry]) => {
    if (entry) tell({ width: Math.round(entry.contentRect.width), height: Math.round(entry.contentRect.height) })
  })
  observer.observe(element)
  return () => observer.disconnect()
}

/** The same, where somebody else hears it too. */
export const observeSizeFor =
  (hear: (size: Size) => void) =>
  (list: Scrolling, tell: (size: Size) => void): (() => void) | undefined =>
    observeSize(list, (size) => {
      hear(size)
      tell(size)
    })

/** Tells it how far it is scrolled, which is nothing at first: asking would force the page to be laid out. */
export function observeOffset(
  list: Scrolling,
  tell: (offset: number, isScrolling: boolean) => void,
): (() => void) | undefined {
  const element = list.scrollElement
  if (!element) return undefined
  const onScroll = () => tell(element.scrollTop, true)
  element.addEventListener('scroll', onScroll, { passive: true })
  tell(0, false)
  return () => element.removeEventListener('scroll', onScroll)
}

/** Scrolls a list, but not to where it stands already: writing that, too, would force the page to be laid out. */
export function scrollWhereNeeded(
  offset: number,
  options: { adjustments?: number; behavior?: ScrollBehavior },
  list: Virtualizer<HTMLElement, Element>,
): void {
  if (offset + (options.adjustments ?? 0) !== list.scrollOffset) elementScroll(offset, options, list)
}
