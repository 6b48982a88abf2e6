import { viewContext } from '../facts/contract'
import { workings, type TriedAnswer, type TriedInput } from '../facts/workings'
import { bringLater } from '../worked-out/bring'
import { askedQuery, viewerOf } from './contract'

/** What a worked-out field would come to, while it is being made. */
export const tried = askedQuery<TriedInput, TriedAnswer>(async (context, input) => {
  await bringLater()
  return workings()!.tried(viewContext(context.state, input.field.project, viewerOf(context)), input)
})
