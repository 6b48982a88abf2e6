/** Words where something is missing or broken. */
export const errorWords = {
  missing: {
    title: 'There’s nothing at this address',
    hint: 'It may be mistyped, or what was here has been removed.',
  },
  broken: {
    title: 'Something broke',
    hint: 'Your changes are safe. Reload the page; if it breaks again, tell whoever runs the server.',
  },
  home: 'Go to my queue',
} as const
