/** The list with the id in it or, where it was, without. */
export const toggled = <I extends string>(ids: readonly I[], id: I): I[] =>
  ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id]
