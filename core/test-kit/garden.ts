/** A small project that is known by heart, and views of it asked in plain words. */
import type { PersonId } from '../base/ids'
import { must } from '../base/result'
import { fieldsOf, kindsOf, statusesOf } from '../model/reader'
import type { FieldId, Item, ViewDefinition } from '../model/records'
import type { GroupValue } from '../views/axes'
import { LiveView, type Group } from '../views/live'
import { viewContext, type ViewContext } from '../facts/contract'
import { parse, withPhrases } from '../language/grammar'
import { maybeNamed } from '../language/names'
import type { Wording } from '../language/wording'
import { smallWorkspace, today, type Small } from './workspace'

/** An item in few words; names instead of ids. */
interface Sketch {
  readonly title: string
  readonly status?: string
  readonly inside?: string
  readonly assignees?: readonly string[]
  readonly reviewer?: string
  readonly due?: string
  /** Hundredths of an hour. */
  readonly effort?: number
  readonly need?: string
  readonly tags?: readonly string[]
  readonly signedOff?: true
  readonly created?: string
  readonly since?: string
  readonly archived?: true
}

const sketches: readonly Sketch[] = [
  { title: 'Reopen the palm court', status: 'Ready', due: '2026-12-18', created: '2026-10-01' },
  { title: 'Reseat brackets', status: 'In hand', inside: 'Reopen the palm court', assignees: ['Hamid'], due: '2026-11-20', effort: 300, need: 'must', tags: ['heritage'], created: '2026-10-01' },
  { title: 'Prime the ribs', status: 'Being checked', inside: 'Reopen the palm court', assignees: ['Hamid', 'Imke'], reviewer: 'Séverine', due: '2026-11-25', effort: 250, need: 'should', tags: ['heritage', 'wet trade'], created: '2026-10-02' },
  { title: 'Photograph valves', status: 'Accepted', inside: 'Reseat brackets', assignees: ['Imke'], due: '2026-11-18', effort: 100, need: 'must', signedOff: true, since: '2026-11-18' },
  { title: 'Pane 2', inside: 'Reopen the palm court', due: '2026-11-30', effort: 1000, need: 'could' },
  { title: 'Pane 10', need: 'could', tags: ['public'] },
  { title: 'Élan vent winder', assignees: ['Yuki'], due: '2026-12-01', effort: 425, need: 'not now' },
  { title: 'Old glass', status: 'Set aside', effort: 700 },
  { title: 'Sow ferns', status: 'Ready', assignees: ['Séverine'], due: '2026-12-09', effort: 0, since: '2026-11-10', created: '2026-11-02' },
  { title: 'Archived bench', status: 'Ready', archived: true },
] // prettier-ignore

export interface Garden extends Small {
  readonly wording: Wording
  readonly items: Readonly<Record<string, Item>>
  idOf(name: string): string
  fieldId(name: string): FieldId
  askedBy(who: string): ViewContext
  /** The view that words say, of which every word must be understood. */
  view(words: string): ViewDefinition
  /** Who looks is Séverine, if nobody else is named. */
  live(words: string, who?: string): LiveView
  /** Titles in order. */
  titles(words: string, who?: string): string[]
  /** A view's groups in plain words, with how many items each has and its totals, those inside indented. */
  groups(words: string, who?: string): string[]
}

export function garden(): Garden {
  const small = smallWorkspace()
  const { state, project, people, ids } = small
  const wording: Wording = { reader: state, project, day: (date) => date }
  const fieldId = (name: string) => must(fieldsOf(state, project.id).find((field) => field.name === name), name).id // prettier-ignore
  const idOf = (name: string): string => {
    const statuses = statusesOf(state, project.id)
    const options = fieldsOf(state, project.id).flatMap((field) => state.optionsOf(field.id))
    const person = Object.values(people).find((one) => one.name === name)
    const found =
      person ?? statuses.find((status) => status.name === name) ?? options.find((option) => option.label === name)
    return must(found, name).id
  }
  const items: Record<string, Item> = {}
  sketches.forEach((sketch, i) => {
    const set = (field: string, value: unknown) => (value === undefined || value === null ? [] : [[fieldId(field), value]]) // prettier-ignore
    const several = (names: readonly string[] | undefined) => names?.map(idOf).sort()
    const since = `${sketch.since ?? '2026-11-23'}T10:00:00.000Z`
    const item = {
      id: ids.item(), project: project.id, number: i + 1, kind: kindsOf(state, project.id)[0]!.id, title: sketch.title, status: idOf(sketch.status ?? 'Noted'),
      parent: sketch.inside ? items[sketch.inside]!.id : null, rank: `a${i}`, siblingRank: `a${i}`, stay: 'x', statusSince: since, phaseSince: since, activeDays: i % 4, started: null,
      finished: sketch.status === 'Accepted' || sketch.status === 'Set aside' ? since : null, archived: sketch.archived ? since : null,
      created: `${sketch.created ?? '2026-11-24'}T08:00:00.000Z`, createdBy: people.owner.id, changed: since, changedBy: people.lead.id,
      values: Object.fromEntries([
        ...set('assignees', several(sketch.assignees)), ...set('reviewer', several(sketch.reviewer ? [sketch.reviewer] : undefined)), ...set('due', sketch.due), ...set('effort', sketch.effort),
        ...set('need', sketch.need && idOf(sketch.need)), ...set('tags', several(sketch.tags)), ...set('signed off', sketch.signedOff),
      ]),
    } as unknown as Item // prettier-ignore
    items[sketch.title] = item
    state.put('item', item.id, item)
  })
  const askedBy = (who: string) => viewContext(state, project.id, { me: idOf(who) as PersonId, today })
  const view = (words: string): ViewDefinition => {
    const { understood, left } = parse(words, wording)
    if (left.length) throw new Error(`not understood in “${words}”: ${left.map((one) => one.words).join(', ')}`)
    const bare: ViewDefinition = { v: 3, layout: 'table', where: [], group: [], sort: [], totals: [], show: [] }
    return withPhrases(
      bare,
      understood.map((one) => one.phrase),
      wording,
    )
  }
  const live = (words: string, who = 'Séverine') => new LiveView(view(words), askedBy(who))
  const titleOf = (row: number) => state.table(project.id).title.a[row]!
  return {
    ...small, wording, items, idOf, fieldId, askedBy, view, live,
    titles: (words, who) => Array.from(live(words, who).inOrder(), titleOf),
    groups(words, who) {
      const { group } = view(words)
      const name = (value: GroupValue, level: number) =>
        typeof value === 'string' ? (maybeNamed(state, project, group[level]!.by, value)?.name ?? value) : value
      const tell = (all: readonly Group[], level: number): string[] =>
        all.flatMap((one) => [
          `${'  '.repeat(level)}${name(one.value, level) ?? '–'} ${one.count}${one.totals.map((total) => ` ${total ?? '–'}`).join('')}`,
          ...tell(one.groups, level + 1),
        ])
      return tell(live(words, who).groups, 0)
    },
  } // prettier-ignore
}
