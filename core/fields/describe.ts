import type { FieldType, ValueChange } from './contract'

/**
 * A change of a field's value in words, without who and when: `set effort to 2.5 h`, `added Imke to assignees`. Several
 * sentences where ids both came and left. `words` prints a value; an empty one is ''.
 */
export function describeChange(
  type: FieldType | undefined,
  name: string,
  change: ValueChange,
  words: (value: unknown) => string,
): string[] {
  const own = type?.describe?.(change, name)
  if (own !== undefined) return [own]
  if ('added' in change) {
    const [came, left] = [words(change.added), words(change.removed)]
    return [...(came ? [`added ${came} to ${name}`] : []), ...(left ? [`removed ${left} from ${name}`] : [])]
  }
  const [before, after] = [words(change.before), words(change.after)]
  if (!before) return [`set ${name} to ${after}`]
  return [after ? `changed ${name} from ${before} to ${after}` : `cleared ${name}, which was ${before}`]
}
