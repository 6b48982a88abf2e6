/** Words of signing in. */
export const signInWords = {
  claim: 'Whose turn it is, and what comes next.',
  email: 'E-mail',
  password: 'Password',
  go: 'Sign in',
  noAccount: 'No account yet? Ask whoever leads your workspace.',
  forgotten: 'Forgotten your password?',
  forgottenTitle: 'Set a new password',
  forgottenAbout: 'Tell us your address, and a link comes by mail with which you set a new password.',
  forgottenSent: (email: string) =>
    `If ${email} has an account here, a link is on its way. It works once, within 72 hours.`,
  sendLink: 'Send me a link',
  back: 'Back to signing in',
  linkTitle: (name: string) => `Welcome, ${name}`,
  linkAbout: (workspace: string) => `Choose a password, and you’re in ${workspace}.`,
  linkOver: 'This link doesn’t work any more',
  linkOverAbout: 'It has been used, or it’s more than 72 hours old. Ask for another, or sign in.',
  setPassword: 'Set the password',
  reader: 'reader',
  demo: 'This is a demo workspace. Step in as anyone.',
  demoAbout: (people: number) =>
    `A botanic garden is reopening its old glasshouse: ${people} people, three projects. Nothing you do here leaves this machine.`,
  inTurn: (turn: number, late: number) => (turn ? `${turn} waiting${late ? `, ${late} late` : ''}` : 'nothing waiting'),
  first: 'Make the owner’s account',
  firstAbout:
    'This workspace is new. The terminal where Wrenleaf was started shows a code; with it you make the first account.',
  code: 'Code from the terminal',
  workspace: 'Name of the workspace',
  yourName: 'Your name',
  newPassword: 'Password (at least 10 characters)',
  timeZone: 'Time zone',
  make: 'Make the account',
} as const
