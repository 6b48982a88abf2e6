import * as z from 'zod/mini'
import { name } from '../../base/schemas'
import * as ids from '../../base/id-schemas'
import { problem } from '../../base/result'
import type { Change } from '../../change/patch'
import { changeOf, changeStatus, stamp, StayIds } from '../../items/changes'
import { kindIcons } from '../../model/names'
import { defaultsRefusal } from '../../items/fallbacks'
import { kindsOf, maybeStep, startOfKind } from '../../model/reader'
import { defaultsRecord, groupsRecord, insideRecord, kindRecord, showsRecord } from '../../model/schemas'
import { recordCommands, unmade } from '../../setup/record-commands'
import { archivedNow, itemsWith } from './in-project'

/** Adding, changing, removing and ordering the kinds of a project. */
export const kinds = recordCommands({
  entity: 'kind',
  record: kindRecord,
  id: ids.kindId,
  fields: {
    name,
    icon: z.enum(kindIcons),
    shows: showsRecord,
    inside: insideRecord,
    groups: groupsRecord,
    defaults: defaultsRecord,
  },
  siblings: (reader, kind) => kindsOf(reader, kind.project),
  called: (kind) => kind.name,
  check(reader, kind) {
    const isOurs = (one: { readonly project: string } | undefined) => one?.project === kind.project
    const known = isOurs(reader.maybe('workflow', kind.workflow))
    const fields = (kind.shows ?? []).every((id) => isOurs(reader.maybe('field', id)))
    const groups = (kind.groups ?? []).every(({ from }) => isOurs(reader.maybe('field', from)))
    const inside = (kind.inside ?? []).every((id) => id === kind.id || isOurs(reader.maybe('kind', id)))
    return known && fields && groups && inside
      ? defaultsRefusal(reader, kind.project, kind.defaults)
      : problem('other-project')
  },
  /** `to`: what its items become; those whose status that kind has not start over. */
  removal: z.object({ to: ids.kindId }),
  checkRemoval: (reader, kind, { to }) =>
    kindsOf(reader, kind.project).some((other) => other.id === to && to !== kind.id)
      ? undefined
      : problem('wrong-value', { field: 'to' }),
  remove(reader, kind, { to }, context) {
    const stays = new StayIds(context.command)
    const workflow = reader.maybe('kind', to)?.workflow
    const start = startOfKind(reader, to)
    const held = [...reader.all('columnStatus')].filter((one) => one.kind === kind.id)
    const items = itemsWith(reader, kind.project, (item) => item.kind === kind.id)
    return [
      archivedNow('kind', kind),
      ...held.map((one) => unmade('columnStatus', one)),
      ...items.flatMap((item): Change[] => [
        ...changeOf(item, 'kind', item.kind, to),
        ...(maybeStep(reader, workflow, item.status) || !start
          ? []
          : changeStatus(reader, item, start.id, context, stays)),
        ...stamp(item, context),
      ]),
    ]
  },
})
