import { ref, type Ref } from 'vue'

export interface Notice {
  readonly id: number
  readonly text: string
  /** Does it after all, with what is stored now as its ground. */
  readonly again?: () => void
  /** What the button for that says. */
  readonly label?: string | undefined
}
/** So many stand at once; the oldest goes first. */
const mostNotices = 4

interface Notices {
  readonly notices: Ref<Notice[]>
  say(text: string, again?: () => void, label?: string): void
  dismiss(id: number): void
}

/** What is said to somebody beside what they do, until they have read it. */
export function noticeList(): Notices {
  const notices = ref<Notice[]>([])
  let next = 1
  return {
    notices,
    say(text, again, label) {
      const said = { id: next++, text, ...(again && { again, label }) }
      notices.value = [...notices.value, said].slice(-mostNotices)
    },
    dismiss: (id) => void (notices.value = notices.value.filter((notice) => notice.id !== id)),
  }
}
