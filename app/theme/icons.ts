/** The signs inside Vuetify's controls, as paths in a square of 24: round-edged and light, like our own. */
import type { IconOptions } from 'vuetify'
import { mdi } from 'vuetify/iconsets/mdi-svg'
import {
  mdiCalendarBlankOutline,
  mdiCheck,
  mdiChevronDown,
  mdiChevronLeft,
  mdiChevronRight,
  mdiChevronUp,
  mdiClose,
  mdiMinus,
  mdiPlus,
} from '@mdi/js'

const box = 'M7 3h10a4 4 0 0 1 4 4v10a4 4 0 0 1-4 4H7a4 4 0 0 1-4-4V7a4 4 0 0 1 4-4Z'
const hollow = 'M7 5a2 2 0 0 0-2 2v10a2 2 0 0 0 2 2h10a2 2 0 0 0 2-2V7a2 2 0 0 0-2-2H7Z'
const ring = 'M12 3a9 9 0 1 0 0 18 9 9 0 0 0 0-18Zm0 2a7 7 0 1 1 0 14 7 7 0 0 1 0-14Z'

export const icons: IconOptions = {
  defaultSet: 'mdi',
  sets: { mdi },
  aliases: {
    checkboxOff: `svg:${box}${hollow}`,
    checkboxOn: `svg:${box}M10.2 16.4 17.6 8.9 16.2 7.5 10.2 13.6 7.8 11.2 6.4 12.6Z`,
    checkboxIndeterminate: `svg:${box}M7 11v2h10v-2Z`,
    radioOff: `svg:${ring}`,
    radioOn: `svg:${ring}M12 8.5a3.5 3.5 0 1 1 0 7 3.5 3.5 0 0 1 0-7Z`,
    complete: mdiCheck,
    close: mdiClose,
    clear: mdiClose,
    delete: mdiClose,
    cancel: mdiClose,
    prev: mdiChevronLeft,
    next: mdiChevronRight,
    expand: mdiChevronDown,
    collapse: mdiChevronUp,
    dropdown: mdiChevronDown,
    subgroup: mdiChevronDown,
    calendar: mdiCalendarBlankOutline,
    plus: mdiPlus,
    minus: mdiMinus,
  },
}
