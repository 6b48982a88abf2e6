import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { isSameValue } from '#core/base/sorted-ids'
import { isAtLeast, roleIn } from '#core/access/access'
import { boardOf, fieldsOf, kindsOf, projectsInOrder, statusesOf } from '#core/model/reader'
import type { EntityName, Project, ProjectId, Records, Role, Status, View } from '#core/model/records'
import { State } from '#core/model/state'
import { answerIn } from '#core/questions/page-seed'
import type { Answers } from '#core/questions/questions'
import { pageSeed } from '../replica/page-seed'
import { ask } from '../replica/asked'
import { useSession } from './session'

/** All that is no item: people, projects, kinds, fields, statuses, boards, views, as the worker last told them. */
export const useDirectory = defineStore('directory', () => {
  const session = useSession()
  const told = shallowRef<Answers['directory']>()
  const reader = shallowRef(new State())

  const inTurn = shallowRef(0)
  /** The browser's. */
  const language = shallowRef('en')

  function follow(): void {
    language.value = pageSeed()?.language ?? language.value
    if (import.meta.server) take(answerIn(pageSeed(), { ask: 'directory' }) as Answers['directory'])
    if (!session.api) return
    ask(session.api, { ask: 'directory' }).hear((told) => take(told as Answers['directory']))
    ask(session.api, { ask: 'counts' }).hear((told) => (inTurn.value = (told as Answers['counts']).inTurn))
  }

  function take(answer: Answers['directory']): void {
    if (isSameValue(told.value, answer)) return
    const state = new State()
    for (const [entity, records] of Object.entries(answer.records))
      for (const record of records) state.put(entity as EntityName, record.id, record as Records[EntityName])
    reader.value = state
    told.value = answer
    setReady()
  }

  let setReady: () => void = () => {}
  /** Once everything has been told for the first time. */
  const ready = new Promise<void>((resolve) => (setReady = resolve))
  const isReady = computed(() => !!told.value)
  const projects = computed(() => projectsInOrder(reader.value))
  const today = computed(() => told.value?.today ?? '1970-01-01')
  const me = computed(() => reader.value.maybe('person', told.value?.me ?? ''))

  const byPrefix = (prefix: string): Project | undefined =>
    projects.value.find((one) => one.prefix === prefix.toUpperCase() || one.oldPrefixes.includes(prefix.toUpperCase()))
  const views = (project: ProjectId): View[] =>
    [...reader.value.all('view')]
      .filter((view) => view.project === project)
      .sort((a, b) => Number(!!a.owner) - Number(!!b.owner) || a.order - b.order || (a.id < b.id ? -1 : 1))
  const fields = (project: ProjectId) => fieldsOf(reader.value, project)
  const kinds = (project: ProjectId) => kindsOf(reader.value, project)
  const statuses = (project: ProjectId) => statusesOf(reader.value, project)
  const board = (project: ProjectId) => boardOf(reader.value, project)
  const role = (project: ProjectId): Role | undefined =>
    me.value ? roleIn(reader.value, me.value.id, project) : undefined
  const isAllowed = (project: ProjectId, least: Role): boolean => isAtLeast(role(project), least)

  /** How far along its workflow each status is. */
  const shares = computed(() => {
    const all = [...reader.value.all('status')].sort((a, b) => a.order - b.order)
    return new Map(all.map((status) => [status.id, shareOf(status, all)]))
  })
  /** What a status's leaf shows. */
  const share = (status: Status): number => shares.value.get(status.id) ?? 0

  return {
    told,
    inTurn,
    language,
    reader,
    ready,
    isReady,
    projects,
    today,
    me,
    follow,
    byPrefix,
    views,
    fields,
    kinds,
    statuses,
    board,
    role,
    isAllowed,
    share,
  }
})

function shareOf(status: Status, all: readonly Status[]): number {
  if (status.phase === 'dropped') return -1
  if (status.phase === 'waiting') return 0
  if (status.phase === 'finished') return 1
  const active = all.filter((one) => one.workflow === status.workflow && one.phase === 'active')
  return active.length === 1 ? 0.5 : 0.4 + (0.3 * active.indexOf(status)) / (active.length - 1)
}
