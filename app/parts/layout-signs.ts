import { h, type FunctionalComponent } from 'vue'
import type { LayoutName } from '#core/model/names'
import { saidLayouts } from '#core/layouts/said'

/** How each layout is drawn in small: lines, lines that go in, columns that hold something. */
const paths: Readonly<Record<LayoutName, string>> = {
  table: 'M2 3.5h12M2 8h12M2 12.5h12M6 3.5v9',
  outline: 'M2 3.5h12M5 8h9M8 12.5h6M2 8h.01M2 12.5h.01',
  board: 'M2.5 2.5h3v11h-3zM6.5 2.5h3v7h-3zM10.5 2.5h3v9h-3z',
}

/** The sign of a view's layout, beside its name. */
export const LayoutSign: FunctionalComponent<{ layout: LayoutName }> = ({ layout }) =>
  h('svg', { class: 'layout-sign', viewBox: '0 0 16 16', 'aria-hidden': true }, [
    h('title', saidLayouts[layout].words),
    h('path', { d: paths[layout] }),
  ])
LayoutSign.props = ['layout']
