import { h, type FunctionalComponent } from 'vue'
import { mdiDotsVertical } from '@mdi/js'
import { frameWords } from '../shell/words'

/** The button that opens the menu of what can be done with a row, a card or a line. It is not a stop of Tab: the keyboard has Shift F10. */
export const RowMenu: FunctionalComponent<{ of: string }> = ({ of }) =>
  h(
    'button',
    { type: 'button', class: 'row-menu', tabindex: -1, 'aria-haspopup': 'menu', 'aria-label': frameWords.acts(of) },
    h('svg', { viewBox: '0 0 24 24' }, h('path', { d: mdiDotsVertical })),
  )
RowMenu.props = ['of']
