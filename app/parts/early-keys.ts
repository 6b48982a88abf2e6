import { nextTick } from 'vue'

const longestWaitMs = 3000
const isInput = (target: EventTarget | null): target is HTMLElement =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement

/** What was typed is typed into what has the keyboard now; after each key the page is as it would have been. */
async function type(into: HTMLElement, keys: readonly KeyboardEvent[]): Promise<void> {
  for (const { key, ctrlKey, shiftKey, altKey, metaKey } of keys) {
    await nextTick()
    const isText = key.length === 1 && !ctrlKey && !altKey && !metaKey
    if (isText) document.execCommand('insertText', false, key)
    else into.dispatchEvent(new KeyboardEvent('keydown', { key, ctrlKey, shiftKey, altKey, metaKey, bubbles: true, cancelable: true })) // prettier-ignore
  }
}

/** From an editor’s opening until its input has the keyboard: what is typed is kept and then given to it. Ends it by itself; returns what ends it sooner. */
export function keepEarlyKeys(): () => void {
  const kept: KeyboardEvent[] = []
  const keep = (event: KeyboardEvent) => {
    if (isInput(event.target)) return stop()
    kept.push(event)
    event.preventDefault()
    event.stopImmediatePropagation()
  }
  const give = ({ target }: FocusEvent) => {
    if (!isInput(target)) return
    stop()
    void type(target, kept)
  }
  const stop = () => {
    window.clearTimeout(end)
    document.removeEventListener('keydown', keep, true)
    document.removeEventListener('focusin', give, true)
  }
  const end = window.setTimeout(stop, longestWaitMs)
  document.addEventListener('keydown', keep, true)
  document.addEventListener('focusin', give, true)
  return stop
}
