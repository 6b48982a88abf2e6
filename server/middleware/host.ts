import { defineEventHandler, getHeader, setResponseHeader, setResponseStatus } from 'h3'
import { theAddresses } from '../http/addresses'

/** A name that someone else has made lead here gets nothing: pages of that name could otherwise read ours. */
export default defineEventHandler((event) => {
  if (theAddresses().knows(getHeader(event, 'host'))) return
  setResponseStatus(event, 421)
  setResponseHeader(event, 'content-type', 'text/plain; charset=utf-8')
  return 'Nothing is here under this name. Whoever runs this server sets its address in WRENLEAF_ADDRESS.'
})
