import { askedQuery } from './contract'

/** The words of a long text, with the revision from which a change of them is made; none: revision 0. */
export const longText = askedQuery<
  { readonly item: string; readonly field: string },
  { readonly revision: number; readonly text: string }
>(async ({ server }, { item, field }) => (await server?.longText(item, field)) ?? { revision: 0, text: '' })
