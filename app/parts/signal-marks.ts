/** The signs of signals, and how a row or card wears them: each sign in its colour with its name, and the first one's colour at the edge. */
import { h, type FunctionalComponent, type VNode } from 'vue'
import type { Row } from '#core/layouts/rows'
import type { SignalSign } from '#core/model/names'
import type { PaletteColour, ViewDefinition } from '#core/model/records'
import type { Directory } from './marks'

const paths: Readonly<Record<SignalSign, string>> = {
  flag: 'M4 14V2h8l-2 3 2 3H4',
  clock: 'M8 2a6 6 0 1 0 .01 0M8 4.5V8l2.5 2',
  alert: 'M8 2l6.5 11.5h-13zM8 6.5v3M8 11.5v.01',
  stop: 'M5.5 2h5L14 5.5v5L10.5 14h-5L2 10.5v-5zM5 8h6',
  diamond: 'M8 2l6 6-6 6-6-6z',
  drop: 'M8 2c3 4 4 5.5 4 7.5a4 4 0 0 1-8 0C4 7.5 5 6 8 2',
  eye: 'M1 8c3-5 11-5 14 0-3 5-11 5-14 0M8 6a2 2 0 1 0 .01 0',
  tick: 'M2.5 8.5l4 4 7-9',
  cross: 'M3.5 3.5l9 9M12.5 3.5l-9 9',
  ring: 'M8 3a5 5 0 1 0 .01 0',
  star: 'M8 1.5l2 4.5 4.5.5-3.5 3 1 5L8 12l-4 2.5 1-5-3.5-3L6 6z',
  bolt: 'M9.5 1.5l-6 8h4l-1 5 6-8h-4z',
}

/** A sign in its colour; `name` says what it means. */
export const signalSign = (sign: SignalSign, colour: PaletteColour, name: string): VNode =>
  h('svg', { class: 'signal', viewBox: '0 0 16 16', role: 'img', 'aria-label': name, style: { '--c': `var(--${colour}-text, var(--${colour}))` } }, [
    h('title', name),
    h('path', { d: paths[sign] }),
  ]) // prettier-ignore
export const SignalMark: FunctionalComponent<{ sign: SignalSign; colour: PaletteColour; name: string }> = (signal) =>
  signalSign(signal.sign, signal.colour, signal.name)
SignalMark.props = ['sign', 'colour', 'name']

/** What marks a row: its signs, and the colour at its edge. */
export interface Marked {
  readonly signs: readonly VNode[]
  /** Of the first signal, else of what the view colours by. */
  readonly edge: string
  /** What that colour means, where no sign says it. */
  readonly says?: string
}

/** How rows of a view are marked; undefined: nothing marks this one. */
export function marksOf(directory: Directory, definition: () => ViewDefinition): (row: Row) => Marked | undefined {
  const colourOf = (row: Row) => {
    const by = definition().colourBy
    if (!by) return undefined
    if (by.fact === 'status') return directory.reader.maybe('status', row.item.status)
    const option = directory.reader.maybe('option', String(by.fact === 'field' ? row.item.values[by.field] : ''))
    return option && { colour: option.colour, name: option.label }
  }
  return (row) => {
    const { signals = [], colourBy } = definition()
    if (!row.signals && !colourBy) return undefined
    const on = (row.signals ?? []).flatMap((at) => signals[at] ?? [])
    const own = colourOf(row)
    const edge = on[0]?.colour ?? own?.colour
    if (!edge) return undefined
    return {
      signs: on.map(({ sign, colour, name }) => signalSign(sign, colour, name)),
      edge: `var(--${edge}-text, var(--${edge}))`,
      ...(own && !on.length && { says: own.name }),
    }
  }
}
