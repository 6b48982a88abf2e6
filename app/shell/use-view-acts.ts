import { useRouter } from 'vue-router'
import type { Project, View } from '#core/model/records'
import { isOwn } from '../data/directory'
import { useViews } from '../data/views'
import type { Act } from '../parts/ActMenu.vue'
import { frameWords } from './words'
import { viewWords } from '../view-layouts/words'

/** What can be done with a view from where it is listed. */
export function useViewActs() {
  const views = useViews()
  const router = useRouter()
  return (project: Project, view: View): Act[] => [
    { label: frameWords.open, do: () => void router.push(`/app/${project.prefix}/${view.id}`) },
    ...(isOwn(view) ? [{ label: viewWords.removeView, do: () => void views.remove(view) }] : []),
  ]
}
