/** Large commands give way: what they come to is the same, and no piece of them is long. */
import { beforeAll, describe, expect, it } from 'vitest'
import { inOnePiece, type Pieces } from '../base/pieces'
import { must, type Result } from '../base/result'
import type { Applied, Context } from '../change/command'
import { applyPatch, type Patch } from '../change/patch'
import { scopesAhead, scoping } from '../change/scopes'
import { kindsOf } from '../model/reader'
import { runs } from '../test-kit/runs'
import { command, contextOf, entryOf, smallWorkspace, type Small } from '../test-kit/workspace'
import { judge, judgeInPieces, type Command } from './registry'

const { numRuns: rows } = runs(10_000, 20_000)
let small: Small
let bring: Command
let brought: Patch

const contextFor = (one: Command, more: Partial<Context> = {}) => contextOf(one, small.people.owner.id, more)

/** What work comes to, and how long its longest piece takes, in ms: each piece in the quickest of some runs, as others run beside. */
function longest<T>(make: () => Pieces<T>): { value: T; ms: number; pieces: number } {
  const least: number[] = []
  const ends = Array.from({ length: 3 }, () => {
    const work = make()
    for (let piece = 0; ; piece++) {
      const from = performance.now()
      const step = work.next()
      least[piece] = Math.min(least[piece] ?? Infinity, performance.now() - from)
      if (step.done) return { value: step.value, pieces: piece + 1 }
    }
  })
  const end = must(ends[0], 'run')
  // What is done in a run is done in each, or the pieces would not be the same ones.
  for (const { pieces } of ends) expect(pieces).toBe(end.pieces)
  return { ...end, ms: Math.max(...least) }
}
const patchOf = (judged: Result<Applied>): Patch => {
  if (!judged.ok) throw new Error(JSON.stringify(judged.problem))
  return judged.value.patch
}

beforeAll(() => {
  small = smallWorkspace()
  const { ids, project, state } = small
  const kind = must(kindsOf(state, project.id)[0], 'kind')
  const { start } = must(state.maybe('workflow', kind.workflow), 'workflow')
  const all = Array.from({ length: rows }, () => ids.item())
  const items = all.map((item, i) => ({ item, project: project.id, kind: kind.id, status: start, title: `Row ${i}`, parent: i % 5 ? all[i - (i % 5)]! : null, values: {} })) // prettier-ignore
  bring = command(ids, { type: 'bring-in', project: project.id, people: [], kinds: [], fields: [], options: [], items, texts: [] }) // prettier-ignore
})

describe('a file of many rows', () => {
  it('is judged in pieces of less than 50 ms, and as in one go', { timeout: 120_000 }, () => {
    const { value, ms, pieces } = longest(() => judgeInPieces(small.state, bring, contextFor(bring)))
    expect(pieces).toBeGreaterThan(rows / 100)
    expect(ms).toBeLessThan(50)
    brought = patchOf(value)
    expect(brought).toHaveLength(2 * rows + 1)
    expect(brought).toEqual(patchOf(judge(small.state, bring, contextFor(bring))))
  })

  it('is for whom it would be said to be for once it is applied', { timeout: 120_000 }, () => {
    const ahead = longest(() => scopesAhead(small.state, brought))
    expect(ahead.ms).toBeLessThan(50)
    const scopesOf = scoping(small.state, brought)
    applyPatch(small.state, brought)
    expect(ahead.value).toEqual(scopesOf())
  })

  it('is undone in pieces of less than 50 ms, and as in one go', { timeout: 120_000 }, () => {
    const undo = command(small.ids, { type: 'revert', of: bring.id })
    const entry = entryOf(bring, small.people.owner.id, brought)
    const context = contextFor(undo, { entryOf: (id) => (id === bring.id ? entry : undefined) })
    const { value, ms } = longest(() => judgeInPieces(small.state, undo, context))
    expect(ms).toBeLessThan(50)
    const undone = patchOf(value)
    expect(undone).toEqual(patchOf(judge(small.state, undo, context)))
    const before = small.state.table(small.project.id).size
    expect(inOnePiece(scopesAhead(small.state, undone))).toHaveLength(1)
    applyPatch(small.state, undone)
    expect(before - small.state.table(small.project.id).size).toBe(rows)
  })
})

describe('whom a patch is for', () => {
  it('is not told ahead where it changes who sees a record', () => {
    const view = must([...small.state.all('view')][0], 'view')
    const mine = { of: 'maker' as const }
    const patch: Patch = [{ entity: 'view', id: view.id, field: 'audience', before: view.audience, after: mine }]
    expect(inOnePiece(scopesAhead(small.state, patch))).toBeUndefined()
  })
})
