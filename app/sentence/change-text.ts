/** What of a view's definition was changed, as an address carries it: JSON of what differs, in the letters of addresses. */
import { isSameValue } from '#core/base/sorted-ids'
import type { ViewDefinition } from '#core/model/records'

/** Empty: nothing. */
export function changeText(from: ViewDefinition, to: ViewDefinition): string {
  if (isSameValue(from, to)) return ''
  // Another layout has other parts: all of it is said.
  const before: Readonly<Record<string, unknown>> = from.layout === to.layout ? { ...from } : {}
  const part = Object.fromEntries(Object.entries(to).filter(([key, value]) => key === 'v' || !isSameValue(before[key], value))) // prettier-ignore
  const gone = Object.keys(before).filter((key) => !(key in to))
  return encoded(JSON.stringify(gone.length ? { ...part, '-': gone } : part))
}

/** The definition that a text makes of this one, not checked any further; undefined where it cannot be read. */
export function changeFrom(from: ViewDefinition, text: string): unknown {
  try {
    const { '-': gone = [], ...part } = JSON.parse(decoded(text)) as Record<string, unknown> & {
      '-'?: readonly string[]
    }
    const isWhole = 'layout' in part
    const kept = isWhole ? {} : Object.fromEntries(Object.entries(from).filter(([key]) => !gone.includes(key)))
    return { ...kept, ...part }
  } catch {
    return undefined
  }
}

function encoded(text: string): string {
  const bytes = new TextEncoder().encode(text)
  let binary = ''
  for (const byte of bytes) binary += String.fromCharCode(byte)
  return btoa(binary).replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '')
}
function decoded(text: string): string {
  const binary = atob(text.replaceAll('-', '+').replaceAll('_', '/'))
  return new TextDecoder('utf-8', { fatal: true }).decode(Uint8Array.from(binary, (char) => char.charCodeAt(0)))
}
