import * as z from 'zod/mini'
import * as ids from '../base/id-schemas'

/** Before or after another item of the project. */
export const placeRecord = z.union([z.object({ before: ids.itemId }), z.object({ after: ids.itemId })])
/** Beside which item another stands in the team’s order. */
export type Place = Readonly<z.infer<typeof placeRecord>>
