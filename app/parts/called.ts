import { calledIn, type BuiltIn } from '#core/model/called'
import type { ProjectId } from '#core/model/records'
import type { useDirectory } from '../data/directory'
import { tableWords } from '../view-layouts/words'

/** How a project heads title or status. */
export const headOf = (
  { reader }: ReturnType<typeof useDirectory>,
  project: ProjectId | undefined,
  of: BuiltIn,
): string => calledIn(reader.maybe('project', project ?? ''), of) ?? tableWords[of]
