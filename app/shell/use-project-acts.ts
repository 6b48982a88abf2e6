import { useRouter } from 'vue-router'
import type { Project } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import type { Act } from '../parts/ActMenu.vue'
import { projectWords } from './project-words'
import { frameWords } from './words'

/** What can be done with a project from where it is listed. `name` asks for another name, `erase` whether it is to go for good. */
export function useProjectActs(
  name: (project: Project) => void,
  keep: (project: Project) => void,
  erase: (project: Project) => void,
  makeView: (project: Project) => void,
) {
  const directory = useDirectory()
  const changes = useChanges()
  const router = useRouter()
  function moves(project: Project): Act[] {
    const all = directory.projects
    const at = all.findIndex((other) => other.id === project.id)
    const put = (before: Project | undefined): void =>
      void changes.send({ type: 'project.order', target: project.id, before: before?.id ?? null })
    return [
      { label: projectWords.up, isOff: at === 0, do: () => put(all[at - 1]) },
      { label: projectWords.down, isOff: at === all.length - 1, do: () => put(all[at + 2]) },
    ]
  }
  async function archive(project: Project): Promise<void> {
    if (!(await changes.send({ type: 'project.remove', target: project.id, how: {} }))) return
    if (router.currentRoute.value.path.startsWith(`/app/${project.prefix}/`)) await router.push('/app')
  }
  const acts = (project: Project): Act[] => [
    { label: projectWords.newView, do: () => makeView(project) },
    { label: projectWords.howItWorks, do: () => void router.push(`/app/${project.prefix}/set-up/statuses`) },
    ...(directory.may('change items', project.id)
      ? [{ label: frameWords.bringIn, do: () => void router.push(`/app/${project.prefix}/bring-in`) }]
      : []),
    { label: projectWords.bin, do: () => void router.push(`/app/${project.prefix}/bin`) },
    ...(directory.may('set up project', project.id)
      ? [
          { label: projectWords.rename, do: () => name(project) },
          ...(project.pattern ? [] : moves(project)),
          { label: projectWords.archive, do: () => void archive(project) },
        ]
      : []),
    ...(directory.may('start projects') && !project.pattern
      ? [{ label: projectWords.keepAs, do: () => keep(project) }]
      : []),
    ...erasing(project),
  ]
  /** For owners alone. */
  const erasing = (project: Project): Act[] =>
    directory.may('delete for good') ? [{ label: projectWords.delete(project.name), do: () => erase(project) }] : []
  /** What brings an archived project back, or deletes it, for each that one may set up. */
  const restoring = (): Act[] =>
    [...directory.reader.all('project')]
      .filter((project) => project.archived && directory.may('set up project', project.id))
      .flatMap((project) => [
        {
          label: projectWords.restore(project.name),
          do: () =>
            void changes.send({
              type: 'project.set',
              target: project.id,
              set: { archived: { from: true, to: false } },
            }),
        },
        ...erasing(project),
      ])
  /** Opens what is kept as a pattern: it stands in the index for as long as it is looked at. */
  const opening = (): Act[] =>
    directory.patterns.flatMap((project) => {
      const view = directory.views(project.id)[0]
      return view ? [{ label: projectWords.openPattern(project.name), do: () => void router.push(`/app/${project.prefix}/${view.id}`) }] : [] // prettier-ignore
    })
  return { acts, restoring, opening }
}
