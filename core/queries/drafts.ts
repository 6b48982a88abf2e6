import * as z from 'zod/mini'
import { viewDefinition } from '../model/definition'
import type { ViewDefinition } from '../model/records'
import { upgradeContextOf, upgradeDefinition } from '../model/upgrade'
import { askedQuery } from './contract'

const kept = z.record(z.string(), z.looseObject({ v: z.number() }))

/** Definitions by view, from a text in which a browser kept them: those that can be read, of whatever version. */
export const drafts = askedQuery<{ readonly kept: string }, Record<string, ViewDefinition>>(({ state }, input) => {
  const all = Object.entries(kept.safeParse(jsonIn(input.kept)).data ?? {})
  return Object.fromEntries(
    all.flatMap(([id, definition]) => {
      const view = state.maybe('view', id)
      const around = view ? upgradeContextOf(state, view.project) : { due: null, board: undefined }
      const read = viewDefinition.safeParse(upgradeDefinition(definition, around))
      return read.success ? [[id, read.data as ViewDefinition]] : []
    }),
  )
})

/** Undefined where it is no JSON. */
function jsonIn(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}
