import { defineStore } from 'pinia'
import { computed, shallowRef, type ComputedRef, type ShallowRef } from 'vue'
import type { Names } from '#core/fields/contract'
import { isSameValue } from '#core/base/sorted-ids'
import { viewSections } from '#core/model/listed-views'
import { compareRanked } from '#core/base/ranked'
import { may as mayDo } from '#core/access/access'
import type { ProjectAct, WorkspaceAct } from '#core/access/acts'
import { personActor } from '#core/change/actor'
import { fieldsOf, kindsOf, patternsOf, projectsInOrder, statusesOf } from '#core/model/reader'
import type { EntityName, Person, Project, ProjectId, Records, Status, View } from '#core/model/records'
import { State } from '#core/model/state'
import { changeRefusal } from '#core/access/changing'
import { shareOfStatus } from '#core/model/workflow'
import type { DirectoryAnswer } from '#core/queries/directory'
import { answerIn } from '#core/queries/page-seed'
import { useItemNames } from './item-names'
import { pageSeed } from './page-seed'
import { openQuery } from './open-query'
import { useSession } from './session'

/** All that is no item: people, projects, kinds, fields, statuses, boards, views, as the worker last answered. */
export const useDirectory = defineStore('directory', () => {
  const { answer, reader, ...followed } = answeredByWorker(useSession(), useItemNames().nameOf)
  const today = computed(() => answer.value?.today ?? '1970-01-01')
  const me = computed(() => reader.value.maybe('person', answer.value?.me ?? ''))
  return { answer, reader, ...followed, today, me, ...projectsIn(reader), ...mayBy(reader, me) }
})

/** The directory as it is answered, first along with the page and then by the worker. */
function answeredByWorker(session: ReturnType<typeof useSession>, nameOf: Names['item']) {
  const answer = shallowRef<DirectoryAnswer>()
  const reader = shallowRef(new State(nameOf))
  const inTurn = shallowRef(0)
  /** The browser's. */
  const language = shallowRef('en')
  let setReady: () => void = () => {}
  /** Once everything is there for the first time. */
  const ready = new Promise<void>((resolve) => (setReady = resolve))

  function follow(): void {
    language.value = pageSeed()?.language ?? language.value
    const known = import.meta.server && answerIn(pageSeed(), 'directory', undefined)
    if (known) take(known)
    if (!session.api) return
    openQuery(session.api, { query: 'directory', input: undefined }).hear((now) => take(now as DirectoryAnswer))
    openQuery(session.api, { query: 'inTurn', input: undefined }).hear((now) => (inTurn.value = now as number))
  }
  function take(now: DirectoryAnswer): void {
    if (isSameValue(answer.value, now)) return
    const state = new State(nameOf)
    for (const [entity, records] of Object.entries(now.records))
      for (const record of records) state.put(entity as EntityName, record.id, record as Records[EntityName])
    reader.value = state
    answer.value = now
    setReady()
  }
  return { answer, reader, inTurn, language, ready, isReady: computed(() => !!answer.value), follow }
}

/** What there is in each project. */
function projectsIn(reader: ShallowRef<State>) {
  const projects = computed(() => projectsInOrder(reader.value))
  const patterns = computed(() => patternsOf(reader.value))
  /** How far along its workflow each status is. */
  const shares = computed(
    () => new Map([...reader.value.all('status')].map((status) => [status.id, shareOfStatus(reader.value, status)])),
  )
  return {
    projects,
    /** Kept for new projects to begin with. */
    patterns,
    byPrefix: (prefix: string): Project | undefined =>
      [...projects.value, ...patterns.value].find((project) => project.prefix === prefix.toUpperCase() || project.oldPrefixes.includes(prefix.toUpperCase())), // prettier-ignore
    /** As the index lists them: the shared ones, then one's own. */
    views: (project: ProjectId): View[] => {
      const all = [...reader.value.all('view')].filter((view) => view.project === project && !view.archived)
      const shared = viewSections(all.filter((view) => !isOwn(view))).flatMap(({ views }) => views)
      return [...shared, ...all.filter(isOwn).sort(compareRanked)]
    },
    /** Those in the bin, the latest first. */
    binnedViews: (project: ProjectId): View[] =>
      [...reader.value.all('view')]
        .filter((view) => view.project === project && view.archived)
        .sort((a, b) => (a.archived! < b.archived! ? 1 : -1)),
    fields: (project: ProjectId) => fieldsOf(reader.value, project),
    kinds: (project: ProjectId) => kindsOf(reader.value, project),
    statuses: (project: ProjectId) => statusesOf(reader.value, project),
    /** What a status's leaf shows. */
    share: (status: Status): number => shares.value.get(status.id) ?? 0,
  }
}

/** What this person may do. */
function mayBy(reader: ShallowRef<State>, me: ComputedRef<Person | undefined>) {
  /** An act of the workspace, or one in a project. */
  function may(act: WorkspaceAct): boolean
  function may(act: ProjectAct, project: ProjectId): boolean
  function may(act: WorkspaceAct | ProjectAct, project?: ProjectId): boolean {
    if (!me.value) return false
    const by = personActor(me.value.id)
    return project === undefined
      ? mayDo(reader.value, by, act as WorkspaceAct)
      : mayDo(reader.value, by, act as ProjectAct, project)
  }
  const mayKeep = (view: View): boolean =>
    !!me.value && !changeRefusal(reader.value, personActor(me.value.id), 'view', view)
  return { may, mayKeep }
}

/** One's own, seen by nobody else. */
export const isOwn = (view: View): boolean => view.audience.of === 'maker'
