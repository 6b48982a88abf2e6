/** What a page does without at first, of Vuetify's controls and of ours: named once, in modules, for every place that shows it. */
import { later } from './later'

export const VBottomNavigation = later(async () => ({ default: (await import('vuetify/components/VBottomNavigation')).VBottomNavigation })) // prettier-ignore
export const VTextarea = later(async () => ({ default: (await import('vuetify/components/VTextarea')).VTextarea }))
export const VTooltip = later(async () => ({ default: (await import('vuetify/components/VTooltip')).VTooltip }))
export const VTab = later(async () => ({ default: (await import('vuetify/components/VTabs')).VTab }))
export const VTabs = later(async () => ({ default: (await import('vuetify/components/VTabs')).VTabs }))

export const ActMenu = later(() => import('./ActMenu.vue'))
export const AddItem = later(() => import('./AddItem.vue'))
export const ColumnEditor = later(() => import('./ColumnEditor.vue'))
export const FieldEditor = later(() => import('./FieldEditor.vue'))
export const ItemMenu = later(() => import('./ItemMenu.vue'))
export const PopMenu = later(() => import('./PopMenu.vue'))
