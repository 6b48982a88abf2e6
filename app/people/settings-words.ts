/** Words of one’s own settings, and of the messages that were sent. */
export const settingsWords = {
  you: 'You',
  theme: 'Theme',
  density: 'Rows',
  weekStart: 'The week begins on',
  choices: {
    system: 'as the system',
    day: 'day',
    night: 'night',
    close: 'close together',
    usual: 'usual',
    roomy: 'with more room',
  },
  weekdays: { 1: 'Monday', 6: 'Saturday', 7: 'Sunday' } as Readonly<Record<number, string>>,
  password: 'Password',
  old: 'The one you have',
  next: 'A new one (at least 10 characters)',
  change: 'Change the password',
  changed: 'Changed. Your other browsers are signed out.',
  endsOthers: 'Signs you out everywhere else.',
  sessions: 'Where you’re signed in',
  thisBrowser: 'This browser',
  another: 'Another browser',
  since: (made: string, seen: string) => `since ${made}, last used ${seen}`,
  end: 'Sign out there',
} as const

export const outboxWords = {
  about: 'Every message to people, newest first. Secret links are left out here.',
  noServer: 'No mail server is set up: messages are kept here and as files.',
  none: 'No messages yet',
  noneAbout: 'When you ask people in, or somebody has forgotten their password, what was sent to them stands here.',
  sent: 'sent',
  kept: 'not sent by mail',
  trouble: (why: string) => `not sent: ${why}`,
  notYours: 'Only owners see the messages.',
} as const
