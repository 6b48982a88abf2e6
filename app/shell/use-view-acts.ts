import { useRouter } from 'vue-router'
import type { Project, View } from '#core/model/records'
import { isOwn, useDirectory } from '../data/directory'
import { useViews } from '../data/views'
import type { Act } from '../parts/ActMenu.vue'
import { useViewOrder } from './use-view-order'
import { frameWords, viewActWords } from './words'
import { viewWords } from '../view-layouts/words'

/** What can be done with a view from where it is listed. `ask` opens what is asked about one, or about another made like it. */
export function useViewActs(ask: (asked: { project: Project; of?: View; from?: View }) => void) {
  const views = useViews()
  const directory = useDirectory()
  const router = useRouter()
  const { put } = useViewOrder()
  /** Whoever looks at it goes on to the next. */
  async function remove(project: Project, view: View): Promise<void> {
    if (!(await views.remove(view)) || router.currentRoute.value.params.view !== view.id) return
    const [next] = directory.views(project.id).filter(({ id }) => id !== view.id)
    await router.push(next ? `/app/${project.prefix}/${next.id}` : '/app')
  }
  return (project: Project, view: View): Act[] => {
    const fellows = directory.views(project.id).filter((one) => isOwn(one) === isOwn(view))
    const mayKeep = directory.mayKeep(view)
    return [
      { label: frameWords.open, do: () => void router.push(`/app/${project.prefix}/${view.id}`) },
      ...(mayKeep ? [{ label: viewActWords.about, do: () => ask({ project, of: view }) }] : []),
      { label: viewActWords.another, do: () => ask({ project, from: view }) },
      ...(mayKeep && fellows[0]?.id !== view.id
        ? [{ label: viewActWords.first, do: () => put(view, fellows[0] ?? null, fellows, null) }]
        : []),
      ...(mayKeep ? [{ label: viewWords.removeView, do: () => void remove(project, view) }] : []),
    ]
  }
}
