import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { useRuntimeConfig } from 'nuxt/app'
import { pageSeed } from './page-seed'
import { begun } from './begin'
import { join, type ReplicaApi } from './client'
import type { Standing } from '../worker/replica'

/** Who is signed in, the worker, and how the line to the server stands. */
export const useSession = defineStore('session', () => {
  const me = shallowRef<string>()
  const api = shallowRef<ReplicaApi>()
  const standing = shallowRef<Standing>({ link: 'opening', pending: 0, progress: 0 })

  /** Joins the worker; there is none where a page is drawn on the server. False: nobody is signed in here. */
  function enter(): boolean {
    if (import.meta.server) {
      me.value = pageSeed()?.who.me
      return !!me.value
    }
    if (!begun) return false
    if (begun.build !== useRuntimeConfig().app.buildId) reloadOnce()
    me.value = begun.me
    api.value = begun.api
    join(begun.api, {
      standing(now) {
        standing.value = now
        if (now.link === 'signed-out') leaveFor('/sign-in')
        if (now.link === 'outdated') reloadOnce()
      },
      // What goes wrong in the worker is nobody's to see unless a page says it.
      trouble: (text) => console.error('worker:', text),
    })
    return true
  }

  async function signOut(): Promise<void> {
    await api.value?.signOut()
    leaveFor('/sign-in')
  }

  return { me, api, standing, enter, signOut }
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
