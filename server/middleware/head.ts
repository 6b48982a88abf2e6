import { defineEventHandler } from 'h3'

/** HEAD asks what GET would say of an answer: it goes the same way, and node leaves the body out. */
export default defineEventHandler((event) => {
  if (event.method !== 'HEAD') return
  event.context.isHead = true
  event.node.req.method = 'GET'
  event._method = 'GET'
})
