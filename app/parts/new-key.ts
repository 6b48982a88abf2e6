import { onBeforeUnmount, onMounted } from 'vue'

/** `N` begins something new, wherever on the page the keyboard is: but where one types, and under what lies over the page. */
export function useNewKey(may: () => boolean, begin: () => void): void {
  function onKey(event: KeyboardEvent): void {
    if (event.defaultPrevented || event.key.toLowerCase() !== 'n' || !may()) return
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return
    if (document.querySelector('.v-overlay--active')) return
    event.preventDefault()
    begin()
  }
  onMounted(() => document.addEventListener('keydown', onKey))
  onBeforeUnmount(() => document.removeEventListener('keydown', onKey))
}

const isTyping = (at: EventTarget | null): boolean =>
  at instanceof HTMLElement && (at.isContentEditable || !!at.closest('input, textarea, select'))
