import * as z from 'zod/mini'
import * as ids from '../base/id-schemas'
import { list, whole } from '../base/schemas'
import { isSameValue } from '../base/sorted-ids'
import { changeRefusal } from '../access/changing'
import { applied, defineCommand, personIn } from '../change/command'
import type { Change } from '../change/patch'
import { densities, themes } from '../model/names'
import { preferenceOf } from '../model/looks'

/** How one has pages look, for oneself. The last word wins. */
export const prefer = defineCommand({
  type: 'preference.set',
  v: 1,
  body: z.object({
    set: z.object({
      theme: z.optional(z.enum(themes)),
      density: z.optional(z.enum(densities)),
      weekStart: z.optional(whole(1, 7)),
      folded: z.optional(list(ids.projectId, 1000)),
    }),
  }),
  projects: () => [],
  check: (reader, _body, context) =>
    changeRefusal(reader, context.by, 'preference', preferenceOf(reader, personIn(context))),
  apply(reader, { set }, context) {
    const me = personIn(context)
    const held = reader.maybe('preference', me)
    const next = { ...preferenceOf(reader, me), ...set }
    if (!held) return applied([{ entity: 'preference', id: me, field: '*', before: null, after: next }])
    const changes = (Object.keys(set) as (keyof typeof set)[]).flatMap((field): Change[] =>
      isSameValue(held[field], next[field])
        ? []
        : [{ entity: 'preference', id: me, field, before: held[field], after: next[field] }],
    )
    return applied(changes)
  },
})
