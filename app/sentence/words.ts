/** Words around the sentence that says a view. */
export const sentenceWords = {
  fewer: 'fewer phrases',
  all: 'all phrases',
  more: 'And …',
} as const
