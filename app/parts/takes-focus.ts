import type { ObjectDirective } from 'vue'

const fields = 'input, textarea'
/** How many frames it may take until what opens can hold the keyboard. */
const patience = 30

/**
 * Gives the keyboard to the button that it is said of, or to the first field within, once, as soon as it can hold it.
 * A field's own `autofocus` gives it again 50 ms later, also to whoever has gone on to the next field.
 */
export const vTakesFocus: ObjectDirective<HTMLElement, boolean | undefined> = {
  mounted(box, { value = true }) {
    if (!value) return
    const before = document.activeElement
    const take = (left: number): void => {
      const now = document.activeElement
      const field = box.matches(`${fields}, button`) ? box : box.querySelector<HTMLElement>(fields)
      if (!field?.isConnected || (now !== before && now?.matches(fields))) return
      field.focus()
      if (document.activeElement !== field && left) requestAnimationFrame(() => take(left - 1))
    }
    take(patience)
  },
}
