/** What a page asks about a view itself: what typed words mean, why an item is not in it, what each phrase leaves. */
import type { Condition, ProjectId, ViewDefinition } from '../model/records'
import { parse, type Parsed, type Phrase } from '../views/parse'
import { planOf } from '../views/evaluate'
import { conditionWords, sentenceOf, type Wording } from '../views/sentence'
import { viewContext } from '../views/sources'
import { leaves, why, type Leaves, type Why } from '../views/why'
import { countsOf, viewerOf } from './counts'
import { findItem } from './find'
import type { Ground } from './questions'

/** Typed words, as they were understood. */
export interface ReadWords {
  readonly parts: readonly ReadPart[]
  readonly left: Parsed['left']
}
export interface ReadPart {
  readonly from: number
  readonly to: number
  readonly phrase: Phrase
  /** The phrase as the sentence will say it. */
  readonly words: string
  /** How many items it would leave, of a condition. */
  readonly count?: number
}

const bare: ViewDefinition = { v: 2, layout: 'table', where: [], group: [], sort: [], totals: [], show: [] }

export function readWords(
  ground: Ground,
  projectId: ProjectId,
  where: readonly Condition[],
  text: string,
  day: Wording['day'],
): ReadWords {
  const project = ground.state.maybe('project', projectId)
  if (!project) return { parts: [], left: [] }
  const wording: Wording = { reader: ground.state, project, day }
  const { understood, left } = parse(text, wording)
  const parts = understood.map((one): ReadPart => {
    const { phrase } = one
    if (phrase.says !== 'where') return { ...one, words: phraseWords(phrase, wording) }
    const [count] = countsOf(ground, projectId, where, [phrase.condition])
    return { ...one, words: conditionWords(phrase.condition, wording), count }
  })
  return { parts, left }
}

function phraseWords(phrase: Exclude<Phrase, { says: 'where' }>, wording: Wording): string {
  const { says, ...said } = phrase
  const piece = sentenceOf({ ...bare, ...said } as ViewDefinition, wording).find(
    (one) => 'phrase' in one && one.phrase === says,
  )
  return says === 'show'
    ? `showing ${piece?.words}`
    : says === 'totals'
      ? `with ${piece?.words}`
      : says === 'layout'
        ? `as a ${piece?.words}`
        : (piece?.words ?? '')
}

/** Undefined: there is no such item, or it is in another project. */
export function whyOf(
  ground: Ground,
  projectId: ProjectId,
  view: ViewDefinition,
  key: string,
  day: Wording['day'],
): Why | undefined {
  const project = ground.state.maybe('project', projectId)
  const item = findItem(ground.state, key)
  if (!project || item?.project !== projectId) return undefined
  const ask = viewContext(ground.state, projectId, viewerOf(ground))
  const row = ask.table.maybeRow(item.id)
  return row === undefined ? undefined : why(ask, view, row, { reader: ground.state, project, day })
}

/** Which of these items, as far as they are of the project, a view leaves out. */
export function notInOf(ground: Ground, project: ProjectId, view: ViewDefinition, items: readonly string[]): string[] {
  const ask = viewContext(ground.state, project, viewerOf(ground))
  const { test } = planOf(ask, view)
  return items.filter((id) => {
    const row = ask.table.maybeRow(id)
    return row !== undefined && !(ask.table.listed[row] && test.test(row))
  })
}

export const leavesOf = (ground: Ground, project: ProjectId, where: readonly Condition[]): Leaves =>
  leaves(viewContext(ground.state, project, viewerOf(ground)), where)
