/** What surrounds a page once it stands. */
import { later } from '../parts/later'

export const AppIndex = later(() => import('./AppIndex.vue'))
export const NoticeList = later(() => import('./NoticeList.vue'))
export const SearchBox = later(() => import('./SearchBox.vue'))
export const ViewMenu = later(() => import('./ViewMenu.vue'))
export const ShortcutList = later(() => import('./ShortcutList.vue'))
