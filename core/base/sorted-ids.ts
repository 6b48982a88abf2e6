/** Several values are a set, kept as a sorted list so that equal sets are equal lists. */
export function changeIds(
  held: readonly string[] | null | undefined,
  added: readonly string[],
  removed: readonly string[],
): string[] | null {
  const set = new Set(held ?? [])
  for (const id of removed) set.delete(id)
  for (const id of added) set.add(id)
  return set.size ? [...set].sort() : null
}

/** Those ids that are not held, sorted. */
export const idsMissingFrom = (ids: readonly string[], held: readonly string[] | null | undefined): string[] =>
  ids.filter((id) => !held?.includes(id)).sort()

/** Those ids that are held, sorted. */
export const idsAlsoIn = (ids: readonly string[], held: readonly string[] | null | undefined): string[] =>
  ids.filter((id) => held?.includes(id)).sort()

/** Deep equality of stored values: primitives, lists and plain objects. */
export function isSameValue(a: unknown, b: unknown): boolean {
  if (a === b) return true
  if (a === undefined || b === undefined || a === null || b === null) return (a ?? null) === (b ?? null)
  if (Array.isArray(a)) return Array.isArray(b) && a.length === b.length && a.every((x, i) => isSameValue(x, b[i]))
  if (typeof a !== 'object' || typeof b !== 'object' || Array.isArray(b)) return false
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>]
  return [...new Set([...Object.keys(left), ...Object.keys(right)])].every((key) => isSameValue(left[key], right[key]))
}
