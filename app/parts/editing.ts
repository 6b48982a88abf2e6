import { shallowRef } from 'vue'

/** What is edited where it stands: a floating editor beside an element, to which the keyboard goes back. */
export function useEditing<E extends { readonly at: HTMLElement }>(
  lost: () => { focus(): void } | undefined | null = () => undefined,
) {
  const editing = shallowRef<E>()
  /** `keeps`: something else has the keyboard by now. */
  function endEdit(keeps: () => boolean = () => false): void {
    const at = editing.value?.at
    editing.value = undefined
    requestAnimationFrame(() => {
      if (!keeps()) (at?.isConnected ? at : lost())?.focus()
    })
  }
  return { editing, endEdit }
}
