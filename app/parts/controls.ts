/** Vuetify's controls that stand on a page's first screen, but can come after it. */
import { later } from './later'

export const VBottomNavigation = later(async () => ({ default: (await import('vuetify/components/VBottomNavigation')).VBottomNavigation })) // prettier-ignore
export const VTextarea = later(async () => ({ default: (await import('vuetify/components/VTextarea')).VTextarea }))
export const VTooltip = later(async () => ({ default: (await import('vuetify/components/VTooltip')).VTooltip }))
export const VTab = later(async () => ({ default: (await import('vuetify/components/VTabs')).VTab }))
export const VTabs = later(async () => ({ default: (await import('vuetify/components/VTabs')).VTabs }))
