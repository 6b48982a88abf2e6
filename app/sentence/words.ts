/** Words around the sentence that says a view. */
export const sentenceWords = {
  fewer: 'fewer phrases',
  all: 'all phrases',
  acts: 'What you can do with this view',
  notApplied: 'A phrase isn’t applied: its field was removed.',
  more: 'And …',
  /** After a list that is cut. */
  andMore: (n: number) => `… and ${n} more`,
} as const
