import * as z from 'zod/mini'
import * as ids from '../base/id-schemas'
import { inPieces, type Pieces } from '../base/pieces'
import { must, problem, type Result } from '../base/result'
import { whole } from '../base/schemas'
import { refusal } from '../access/access'
import { applied, defineCommand, usualBytes, type Applied } from '../change/command'
import type { Change } from '../change/patch'
import { stayOf } from '../items/changes'
import { entitiesHeld, entityOf, projectOf } from '../model/entities'
import type { Reader } from '../model/reader'
import type { EntityName, ProjectId, Records } from '../model/records'
import { unmade } from '../setup/record-commands'

/** How many items a project holds, archived ones among them. */
export function itemsHeld(reader: Reader, project: ProjectId): number {
  let n = 0
  for (const _row of reader.table(project).rows()) n++
  return n
}

/**
 * Deletes a project with everything in it, for good: nothing undoes it. `items`: how many it holds, which whoever does it
 * has to know. As large as the project is.
 */
export const deleteProject = defineCommand({
  type: 'projects.delete',
  v: 1,
  body: z.object({ project: ids.projectId, items: whole() }),
  mostBytes: usualBytes + 1,
  refusedAnywhere: (reader, by) => refusal(reader, by, 'delete for good'),
  projects: (_reader, { project }) => [project],
  check(reader, { project, items }, { by }) {
    if (!reader.maybe('project', project)) return problem('gone')
    const held = itemsHeld(reader, project)
    return (
      refusal(reader, by, 'delete for good') ??
      (held === items
        ? undefined
        : problem('other-count', { held, name: reader.maybe('project', project)?.name ?? '' }))
    )
  },
  *apply(reader, { project }): Pieces<Result<Applied>> {
    const patch: Change[] = within(reader, 'link', project)
    yield* inPieces([...reader.itemsOf(project)], (item) => {
      patch.push(unmade('item', item), unmade('stay', stayOf(item)))
    })
    for (const entity of entitiesHeld('directory'))
      if (entity !== 'project') patch.push(...within(reader, entity, project))
    patch.push(unmade('project', must(reader.maybe('project', project), 'project')))
    return applied(patch)
  },
})

const within = <E extends EntityName>(reader: Reader, entity: E, project: ProjectId): Change[] =>
  [...reader.all(entity)]
    .filter((record) => projectOf(entityOf(entity).scope(record, reader)) === project)
    .map((record) => unmade(entity, record as Records[E] & { readonly id: string }))
