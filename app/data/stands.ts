import { shallowRef } from 'vue'

/** Whether what somebody came for is on the screen: whatever can be done without comes after it. */
export const stands = shallowRef(false)

const laterMs = 60
const latestMs = 1000

/** Does it once what is being drawn now has been painted and nothing else is to be done. */
export function afterPaint(work: () => void): void {
  requestAnimationFrame(() => setTimeout(() => requestIdleCallback(work, { timeout: latestMs }), laterMs))
}

const untilLive: (() => void)[] = []
let isLive = false
/** Does it once what the server has drawn can be worked with: until then nothing takes the machine's time from that. */
export function whenLive(work: () => void): void {
  if (isLive) work()
  else untilLive.push(work)
}
/** The page that the server has drawn can be worked with: what waited for it follows once that is so on the screen. */
export function nowLive(): void {
  isLive = true
  const follow = () => {
    for (const work of untilLive.splice(0)) work()
  }
  if (document.hidden) follow()
  else requestAnimationFrame(() => setTimeout(follow))
}
