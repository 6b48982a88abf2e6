/** Looks at a page as a reader would: what overlaps, what is cut off without saying so, what is too small to press. */
import type { Page } from '@playwright/test'

/**
 * What is wrong on the screen now, in words; what a scroll area clips does not count, nor what lies under something that
 * floats. `least`: the smallest side of a control, in px.
 */
export const faultsOn = (page: Page, least: number): Promise<string[]> =>
  page.evaluate((least) => {
    const faults: string[] = []
    const [width, height] = [innerWidth, innerHeight]
    const nameOf = (element: Element): string =>
      `${element.tagName.toLowerCase()}.${[...element.classList].slice(0, 3).join('.')} “${(element.textContent ?? '').trim().slice(0, 32)}”`

    /** The part of a box that nothing clips; undefined: none of it can be seen. A text is clipped by its own element too. */
    function visible(element: Element, rect: DOMRect, isText = false): DOMRect | undefined {
      let [left, top, right, bottom] = [rect.left, rect.top, rect.right, rect.bottom]
      for (let at: Element | null = element; at; at = at.parentElement) {
        const style = getComputedStyle(at)
        if (style.visibility === 'hidden' || style.opacity === '0' || style.display === 'none') return undefined
        if ((isText || at !== element) && style.overflow !== 'visible') {
          const box = at.getBoundingClientRect()
          left = Math.max(left, box.left)
          top = Math.max(top, box.top)
          right = Math.min(right, box.right)
          bottom = Math.min(bottom, box.bottom)
        }
        if (style.position === 'fixed') break
      }
      return right - left > 1 && bottom - top > 1 ? new DOMRect(left, top, right - left, bottom - top) : undefined
    }
    /** Whether the middle of a box is its element, and not what floats over it. */
    const isOnTop = (element: Element, box: DOMRect): boolean => {
      const top = document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2)
      return !!top && (element.contains(top) || top.contains(element))
    }
    const isHiddenText = (element: Element): boolean => !!element.closest('.unseen, [aria-hidden=true] svg, .skip')
    const scrolls = (element: Element): boolean => {
      for (let at = element.parentElement; at; at = at.parentElement)
        if (/auto|scroll/.test(getComputedStyle(at).overflowX) && at.scrollWidth > at.clientWidth) return true
      return false
    }

    interface Text {
      readonly element: Element
      readonly box: DOMRect
    }
    const texts: Text[] = []
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const element = node.parentElement
      if (!node.textContent?.trim() || !element || isHiddenText(element)) continue
      if (/^(SCRIPT|STYLE|NOSCRIPT|OPTION)$/.test(element.tagName)) continue
      const range = document.createRange()
      range.selectNodeContents(node)
      for (const rect of range.getClientRects()) {
        const box = rect.width > 1 && visible(element, rect, true)
        if (!box || !isOnTop(element, box)) continue
        texts.push({ element, box })
        // Cut where no area scrolls and no dots say so.
        const isDotted = (() => {
          for (let at: Element | null = element; at; at = at.parentElement) {
            const style = getComputedStyle(at)
            if (style.textOverflow === 'ellipsis' || style.webkitLineClamp !== 'none') return true
            if (at.getAttribute('role') === 'row' || at.id === 'main') return false
          }
          return false
        })()
        if (box.width < rect.width - 2 && !isDotted && !scrolls(element)) faults.push(`cut: ${nameOf(element)}`)
        if ((rect.right > width + 1 || rect.left < -1) && !scrolls(element) && !isDotted)
          faults.push(`out of the window: ${nameOf(element)}`)
        if (rect.top > height && !element.closest('#main, .v-overlay__content, .page')) faults.push(`below the window: ${nameOf(element)}`) // prettier-ignore
      }
    }
    for (const [i, a] of texts.entries())
      for (const b of texts.slice(i + 1)) {
        if (a.element === b.element || a.element.contains(b.element) || b.element.contains(a.element)) continue
        // One of them floats over the other.
        if (a.element.closest('.v-overlay__content') !== b.element.closest('.v-overlay__content')) continue
        const across = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left)
        const down = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top)
        // Lines of text touch: a letter is drawn well inside its line.
        if (across > 3 && down > 6) faults.push(`overlap: ${nameOf(a.element)} and ${nameOf(b.element)}`)
      }
    for (const control of document.querySelectorAll(
      'button, a[href], input, [role=button], [role=tab], [role=option]',
    )) {
      const rect = control.getBoundingClientRect()
      const box = visible(control, rect)
      if (!box || !isOnTop(control, box) || isHiddenText(control)) continue
      // A phrase, or a link within words, is as high as its words; a field is pressed anywhere on it.
      if (control.closest('.sentence-text, nav.path') || control.closest('.v-field')) continue
      if (control instanceof HTMLInputElement && control.closest('.v-selection-control')) continue
      if (Math.min(rect.width, rect.height) < least - 0.5)
        faults.push(`small (${Math.round(rect.width)} × ${Math.round(rect.height)}): ${nameOf(control)}`)
    }
    return [...new Set(faults)]
  }, least)
