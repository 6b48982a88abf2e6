import * as z from 'zod/mini'
import { viewDefinition } from '../model/definition'
import type { View, ViewDefinition } from '../model/records'
import type { State } from '../model/state'
import { upgradeContextOf, upgradeDefinition } from '../model/upgrade'
import { askedQuery } from './contract'

/** What somebody made of a view without saving it, and what the view was when they began. */
export interface Draft {
  readonly definition: ViewDefinition
  readonly from: ViewDefinition
}

const versioned = z.looseObject({ v: z.number() })
const kept = z.record(z.string(), z.union([z.object({ definition: versioned, from: versioned }), versioned]))

/** Drafts by view, from a text in which a browser kept them: those that can be read, of whatever version. */
export const drafts = askedQuery<{ readonly kept: string }, Record<string, Draft>>(({ state }, input) => {
  const all = Object.entries(kept.safeParse(jsonIn(input.kept)).data ?? {})
  return Object.fromEntries(
    all.flatMap(([id, said]) => {
      const view = state.maybe('view', id)
      const whole = said as { definition?: unknown; from?: unknown }
      const definition = definitionIn(state, view, whole.definition ?? said)
      // What was kept before says only what it was made.
      const from = whole.definition ? definitionIn(state, view, whole.from) : view?.definition
      return definition && from ? [[id, { definition, from }]] : []
    }),
  )
})

function definitionIn(state: State, view: View | undefined, input: unknown): ViewDefinition | undefined {
  const around = view ? upgradeContextOf(state, view.project) : { due: null, board: undefined }
  const read = viewDefinition.safeParse(upgradeDefinition(input as Parameters<typeof upgradeDefinition>[0], around))
  return read.success ? (read.data as ViewDefinition) : undefined
}

/** Undefined where it is no JSON. */
function jsonIn(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}
