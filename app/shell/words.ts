import { counted } from '../counted'

/** Words of the frame around all pages, of its notices, and of signing in. */
export const words = {
  frame: {
    index: 'Index',
    myQueue: 'My queue',
    onlyMine: 'Only me',
    newProject: 'Start a project',
    bringIn: 'Bring in a file',
    signOut: 'Sign out',
    night: 'Night theme',
    day: 'Day theme',
    search: 'Search',
    searchHint: 'Part of a title, or a key',
    views: 'Views',
    fold: 'Fold the index away',
    unfold: 'Unfold the index',
    close: 'Close',
    open: 'Open',
    acts: (name: string) => `What you can do with ${name}`,
    opening: (share: number) => `Opening the workspace … ${Math.round(share * 100)}%`,
    skip: 'Skip to the items',
    menuOf: (name: string) => `${name}: theme, sign out`,
  },
  keys: {
    title: 'Keyboard shortcuts',
    everywhere: {
      title: 'Everywhere',
      keys: [
        ['Ctrl K', 'search for an item'],
        ['Ctrl Z', 'undo'],
        ['Ctrl Shift Z', 'redo'],
        ['Esc', 'close what is open'],
        ['?', 'show this list'],
      ],
    },
    places: {
      queue: {
        title: 'In your queue',
        keys: [
          ['↑ ↓', 'move from item to item'],
          ['Enter', 'open the item'],
          ['→', 'move it to its next status'],
          ['Shift F10', 'show what you can do with it'],
        ],
      },
      table: {
        title: 'In this table',
        keys: [
          ['↑ ↓ ← →', 'move from cell to cell'],
          ['Enter F2', 'edit the cell, or open the item from its key'],
          ['Delete', 'clear the cell'],
          ['Tab', 'while editing: save, and go to the next cell'],
          ['Ctrl Enter', 'add an item'],
          ['Home End', 'first or last cell of the row; with Ctrl, of the table'],
          ['Shift ← →', 'on a column’s name: narrower or wider; Shift Home: its usual width'],
          ['Shift F10', 'show what you can do with the item'],
        ],
      },
      board: {
        title: 'On this board',
        keys: [
          ['↑ ↓ ← →', 'move from card to card'],
          ['Enter', 'open the item'],
          ['Space', 'pick the card up; arrows carry it, Space puts it down'],
          ['M', 'move it to another column'],
          ['Shift F10', 'show what you can do with the item'],
        ],
      },
      item: { title: 'On this page', keys: [['Esc', 'go back']] },
      bringIn: {
        title: 'While bringing in a file',
        keys: [
          ['F', 'go to the next row to fix'],
          ['Ctrl Enter', 'bring the items in'],
          ['Esc', 'leave without bringing anything in'],
        ],
      },
    },
  },
  line: {
    opening: 'opening',
    up: 'up to date',
    down: (pending: number) =>
      pending
        ? `Offline. ${counted(pending, 'change is', 'changes are')} waiting to be sent when you’re back.`
        : 'Offline. Keep working: your changes are sent when you’re back.',
    sending: (pending: number, share?: number) =>
      `sending ${counted(pending, 'change', 'changes')}${share === undefined ? '' : `: ${Math.round(share * 100)}%`}`,
    stop: 'Stop',
    signedOut: 'signed out',
    outdated: 'A new version is ready: reload',
  },
  tally: {
    items: (count: number) => counted(count, 'item', 'items'),
    itemsWord: (count: number) => (count === 1 ? 'item' : 'items'),
    late: (count: number) => `${count} late`,
    over: (name: string, by: number) => `${name} is ${by} over its limit`,
    undo: 'Undo',
    redo: 'Redo',
  },
  notice: {
    dismiss: 'Close this notice',
    tryAgain: 'Use mine',
    leftAlone: (count: number) =>
      `Undone, except for ${counted(count, 'thing that has', 'things that have')} been changed again since.`,
  },
  project: {
    title: 'Start a project',
    name: 'Name',
    prefix: 'Prefix of its keys',
    prefixHint: '2 to 8 capital letters or digits. With GLH, items are called GLH-1, GLH-2 …',
    about: 'You start with one kind of item, a workflow from Noted to Accepted, the usual fields, a board and a table.',
    start: 'Start the project',
    cancel: 'Cancel',
    none: 'No projects yet',
    noneHint: 'A project holds the items for one piece of work. Start one, then add items or bring in a file.',
    noneForYou: 'You aren’t in any project yet. Ask whoever leads your workspace to add you.',
  },
  signIn: {
    claim: 'Whose turn it is, and what comes next.',
    email: 'E-mail',
    password: 'Password',
    go: 'Sign in',
    noAccount: 'No account yet? Ask whoever leads your workspace.',
    reader: 'reader',
    demo: 'This is a demo workspace. Step in as anyone.',
    demoAbout: (people: number) =>
      `A botanic garden is reopening its old glasshouse: ${people} people, three projects. Nothing you do here leaves this machine.`,
    inTurn: (turn: number, late: number) =>
      turn ? `${turn} waiting${late ? `, ${late} late` : ''}` : 'nothing waiting',
    first: 'Make the owner’s account',
    firstAbout:
      'This workspace is new. The terminal where Wrenleaf was started shows a code; with it you make the first account.',
    code: 'Code from the terminal',
    workspace: 'Name of the workspace',
    yourName: 'Your name',
    newPassword: 'Password (at least 10 characters)',
    timeZone: 'Time zone',
    make: 'Make the account',
    noServer: 'The server isn’t answering. Check the terminal where it was started, then try again.',
  },
  error: {
    missing: {
      title: 'There’s nothing at this address',
      hint: 'It may be mistyped, or what was here has been removed.',
    },
    broken: {
      title: 'Something broke',
      hint: 'Your changes are safe. Reload the page; if it breaks again, tell whoever runs the server.',
    },
    home: 'Go to my queue',
  },
} as const
