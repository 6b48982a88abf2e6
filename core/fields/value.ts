/** A long text's trace in the item: its words are fetched apart. */
export interface LongTextMark {
  readonly revision: number
}

/** A stored value; null and absent mean empty. */
export type Value = string | number | boolean | readonly string[] | LongTextMark | null
