/** The list with the id in it or, where it was, without. */
export const toggled = (ids: readonly string[], id: string): string[] =>
  ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id]
