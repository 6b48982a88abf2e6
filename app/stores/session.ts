import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { useRuntimeConfig } from 'nuxt/app'
import { joinReplica, type ReplicaApi } from '../replica/client'
import type { Standing } from '../replica/replica'

const themeKey = 'wrenleaf-theme'

/** Who is signed in, the worker, and how the line to the server stands. */
export const useSession = defineStore('session', () => {
  const me = shallowRef<string>()
  const api = shallowRef<ReplicaApi>()
  const standing = shallowRef<Standing>({ line: 'opening', pending: 0, progress: 0 })
  const night = shallowRef(false)

  let entering: Promise<boolean> | undefined
  /** Begins to join the worker, where that has not begun. False: nobody is signed in here. */
  function begin(): Promise<boolean> {
    entering ??= enter()
    // Whoever awaits it hears of it; that nobody does yet is no trouble.
    entering.catch(() => undefined)
    return entering
  }

  async function enter(): Promise<boolean> {
    const response = await fetch('/api/session', { cache: 'no-store' })
    if (!response.ok) return false
    const found = (await response.json()) as { me: string | null; build: string }
    if (!found.me) return false
    if (found.build !== useRuntimeConfig().app.buildId) reloadOnce()
    me.value = found.me
    api.value = await joinReplica(found.build, found.me, {
      standing(told) {
        standing.value = told
        if (told.line === 'signed-out') leaveFor('/sign-in')
        if (told.line === 'outdated') reloadOnce()
      },
      // What goes wrong in the worker is nobody's to see unless a page says it.
      trouble: (text) => console.error('worker:', text),
    })
    return true
  }

  function setNight(on: boolean): void {
    night.value = on
    document.documentElement.dataset.theme = on ? 'night' : 'day'
    localStorage.setItem(themeKey, on ? 'night' : 'day')
  }

  function restoreTheme(): void {
    const kept = localStorage.getItem(themeKey)
    night.value = kept ? kept === 'night' : matchMedia('(prefers-color-scheme: dark)').matches
    document.documentElement.dataset.theme = night.value ? 'night' : 'day'
  }

  async function signOut(): Promise<void> {
    await api.value?.signOut()
    leaveFor('/sign-in')
  }

  return { me, api, standing, night, begin, setNight, restoreTheme, signOut }
})

/** A page of another build is left for the server's; the worker's name holds the build, so pending commands go along. */
function reloadOnce(): void {
  const last = Number(sessionStorage.getItem('wrenleaf-reloaded') ?? 0)
  if (Date.now() - last < 10_000) return
  sessionStorage.setItem('wrenleaf-reloaded', String(Date.now()))
  location.reload()
}

function leaveFor(path: string): void {
  location.assign(path)
}
