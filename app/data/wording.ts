import { computed, type ComputedRef } from 'vue'
import type { Project, ProjectId } from '#core/model/records'
import type { Wording } from '#core/language/wording'
import { dayWords } from '../dates'
import { useDirectory } from './directory'

/** How a view of a project is said here: by the directory's names, days as the browser writes them. */
export function useWording(project: () => ProjectId | undefined): ComputedRef<Wording | undefined> {
  const directory = useDirectory()
  return computed(() => {
    const found: Project | undefined = directory.reader.maybe('project', project() ?? '')
    const { reader, language, today } = directory
    return found && { reader, project: found, day: (date: string) => dayWords(date, language, today) }
  })
}
