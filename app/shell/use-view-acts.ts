import { useRouter } from 'vue-router'
import type { Project, View } from '#core/model/records'
import { isOwn, useDirectory } from '../data/directory'
import { useCsv } from '../parts/use-csv'
import { useViews } from '../data/views'
import type { Act } from '../parts/ActMenu.vue'
import { useViewOrder } from './use-view-order'
import { frameWords, viewActWords } from './words'
import { viewWords } from '../view-layouts/words'

/** What can be done with a view from where it is listed. `open` opens what is asked about one, or about another made like it. */
export function useViewActs(open: (asked: { of?: View; from?: View } | { tries: View }) => void) {
  const views = useViews()
  const directory = useDirectory()
  const router = useRouter()
  const takeOut = useCsv()
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
      ...(router.currentRoute.value.params.view === view.id
        ? []
        : [{ label: frameWords.open, do: () => void router.push(`/app/${project.prefix}/${view.id}`) }]),
      ...(mayKeep ? [{ label: viewActWords.about, do: () => open({ of: view }) }] : []),
      { label: viewActWords.another, do: () => open({ from: view }) },
      ...(mayKeep && fellows[0]?.id !== view.id
        ? [{ label: viewActWords.first, do: () => put(view, fellows[0] ?? null, fellows, null) }]
        : []),
      { label: viewActWords.tryAs, do: () => open({ tries: view }) },
      { label: viewActWords.csv, do: () => void takeOut(view, 'values') },
      { label: viewActWords.csvShown, do: () => void takeOut(view, 'shown') },
      { label: viewActWords.print, do: () => void router.push(`/app/${project.prefix}/print/${view.id}`) },
      ...(mayKeep ? [{ label: viewWords.removeView, do: () => void remove(project, view) }] : []),
    ]
  }
}
