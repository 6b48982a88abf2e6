<script lang="ts">
import { defineComponent, h, type PropType, type VNode } from 'vue'
import { isOutlined, type Row, type OutlineRow } from '#core/layouts/rows'
import { valueMark } from '../../parts/field-parts'
import { kindMark, leafMark, statusMark, type Directory, type Mark } from '../../parts/marks'
import { useDirectory } from '../../data/directory'
import type { Marked } from '../../parts/signal-marks'
import { queueWords } from '../../queue/words'
import { later } from '../../parts/later'
import { tableWords } from '../words'
import type { TableColumn } from './columns'

const CellEditor = later(() => import('./CellEditor.vue'))

export interface Edit {
  readonly item: string
  readonly column: string
  readonly typed?: string | undefined
}

/** A title, and how many items stand inside it. */
const titleMark = (title: string, inside: number, signs: readonly VNode[] = []): Mark => ({
  content:
    inside || signs.length
      ? [
          ...signs,
          h('span', { class: 'name' }, title),
          ...(inside ? [h('span', { class: 'soft inside' }, inside)] : []),
        ]
      : title,
  class: inside || signs.length ? 'with-inside' : undefined,
  title,
  width: title.length,
})
/** A title where it stands in an outline: how deep, whether what is inside is seen, how far its status is along. */
function outlineMark(
  directory: Directory,
  { item, isOpen, inside }: OutlineRow,
  title: string,
  light: boolean,
  signs: readonly VNode[] = [],
): Mark {
  const status = light ? undefined : directory.reader.maybe('status', item.status)
  const sign =
    isOpen === undefined
      ? h('span', { class: 'turn' })
      : h('span', { class: 'turn', title: isOpen ? tableWords.fold : tableWords.unfold, 'aria-hidden': true }, isOpen ? '▾' : '▸') // prettier-ignore
  return {
    content: [
      sign,
      ...(status ? [leafMark(directory.share(status), status.colour)] : []),
      ...signs,
      h('span', { class: 'name' }, title),
      ...(inside && !isOpen && !light ? [h('span', { class: 'soft' }, tableWords.insideOf(inside))] : []),
    ],
    class: light ? 'outlined light' : 'outlined',
    title,
    width: 1000,
  }
}
/** What holds others stands out, most of all at the top; what is only around matches stands back. */
const levelClass = ({ isOpen, level, isAside }: OutlineRow) =>
  `${isOpen === undefined ? '' : level ? 'holds' : 'holds tops'} ${isAside ? 'stands-back' : ''}`

/** A cell is clipped only where it may be too narrow: clipping every cell costs a third of a frame. */
const isCut = (column: TableColumn, mark: Mark | undefined): boolean => !!mark && mark.width * 7 + 20 > column.least

/**
 * One row, drawn as plain elements in one component: a screen of rows is redrawn within a frame while it is scrolled.
 * What happens in a cell is heard by the table, which finds row and column in `data-row` and `data-column`.
 */
export default defineComponent({
  name: 'TableRow',
  props: {
    row: { type: Object as PropType<Row | OutlineRow | undefined>, default: undefined },
    index: { type: Number, required: true },
    top: { type: Number, required: true },
    columns: { type: Array as PropType<readonly TableColumn[]>, required: true },
    /** It is being scrolled past: only key and title are drawn. */
    light: { type: Boolean, required: true },
    /** The column that has the keyboard; -1: it is in another row. */
    at: { type: Number, required: true },
    edit: { type: Object as PropType<Edit | undefined>, default: undefined },
    /** A title that was typed and is on its way. */
    sent: { type: String as PropType<string | undefined>, default: undefined },
    /** It is selected. */
    chosen: { type: Boolean, default: false },
    /** The columns of it that are among the selected cells. */
    span: { type: Array as unknown as PropType<readonly [from: number, to: number] | undefined>, default: undefined },
    /** What marks a row. */
    marks: { type: Function as PropType<(row: Row) => Marked | undefined>, required: true },
    /** Of an outline: what one of the view's totals over what is inside a row comes to, in words. */
    totalSaid: { type: Function as PropType<(row: OutlineRow, total: number) => string>, default: () => '' },
  },
  emits: ['leave', 'sent'],
  setup(props, { emit }) {
    const directory = useDirectory()
    const isLight = (): boolean => props.light && !props.edit

    function markOf(row: Row, column: TableColumn): Mark | undefined {
      if (column.total !== undefined && isOutlined(row) && row.totals) {
        const text = props.totalSaid(row, column.total)
        return {
          content: text,
          width: text.length,
          class: 'sum',
          title: tableWords.totalInside(`${column.name} ${text}`),
        }
      }
      switch (column.is) {
        case 'place':
          return isOutlined(row) ? { content: row.place, width: row.place.length, title: row.key } : undefined
        case 'total':
          return undefined
        case 'key':
          return { content: row.key, width: row.key.length, title: queueWords.open }
        case 'title':
          return isOutlined(row)
            ? outlineMark(directory, row, props.sent ?? row.item.title, isLight(), props.marks(row)?.signs)
            : titleMark(props.sent ?? row.item.title, row.children, props.marks(row)?.signs)
        case 'kind': {
          const kind = directory.reader.maybe('kind', row.item.kind)
          return kind && kindMark(kind)
        }
        case 'status':
          return statusMark(directory, row.item.status)
        case 'field':
          return column.field && valueMark(directory, column.field, row.item, row.late)
      }
    }

    const isSpanned = (i: number): boolean => !!props.span && i >= props.span[0] && i <= props.span[1]
    function cell(row: Row, column: TableColumn, i: number): VNode {
      const place = { 'data-row': props.index, 'data-column': i }
      if (props.edit?.column === column.id)
        return h(CellEditor, { ...place, key: `edit ${column.id}`, row, column, typed: props.edit.typed, onLeave: (by: string) => emit('leave', by), onSent: (title?: string) => emit('sent', title) }) // prettier-ignore
      const mark = markOf(row, column)
      return h(
        'div',
        {
          ...place,
          key: column.id,
          role: 'gridcell',
          ...(column.left !== undefined && { style: { '--left': `${column.left}px` } }),
          class: `cell ${column.left === undefined ? '' : column.isLastFrozen ? 'frozen last ' : 'frozen '}${isSpanned(i) ? 'spanned ' : ''}${column.isNumber ? 'number' : column.is === 'field' ? '' : column.is === 'place' ? 'key' : column.is} ${mark?.class ?? ''} ${isCut(column, mark) ? 'cut' : ''}`,
          title: mark?.title,
          tabindex: props.at === i ? 0 : -1,
          'aria-readonly': column.is === 'key' || column.is === 'place' || column.is === 'total' || undefined,
        },
        mark?.content,
      )
    }

    return () => {
      const { row, index, top, columns, at, edit } = props
      const light = isLight()
      const marked = row && !light ? props.marks(row) : undefined
      return h(
        'div',
        {
          role: 'row',
          'aria-rowindex': index + 2,
          ...(row && isOutlined(row) && { 'aria-level': row.level + 1, 'aria-expanded': row.isOpen }),
          'aria-selected': props.chosen,
          class: [
            'item-row',
            { at: at >= 0, blank: !row, edited: !!edit, chosen: props.chosen, edge: !!marked },
            row && isOutlined(row) && levelClass(row),
          ],
          title: marked?.says,
          style: {
            transform: `translateY(${top}px)`,
            ...(marked && { '--edge-colour': marked.edge }),
            ...(row && isOutlined(row) && { '--level': row.level }),
          },
        },
        row && (light ? columns.slice(0, 2) : columns).map((column, i) => cell(row, column, i)),
      )
    }
  },
})
</script>

<style>
.item-row {
  display: grid;
  grid-template-columns: var(--columns);
  position: absolute;
  left: 0;
  right: 0;
  height: calc(var(--row) + 1px);
  border-bottom: 1px solid var(--rule);
  background: var(--paper);
  contain: strict;
}
/* Scrolled to the side, an item's key and title stay. */
.aside .item-row :is(.key, .title) {
  position: sticky;
  background: inherit;
  z-index: 1;
}
.aside .item-row .key {
  left: 0;
}
.aside .item-row .title {
  left: var(--key);
  box-shadow: 1px 0 0 var(--rule-strong);
}
.aside .item-row .frozen {
  position: sticky;
  left: var(--left);
  background: inherit;
  z-index: 1;
}
.aside .item-row .last {
  box-shadow: 1px 0 0 var(--rule-strong);
}
.item-row .spanned {
  background: color-mix(in oklab, var(--pool) 18%, var(--paper));
}
/* Rows of several lines: what is long goes on below. */
.of-lines :is(.item-row, .head-row) {
  height: calc(var(--rows-height) + 1px);
}
.of-lines .item-row .cell {
  height: var(--rows-height);
  line-height: 20px;
  padding-block: 6px;
  white-space: normal;
  overflow: hidden;
  overflow-wrap: anywhere;
}
.of-lines .item-row .cell:is(.status-mark, .kind-mark, .pebbles, .options-mark, .with-inside, .outlined) {
  flex-wrap: wrap;
  align-content: flex-start;
}
.of-lines .item-row .name {
  white-space: normal;
}
/* Its editor may reach beyond it. */
.item-row.edited {
  contain: layout style;
  z-index: 1;
}
.item-row:hover {
  background: var(--raised);
}
.item-row .cell {
  padding: 0 10px;
  height: var(--row);
  line-height: var(--row);
  white-space: nowrap;
  min-width: 0;
}
.item-row .status-mark,
.item-row .kind-mark,
.item-row .pebbles,
.item-row .options-mark,
.item-row .with-inside {
  display: flex;
  align-items: center;
}
.item-row .with-inside {
  gap: 6px;
}
.item-row .outlined {
  display: flex;
  align-items: center;
  gap: 6px;
  padding-left: calc(4px + var(--level) * 22px);
}
/* A line for each level that it stands in: drawn once it is calm. */
.item-row .outlined:not(.light) {
  background: repeating-linear-gradient(90deg, var(--rule) 0 1px, transparent 1px 22px) 11px 0 /
    calc(var(--level) * 22px) 100% no-repeat;
}
.item-row .turn {
  width: 16px;
  flex: none;
  text-align: center;
  color: var(--soft);
  cursor: pointer;
}
.item-row.holds .name,
.item-row .sum {
  font-weight: 600;
}
.item-row.tops {
  background: var(--sunk);
}
.item-row.at {
  background: var(--leaf-tint);
}
.item-row.chosen {
  background: var(--pool-tint);
  box-shadow: inset 3px 0 0 var(--pool);
}
.item-row.tops .name {
  font-family: var(--serif);
  font-size: calc(var(--size-body) - 1px);
}
.item-row.stands-back :is(.name, .leaf, .sum) {
  opacity: 0.62;
  font-style: italic;
}
.item-row .options-mark {
  line-height: 18px;
}
.item-row .cut,
.item-row .name {
  overflow: hidden;
  text-overflow: ellipsis;
}
.item-row .cell:focus {
  outline: none;
}
.item-row .cell[tabindex='0']:focus {
  box-shadow: inset 0 0 0 1px var(--leaf);
}
.item-row .cell[tabindex='0']:focus-visible {
  box-shadow: inset 0 0 0 2px var(--leaf);
  border-radius: var(--round-cell);
}
.item-row .number {
  text-align: right;
}
.item-row .key {
  padding-left: 24px;
  color: var(--soft);
  cursor: pointer;
}
.item-row .key:hover {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.item-row .inside {
  font-size: var(--size-small);
  border: 1px solid var(--rule-strong);
  border-radius: 8px;
  padding: 0 6px;
  line-height: 15px;
}
@media (max-width: 700px) {
  .aside .item-row .key {
    position: static;
  }
  .aside .item-row .title {
    left: 0;
  }
  .item-row .key {
    padding-left: 44px;
  }
}
</style>
