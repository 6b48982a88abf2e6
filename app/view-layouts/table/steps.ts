/** A step, and the key that, with Alt, asks for it. */
export type Step = 'in' | 'out' | 'up' | 'down'
export const steps: Readonly<Record<string, Step | undefined>> = {
  ArrowRight: 'in', ArrowLeft: 'out', ArrowUp: 'up', ArrowDown: 'down',
} // prettier-ignore
