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
    noTotal: 'none',
  },
  /** What Vuetify’s own controls say, by the keys under which they ask. */
  controls: {
    close: 'Close',
    dismiss: 'Dismiss',
    noDataText: 'Nothing found',
    'input.clear': 'Clear {0}',
    'input.prependAction': '{0}',
    'input.appendAction': '{0}',
    'datePicker.title': 'Choose a day',
    'datePicker.header': 'Choose a day',
    'datePicker.input.placeholder': 'Type a day',
    'datePicker.itemsSelected': '{0} chosen',
    'datePicker.ariaLabel.previousMonth': 'Previous month',
    'datePicker.ariaLabel.nextMonth': 'Next month',
    'datePicker.ariaLabel.previousYear': 'Previous year',
    'datePicker.ariaLabel.nextYear': 'Next year',
    'datePicker.ariaLabel.selectMonth': 'Choose a month',
    'datePicker.ariaLabel.selectYear': 'Choose a year',
    'datePicker.ariaLabel.selectDate': '{0}',
    'datePicker.ariaLabel.currentDate': '{0}, today',
  },
  editor: {
    choose: (name: string) => `Choose ${name}`,
    clear: 'Clear',
    none: 'Nothing found',
    edit: (name: string) => `Change ${name}`,
  },
} as const
