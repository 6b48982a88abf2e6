/** When an id of version 7 was made, in ms since 1970; NaN where it is of another sort. */
export const madeAt = (id: string): number =>
  /^[0-9a-f]{8}-[0-9a-f]{4}-7/.test(id) ? parseInt(id.slice(0, 8) + id.slice(9, 13), 16) : NaN
