import { useRouter } from 'vue-router'
import type { Project, View } from '#core/model/records'
import { useDirectory } from '../data/directory'
import { useViews } from '../data/views'
import type { Act } from '../parts/ActMenu.vue'
import { frameWords } from './words'
import { viewWords } from '../view-layouts/words'

/** What can be done with a view from where it is listed. */
export function useViewActs() {
  const views = useViews()
  const router = useRouter()
  const directory = useDirectory()
  /** Whoever looks at it goes on to the next. */
  async function remove(project: Project, view: View): Promise<void> {
    if (!(await views.remove(view)) || router.currentRoute.value.params.view !== view.id) return
    const [next] = directory.views(project.id).filter(({ id }) => id !== view.id)
    await router.push(next ? `/app/${project.prefix}/${next.id}` : '/app')
  }
  return (project: Project, view: View): Act[] => [
    { label: frameWords.open, do: () => void router.push(`/app/${project.prefix}/${view.id}`) },
    ...(directory.mayKeep(view) ? [{ label: viewWords.removeView, do: () => void remove(project, view) }] : []),
  ]
}
