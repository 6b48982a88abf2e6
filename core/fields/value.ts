/** A long text's trace in the item; its words are fetched separately. */
export interface LongTextMark {
  /** 1 for the first text that was written, one more for each that followed. */
  readonly revision: number
}

/** A stored value; null and absent mean empty. */
export type Value = string | number | boolean | readonly string[] | LongTextMark | null

/** Whether a value counts as none: null, absent, an empty text or an empty list. */
export const isEmptyValue = (value: Value | undefined): value is null | undefined =>
  value === null || value === undefined || value === '' || (Array.isArray(value) && value.length === 0)

const noIds: readonly string[] = []
/** The ids of a value that holds several; none where it is empty, or of another sort. */
export const idsOf = (value: unknown): readonly string[] => (Array.isArray(value) ? (value as string[]) : noIds)
