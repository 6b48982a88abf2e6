import { getCookie, getRequestProtocol, setCookie, type H3Event } from 'h3'
import type { PersonId } from '#core/base/ids'
import type { House } from '../services/house'
import { browserCookie, cookieName } from './request'

const day = 86_400

/** Starts a session in this browser, in place of the one it has; `Secure` exactly when the request came by TLS. */
export async function startSession(event: H3Event, house: House, workspace: string, person: PersonId): Promise<void> {
  const before = getCookie(event, cookieName)
  const replaced = before ? await house.sessions.find(before) : undefined
  if (replaced) await house.endSession(replaced.id)
  const secret = await house.sessions.start(workspace, person)
  const secure = getRequestProtocol(event, { xForwardedProto: true }) === 'https'
  const kept = { httpOnly: true, sameSite: 'lax', path: '/', secure } as const
  setCookie(event, cookieName, secret, { ...kept, maxAge: 30 * day })
  setCookie(event, browserCookie, secret, { ...kept, path: '/api/session', maxAge: 365 * day })
}
