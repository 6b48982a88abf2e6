/** The part of Vuetify that is used, with how it looks and behaves here; loaded once a page stands. */
import { watch, type App } from 'vue'
import { createVuetify, type ThemeDefinition } from 'vuetify'
import { VDialog } from 'vuetify/components/VDialog'
import { VMenu } from 'vuetify/components/VMenu'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import { useSession } from '../data/session'

/** Vuetify's colours point at our own roles, so that both themes live in `colours.css` alone. */
const roles = (dark: boolean, colors: Record<string, string>): ThemeDefinition => ({ dark, colors })
const themes: Record<'day' | 'night', ThemeDefinition> = {
  day: roles(false, { background: '#fbf8f1', surface: '#fffdf8', primary: '#3c6a4b', secondary: '#8b5a3a', error: '#a93d27', warning: '#80590c', info: '#3f6c7d', success: '#566536' }),
  night: roles(true, { background: '#1b211d', surface: '#242b26', primary: '#8fbf9c', secondary: '#d3a481', error: '#ef8b70', warning: '#e2b25a', info: '#8fbccb', success: '#a5b77f' }),
} // prettier-ignore
const defaults = {
  VMenu: { transition: false, offset: 4, scrollStrategy: 'close' },
  VDialog: { transition: false, maxWidth: 520, scrim: true },
} as const

/** Adds it to the application, and gives what floats. */
export function install(app: App) {
  const session = useSession()
  const cspNonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce
  const vuetify = createVuetify({
    icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
    defaults,
    theme: { ...(cspNonce && { cspNonce }), defaultTheme: session.night ? 'night' : 'day', themes },
  })
  app.use(vuetify)
  watch(
    () => session.night,
    (night) => vuetify.theme.change(night ? 'night' : 'day'),
  )
  return { VDialog, VMenu }
}
