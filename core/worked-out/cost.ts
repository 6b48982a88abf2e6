/** A part of a formula, as the language has read it. */
export interface Node {
  readonly op: string
  readonly args: unknown
}

/** The names of what walks over a list. */
const walks: ReadonlySet<string> = new Set(['map', 'filter', 'all', 'exists', 'exists_one'])
/** How many items a walk is reckoned to meet. */
const usually = 100
/** More steps than that for one item, and a formula is refused. */
export const mostCost = 5000

const isNode = (x: unknown): x is Node => typeof x === 'object' && x !== null && 'op' in x
const parts = (args: unknown): Node[] =>
  Array.isArray(args)
    ? (args as unknown[]).flatMap((one) => (isNode(one) ? one : parts(one)))
    : isNode(args)
      ? [args]
      : []

/** How many steps a formula takes for an item, if what it walks over has the usual size. */
export function costOf(node: Node): number {
  if (node.op !== 'rcall') return parts(node.args).reduce((sum, one) => sum + costOf(one), 1)
  const [name, over, given] = node.args as [string, Node, Node[]]
  const inner = given.reduce((sum, one) => sum + costOf(one), 1)
  const times = walks.has(name) ? (over.op === 'list' ? Math.max(1, (over.args as unknown[]).length) : usually) : 1
  return costOf(over) + times * inner
}

/** Patterns take for ever on some texts, lists of letters are long, and what is bound doubles again and again. */
const refused: ReadonlySet<string> = new Set(['matches', 'split', 'bind'])
/** What it calls that is not used here; undefined where it calls no such thing. */
export function refusedCall(node: Node): string | undefined {
  const name = node.op === 'call' || node.op === 'rcall' ? (node.args as [string])[0] : ''
  if (refused.has(name)) return name
  for (const part of parts(node.args)) {
    const found = refusedCall(part)
    if (found) return found
  }
  return undefined
}
