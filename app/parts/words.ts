/** Words of what is used in several places. */
export const words = {
  dates: {
    months: ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'],
    weekdays: ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'],
  },
  group: {
    none: (fact: string) => `no ${fact}`,
    fold: (name: string) => `Fold ${name}`,
    unfold: (name: string) => `Unfold ${name}`,
    week: (from: string) => `week of ${from}`,
    quarter: (first: string, last: string, year: string) => `${first} to ${last} ${year}`,
    not: (fact: string) => `not ${fact}`,
    atTop: 'at the top',
  },
  editor: {
    empty: '–',
    choose: (name: string) => `Choose ${name}`,
    clear: 'Empty it',
    none: 'Nothing fits',
    edit: (name: string) => `Change ${name}`,
  },
} as const
