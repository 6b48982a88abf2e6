import { getRequestProtocol, setCookie, type H3Event } from 'h3'
import { cookieName } from './request'

/** Holds the session's secret and nothing else; `Secure` exactly when the request came by TLS. */
export function sessionCookie(event: H3Event, secret: string): void {
  const secure = getRequestProtocol(event, { xForwardedProto: true }) === 'https'
  setCookie(event, cookieName, secret, { httpOnly: true, sameSite: 'lax', path: '/', secure, maxAge: 30 * 86_400 })
}
