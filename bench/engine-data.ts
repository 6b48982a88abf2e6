/** Items, fields and views that the engine is measured with, always the same. */
import { fromDayNumber } from '#core/base/dates'
import type { Condition, FactRef, FieldId, Item, ProjectId } from '#core/model/records'
import { State } from '#core/model/state'
import type { ViewQuestion } from '#core/views/evaluate'
import type { Viewer } from '#core/facts/viewer'

/** A source of chance that always says the same (mulberry32). */
export function chanceOf(seed: number): () => number {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) | 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

export const today = 20_000
export const viewer: Viewer = { me: 'person-07' as never, today: fromDayNumber(today) }
export const people = Array.from({ length: 50 }, (_, i) => `person-${String(i + 1).padStart(2, '0')}`)
const statusNames = ['noted', 'sorted', 'ready', 'in hand', 'being checked', 'held up', 'accepted', 'set aside']
const phases = ['waiting', 'waiting', 'waiting', 'active', 'active', 'waiting', 'finished', 'dropped'] as const
const optionsOf: Readonly<Record<string, readonly string[]>> = {
  priority: ['top', 'high', 'mid', 'low', 'none'],
  zone: ['north', 'east', 'south', 'west', 'core', 'edge'],
  risk: ['none', 'low', 'mid', 'high'],
  tags: Array.from({ length: 24 }, (_, i) => `tag ${i}`),
}
const types = {
  priority: 'oneOption', assignees: 'people', reviewer: 'people', effort: 'number', cost: 'number', start: 'date', due: 'date',
  done: 'checkbox', tags: 'severalOptions', zone: 'oneOption', risk: 'oneOption',
} as const // prettier-ignore

export const project = 'project-1' as ProjectId

/** Everything but the items. */
export function emptyProject(): State {
  const state = new State()
  const at = (id: string, i: number) => ({ id: id as never, project, rank: `a${i}`, archived: false })
  state.put('workspace', 'w', {
    id: 'w',
    name: 'w',
    timeZone: 'UTC',
    workingWeek: [1, 2, 3, 4, 5],
    demo: false,
  })
  for (const id of people) state.put('person', id, { id, name: id, email: null, role: 'contributor', colour: 'moss', hours: [480, 480, 480, 480, 480, 0, 0], active: true } as never) // prettier-ignore
  state.put('workflow', 'w', { id: 'w' as never, project, name: 'w', start: 'status 0' as never })
  state.put('kind', 'k', { ...at('k', 1), workflow: 'w' as never, name: 'task', icon: 'task' })
  statusNames.forEach((name, i) => {
    const id = `status ${i}`
    state.put('status', id, { ...at(id, i), name, phase: phases[i]!, colour: 'moss' })
    const step = { id: `w/${id}` as never, workflow: 'w' as never, status: id as never, rank: `a${i}` }
    state.put('step', step.id, { ...step, turn: { of: 'assignees' } })
  })
  Object.entries(types).forEach(([id, type], i) => {
    const settings = type === 'number' ? { decimals: 2 } : {}
    state.put('field', id, { ...at(id, i), name: id, help: '', type, settings })
    optionsOf[id]?.forEach((label, k) => {
      const option = `${id} ${label}`
      state.put('option', option, {
        id: option as never,
        field: id as never,
        label,
        colour: 'moss',
        rank: `a${String(k).padStart(2, '0')}`,
        archived: false,
      })
    })
  })
  const uses = {
    assignees: 'assignees',
    reviewer: 'reviewer',
    effort: 'effort',
    start: 'start',
    due: 'due',
    need: null,
  }
  state.put('project', project, { id: project, name: 'p', prefix: 'PRO', oldPrefixes: [], colour: 'moss', rank: 'a0', archived: false, uses: uses as never, nextNumber: 1 }) // prettier-ignore
  return state
}

/** `n` items in a tree of up to five levels, with sixteen facts each. */
export function itemsOf(n: number, seed = 42): Item[] {
  const chance = chanceOf(seed)
  const int = (k: number) => Math.floor(chance() * k)
  const pick = <T>(list: readonly T[]): T => list[int(list.length)]!
  const syllables = 'ka lo mi ren tos vel dra pun sho qui bar net fin gul hem jor wex zan ate ion'.split(' ')
  const vocabulary = Array.from({ length: 700 }, () => {
    let word = ''
    for (let k = 1 + int(3); k >= 0; k--) word += pick(syllables)
    const q = chance()
    if (q < 0.06) return word.replace('e', 'é').replace('o', 'ö')
    return q < 0.2 ? word[0]!.toUpperCase() + word.slice(1) : q < 0.24 ? `${word}${int(100)}` : word
  })
  const wide = ['план', 'задача', '設計', '検討', 'отчёт', 'сводка', 'Łódź']
  const id = (i: number) => `00000000-0000-7000-8000-${i.toString(16).padStart(12, '0')}`
  const perm = Int32Array.from({ length: n }, (_, i) => i)
  for (let i = n - 1; i > 0; i--) {
    const j = int(i + 1)
    ;[perm[i], perm[j]] = [perm[j]!, perm[i]!]
  }
  const [depth, parent] = [new Uint8Array(n), new Int32Array(n).fill(-1)]
  for (let k = Math.max(5, Math.floor(n * 0.03)); k < n; k++) {
    const above = perm[int(k)]!
    if (chance() < 0.1 || depth[above]! >= 4) continue
    parent[perm[k]!] = above
    depth[perm[k]!] = depth[above]! + 1
  }
  const ranks = new Set<string>()
  const letters = '0123456789abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ'
  while (ranks.size < n) ranks.add(Array.from({ length: 4 + int(5) }, () => pick([...letters])).join(''))
  const rank = [...ranks]
  const weighted = <T>(list: readonly T[], weights: readonly number[]): T => {
    let [x, i] = [chance(), 0]
    while ((x -= weights[i]!) > 0 && i < weights.length - 1) i++
    return list[i]!
  }
  const some = (list: readonly string[]) => [...new Set(Array.from({ length: int(4) }, () => pick(list)))].sort()
  const maybe = <T>(share: number, value: T): T | undefined => (chance() < share ? undefined : value)
  let last = 'start'
  return Array.from({ length: n }, (_, i): Item => {
    if (chance() >= 0.02) {
      const words = Array.from({ length: 3 + int(5) }, () => pick(vocabulary))
      if (chance() < 0.02) words.splice(int(words.length), 0, pick(wide))
      if (chance() < 0.01) words[int(words.length)] += chance() < 0.5 ? 'xyz' : 'Xyz'
      last = words.join(' ')
    }
    const created = new Date((today - 400 + int(400)) * 86_400_000 + int(86_400_000)).toISOString()
    const option = (field: string) => `${field} ${pick(optionsOf[field]!)}`
    const values = {
      priority: maybe(0.1, `priority ${weighted(optionsOf.priority!, [0.07, 0.2, 0.4, 0.23, 0.1])}`),
      assignees: some(people), reviewer: maybe(0.4, [pick(people)]), effort: maybe(0.2, (1 + int(80)) * 25), cost: maybe(0.3, int(40_000) * 25),
      start: maybe(0.4, fromDayNumber(today - 150 + int(300))), due: maybe(0.25, fromDayNumber(today - 160 + int(340))), done: maybe(0.65, true),
      tags: some(optionsOf.tags!.map((tag) => `tags ${tag}`)), zone: maybe(0.05, option('zone')), risk: maybe(0.3, option('risk')),
    } // prettier-ignore
    const held = Object.fromEntries(Object.entries(values).filter(([, one]) => one !== undefined && !(Array.isArray(one) && !one.length))) // prettier-ignore
    return {
      id: id(i) as never, project, number: i + 1, kind: 'k' as never, title: last, status: `status ${weighted([0, 1, 2, 3, 4, 5, 6, 7], [0.15, 0.14, 0.09, 0.14, 0.07, 0.04, 0.31, 0.06])}` as never,
      parent: (parent[i]! < 0 ? null : id(parent[i]!)) as never, rank: rank[i]!, siblingRank: rank[i]!.slice(0, 4), values: held as never, stay: `${id(i)}/1` as never,
      statusSince: created, phaseSince: created, activeDays: 0, started: null, finished: null, archived: null, created, createdBy: pick(people) as never, changed: created, changedBy: pick(people) as never,
    } // prettier-ignore
  })
}

const field = (id: string): FactRef => ({ fact: 'field', field: id as FieldId })
const anyOf = (fact: FactRef, ...values: string[]): Condition => ({
  about: 'fact' as const,
  fact,
  test: { is: 'anyOf' as const, values },
})
const isUnfinished = { about: 'none' as const, of: [anyOf({ fact: 'status' }, 'status 6', 'status 7')] }
const isUrgent = {
  about: 'any' as const,
  of: [
    {
      about: 'fact' as const,
      fact: field('due'),
      test: { is: 'days' as const, from: null, to: { of: 'day' as const, n: 6 } },
    },
    anyOf(field('priority'), 'priority top'),
  ],
}
const isMine = { about: 'any' as const, of: [anyOf(field('assignees'), 'me'), anyOf(field('reviewer'), 'me')] }
const byZone = {
  group: [{ by: field('zone') }, { by: { fact: 'status' as const } }],
  sort: [{ by: field('due'), down: false }, { by: { fact: 'title' as const }, down: false }],
  totals: [{ name: 'count' as const }, { name: 'sum' as const, of: field('effort') }],
} // prettier-ignore

/** The views of the budgets. */
export const views: Readonly<Record<'V1' | 'V1w' | 'V2' | 'V3', ViewQuestion>> = {
  V1: { where: [isMine, isUnfinished, isUrgent], ...byZone },
  V1w: { where: [isUnfinished, isUrgent], ...byZone },
  V2: {
    where: [{ about: 'fact', fact: { fact: 'title' }, test: { is: 'has', words: 'xyz' } }],
    group: [],
    sort: [{ by: field('cost'), down: true }],
    totals: [],
  },
  V3: {
    where: [],
    group: [{ by: { fact: 'status' } }],
    sort: [{ by: { fact: 'rank' }, down: false }],
    totals: byZone.totals,
  },
}
