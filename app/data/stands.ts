import { shallowRef } from 'vue'

/** Whether what somebody came for is on the screen: whatever can be done without comes after it. */
export const stands = shallowRef(false)

const laterMs = 60
const latestMs = 1000

/** Does it once what is being drawn now has been painted and nothing else is to be done. */
export function afterPaint(work: () => void): void {
  requestAnimationFrame(() => setTimeout(() => requestIdleCallback(work, { timeout: latestMs }), laterMs))
}
