/** Why items do not move a step. */
export const nestingWords = {
  nothing: 'There’s nothing to move here.',
  noneAbove: 'There’s no item above it to go into.',
  atTop: 'It’s at the top already.',
  isFirst: 'It’s the first already.',
  isLast: 'It’s the last already.',
  sorted: 'This view is sorted, so items can’t be moved up or down. Take the order out of the sentence first.',
  outlineOnly: 'Items move out in an outline: here they go into the item above, or up and down.',
} as const
