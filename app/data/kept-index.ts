import { useRequestHeaders } from 'nuxt/app'

const cookie = 'wrenleaf-index'

/** Whether this browser keeps the index folded: the server, too, has to know, as it draws the page. */
export function keptFolded(): boolean {
  const held = import.meta.server ? useRequestHeaders(['cookie']).cookie : document.cookie
  return (held ?? '').includes(`${cookie}=folded`)
}
export function keepFolded(isFolded: boolean): void {
  document.cookie = `${cookie}=${isFolded ? 'folded' : 'open'}; path=/; max-age=31536000; samesite=lax`
}
