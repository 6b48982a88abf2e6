import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, shallowRef, type EffectScope } from 'vue'
import { useLightRows } from './table/use-light-rows'
import { useStretch } from '../parts/use-stretch'

const lines = (from: number, to: number) => Array.from({ length: to - from }, (_, i) => ({ index: from + i }))
let scope: EffectScope
beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('requestAnimationFrame', (work: () => void) => setTimeout(work, 16))
  vi.stubGlobal('cancelAnimationFrame', (id: ReturnType<typeof setTimeout>) => clearTimeout(id))
  vi.stubGlobal('requestIdleCallback', (work: () => void) => setTimeout(work, 1))
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('rows that fly past', () => {
  it('are light while it is fast, and whole some frames after it is calm, from the middle outwards', async () => {
    const shown = shallowRef(lines(0, 30))
    const light = scope.run(() => useLightRows(shown))!
    shown.value = lines(3, 33)
    await nextTick()
    expect(light.value.size).toBe(0)
    shown.value = lines(20, 50)
    await nextTick()
    expect([...light.value]).toEqual(Array.from({ length: 17 }, (_, i) => 33 + i))
    await vi.advanceTimersByTimeAsync(80)
    expect(light.value.size).toBe(17)
    await vi.advanceTimersByTimeAsync(30)
    expect(light.value.size).toBe(11)
    expect(light.value.has(33)).toBe(false)
    await vi.advanceTimersByTimeAsync(100)
    expect(light.value.size).toBe(0)
  })

  it('that scroll slowly afterwards come whole', async () => {
    const shown = shallowRef(lines(0, 30))
    const light = scope.run(() => useLightRows(shown))!
    shown.value = lines(100, 130)
    await nextTick()
    shown.value = lines(102, 132)
    await nextTick()
    expect(light.value.has(131)).toBe(false)
    expect(light.value.has(120)).toBe(true)
    expect(light.value.has(101)).toBe(false)
  })
})

describe('a stretch of a list', () => {
  interface Numbers {
    readonly from: number
    readonly rows: readonly number[]
  }
  const stretchOf = (from: number, n: number): Numbers => ({
    from,
    rows: Array.from({ length: n }, (_, i) => i),
  })

  it('is asked for well before its end comes into sight, one question at a time', async () => {
    const shown = shallowRef(lines(0, 30))
    const stretch = shallowRef<Numbers | undefined>(stretchOf(0, 800))
    const looks: [number, number][] = []
    scope.run(() => useStretch(shown, () => stretch.value, () => 10_000, (from, to) => looks.push([from, to]))) // prettier-ignore
    shown.value = lines(500, 530)
    await nextTick()
    expect(looks).toEqual([])
    shown.value = lines(650, 680)
    await nextTick()
    shown.value = lines(660, 690)
    await nextTick()
    expect(looks).toEqual([[650, 679]])
    // The answer was overtaken meanwhile: it is asked again at once.
    shown.value = lines(1000, 1030)
    await nextTick()
    stretch.value = stretchOf(250, 830)
    await nextTick()
    expect(looks).toEqual([[650, 679], [1000, 1029]]) // prettier-ignore
  })

  it('is told once it is calm what of it is in sight', async () => {
    const shown = shallowRef(lines(0, 30))
    const stretch = shallowRef<Numbers | undefined>(stretchOf(0, 800))
    const [looks, seen]: [number, number][][] = [[], []]
    scope.run(() => useStretch(shown, () => stretch.value, () => 800, (from, to) => looks!.push([from, to]), (from, to) => seen!.push([from, to]))) // prettier-ignore
    for (const from of [100, 200, 300]) {
      shown.value = lines(from, from + 30)
      await nextTick()
    }
    expect(seen).toEqual([])
    await vi.advanceTimersByTimeAsync(1000)
    expect([looks, seen]).toEqual([[], [[300, 329]]])
  })

  it('of which a part alone has come is asked for whole once that is painted', async () => {
    const shown = shallowRef(lines(300, 330))
    const stretch = shallowRef<Numbers | undefined>(stretchOf(0, 800))
    const looks: [number, number][] = []
    scope.run(() => useStretch(shown, () => stretch.value, () => 800, (from, to) => looks.push([from, to]))) // prettier-ignore
    stretch.value = stretchOf(268, 94)
    await nextTick()
    expect(looks).toEqual([])
    await vi.advanceTimersByTimeAsync(1000)
    expect(looks).toEqual([[300, 329]])
  })

  it('is not asked for beyond the last row, nor before the first rows are painted', async () => {
    const shown = shallowRef(lines(0, 30))
    const stretch = shallowRef<Numbers>()
    const looks: [number, number][] = []
    scope.run(() => useStretch(shown, () => stretch.value, () => 80, (from, to) => looks.push([from, to]))) // prettier-ignore
    stretch.value = stretchOf(0, 80)
    await nextTick()
    await vi.advanceTimersByTimeAsync(1000)
    expect(looks).toEqual([])
    const longer = shallowRef<Numbers>()
    const more: [number, number][] = []
    scope.run(() => useStretch(shown, () => longer.value, () => 500, (from, to) => more.push([from, to]))) // prettier-ignore
    longer.value = stretchOf(0, 80)
    await nextTick()
    expect(more).toEqual([])
    await vi.advanceTimersByTimeAsync(1000)
    expect(more).toEqual([[0, 29]])
  })
})
