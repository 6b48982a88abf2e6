import { computed, onMounted, ref, watch } from 'vue'

/** How somebody has a board look: kept in this browser. */
interface BoardLook {
  /** Undefined until somebody folds one: those that are folded at first. */
  readonly folded?: readonly string[]
  readonly hidden: readonly string[]
  /** In px, by column. */
  readonly widths: Readonly<Record<string, number>>
}
const usual: BoardLook = { hidden: [], widths: {} }
const [narrowest, widest] = [120, 900] as const

/** Which columns of a board are folded or hidden and how wide they are, for oneself. `atFirst`: those folded until one says otherwise. */
export function useBoardLook(board: () => string, atFirst: () => readonly string[]) {
  const look = ref<BoardLook>(usual)
  const key = computed(() => `wrenleaf-board-${board()}`)
  onMounted(() =>
    watch(
      key,
      (now) => {
        const kept = localStorage.getItem(now)
        look.value = kept ? { ...usual, ...(JSON.parse(kept) as BoardLook) } : usual
      },
      { immediate: true },
    ),
  )
  function keep(now: Partial<BoardLook>): void {
    look.value = { ...look.value, ...now }
    localStorage.setItem(key.value, JSON.stringify(look.value))
  }
  const folded = computed(() => new Set(look.value.folded ?? atFirst()))
  const hidden = computed(() => new Set(look.value.hidden))
  const toggled = (all: ReadonlySet<string>, id: string) => (all.has(id) ? [...all].filter((one) => one !== id) : [...all, id]) // prettier-ignore
  const fold = (column: string): void => keep({ folded: toggled(folded.value, column) })
  const hide = (column: string): void => keep({ hidden: toggled(hidden.value, column) })
  const widthOf = (column: string): number | undefined => look.value.widths[column]
  /** Undefined: as wide as the board has it. */
  function stretch(column: string, width: number | undefined): void {
    const { [column]: _own, ...others } = look.value.widths
    keep({ widths: width === undefined ? others : { ...others, [column]: Math.round(Math.min(widest, Math.max(narrowest, width))) } }) // prettier-ignore
  }
  return { folded, hidden, fold, hide, widthOf, stretch }
}
