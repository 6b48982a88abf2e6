import { counted } from '../counted'

/** Words of the team’s working time, and of days off. */
export const workingWords = {
  title: 'Working time',
  about: 'Working days are counted by these: what is late, “in 3 working days”, how long something was in hand.',
  week: 'The week',
  worked: 'Worked on',
  weekdays: ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'],
  short: ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'],
  perWeek: (days: number) => counted(days, 'working day a week', 'working days a week'),
  zone: 'By the clocks of',
  zoneHint: 'Dates stay as they are. Times are shown by these clocks from now on.',
  holidays: 'Holidays',
  holidaysAbout: 'Nobody works on these.',
  noHolidays: 'No holidays yet.',
  away: 'Days off',
  awayAbout: 'Of one person each, besides holidays. Everyone sees them.',
  noDaysOff: 'Nobody is away.',
  noneOfPerson: 'None to come.',
  earlier: (count: number, isOpen: boolean) =>
    `${isOpen ? 'Hide' : 'Show'} ${counted(count, 'earlier one', 'earlier ones')}`,
  days: 'Days',
  daysHint: '24 Dec – 2 Jan',
  name: 'What for',
  person: 'Who',
  add: 'Add',
  working: (count: number) => (count ? counted(count, 'working day', 'working days') : 'no working day'),
  unread: 'A day, or two with a dash between them: 24 Dec – 2 Jan.',
  remove: (what: string) => `Remove ${what}`,
  change: (what: string) => `Change the days of ${what}`,
  unnamed: 'Without a name',
  here: 'Working time',
} as const
