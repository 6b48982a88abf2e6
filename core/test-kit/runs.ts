/** How often a property is tried: a modest number in `npm test`, a large one in `npm run test:deep`. */
export const runs = (modest: number, deep: number): { numRuns: number } => ({
  numRuns: (import.meta as { env?: { MODE?: string } }).env?.MODE === 'deep' ? deep : modest,
})
