import type { Project } from '#core/model/records'
import type { Names } from './ProjectNames.vue'

/** What of a project's names changes; undefined where nothing does. */
export function changeSet(held: Project, { name, prefix }: Names) {
  const set = {
    ...(name !== held.name && { name: { from: held.name, to: name } }),
    ...(prefix !== held.prefix && { prefix: { from: held.prefix, to: prefix } }),
  }
  return Object.keys(set).length ? set : undefined
}
