import { defineAsyncComponent, type App } from 'vue'
import { useNuxtApp } from 'nuxt/app'
import { fetched } from '../fetched'
import type { install } from './vuetify'

type Overlays = ReturnType<typeof install>
let loading: Promise<Overlays> | undefined

/** What floats is fetched when the page stands, or when it is first needed, whichever comes first. */
export function loadOverlays(app: App): Promise<Overlays> {
  loading ??= fetched(() => import('./vuetify')).then((vuetify) => vuetify.install(app))
  return loading
}
/** A floating component, to be used in `setup`. */
export function useOverlay<Name extends keyof Overlays>(name: Name) {
  const { vueApp } = useNuxtApp()
  return defineAsyncComponent(async () => (await loadOverlays(vueApp))[name])
}
