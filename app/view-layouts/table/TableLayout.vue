<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useDisplay } from 'vuetify'
import { useVirtualizer } from '@tanstack/vue-virtual'
import { mdiChevronLeft, mdiChevronRight } from '@mdi/js'
import type { ViewDefinition } from '#core/model/records'
import { isHead, type GroupHead, type ListLine, type Row } from '#core/layouts/rows'
import { useQuery } from '../../data/use-query'
import { usePreferences } from '../../data/preferences'
import { useChanges } from '../../data/changes'
import { useDirectory } from '../../data/directory'
import { stands } from '../../data/stands'
import { useSelection } from '../../data/selection'
import { useThrough } from '../../data/through'
import { useViews } from '../../data/views'
import { frameWords } from '../../shell/words'
import { selectionWords } from '../selection/words'
import { tableWords, viewWords } from '../words'
import type { LayoutEmits, LayoutProps } from '../contract'
import { observeOffset, observeSizeFor, scrollWhereNeeded } from '../observe'
import { useSelect } from '../selection/use-select'
import { useAddItem } from '../use-add-item'
import { EmptyView } from '../empty'
import { useStretch } from '../../parts/use-stretch'
import { ItemMenu, AddItem } from '../../parts/controls'
import type { MenuPlace } from '../../parts/menu-place'
import { RowMenu } from '../../parts/row-menu'
import GroupHeadRow from './GroupHeadRow.vue'
import TableHead from './TableHead.vue'
import { useLightRows } from './use-light-rows'
import { FindInView, GroupActs, HeadActs, sayWorked } from './beside'
import { leastWidth, levelWidth, lineHeight, type HeadPlace } from './columns'
import { marksOf } from '../../parts/signal-marks'
import TableRow from './TableRow.vue'
import { useCells } from './use-cells'
import { useInsert } from './use-insert'
import { useNesting } from './use-nesting'
import { useRange } from './use-range'
import { useCellSpan } from './use-cell-span'
import { useFolds } from './use-folds'
import { useLineMoves } from './use-line-moves'
import { useTableColumns } from './use-table-columns'

/** All items of the view, one a row; edited in place by mouse or keyboard alone. */
const props = defineProps<LayoutProps>()
const emit = defineEmits<LayoutEmits>()
const directory = useDirectory()
const views = useViews()
const through = useThrough()
const { mobile } = useDisplay()
const preferences = usePreferences()
const {
  add: addItem,
  asks,
  begin,
} = useAddItem({
  project: () => props.project,
  definition: () => props.definition,
  view: () => props.view,
})

const marks = marksOf(directory, () => props.definition)
const query = useQuery('view', () => views.inputOf(props.view))
const answer = computed(() => {
  const { value } = query.answer
  return value?.layout === 'table' || value?.layout === 'outline' ? value : undefined
})
watch(answer, (now) => now && emit('tally', { sums: now.sums, totals: now.totals }), { immediate: true })
const total = computed(() => answer.value?.lines ?? 0)
const lineAt = (index: number): ListLine | undefined => answer.value?.stretch.rows[index - answer.value.stretch.from]
const rowAt = (index: number): Row | undefined => {
  const line = lineAt(index)
  return line && !isHead(line) ? line : undefined
}
const headAt = (index: number): GroupHead | undefined => {
  const line = lineAt(index)
  return line && isHead(line) ? line : undefined
}
/** How wide the table is on the screen, as far as it has been laid out, and how far it is scrolled to the side. */
const width = ref(Infinity)
const aside = ref(0)
const { columns, template, minWidth, dragged, keepWidth, totalSaid, order, wording, isOutline } = useTableColumns(
  props,
  width,
)
const {
  folds,
  toggle: toggleFold,
  foldTo,
} = useFolds(
  () => props.view,
  () => props.definition,
  (now) => query.fold(now),
)
const mayEdit = computed(() => through.mayChange(props.project.id))
const mayAdd = computed(() => through.mayAdd(props.project.id))
const mayNest = computed(() => ['parent', 'rank'].some((key) => through.mayChange(props.project.id, key)))

const scroller = ref<HTMLElement>()
/** So many lines of text a row has room for. */
const textLines = computed(() => ('lines' in props.definition ? (props.definition.lines ?? 1) : 1))
const rowHeight = computed(() => (mobile.value ? 45 : preferences.rowHeight) + (textLines.value - 1) * lineHeight)
/** There is more than there is room for: which way the rest is. */
const more = computed(() => {
  const rest = leastWidth(columns.value) - 4 - width.value
  return rest <= 0 ? undefined : aside.value < rest ? 'right' : 'left'
})
const seeMore = () =>
  scroller.value?.scrollBy({ left: more.value === 'right' ? width.value / 2 : -aside.value, behavior: 'smooth' })
/**
 * Where the page is drawn on the server nobody knows how high it is: what fits on a small screen, which can then be worked
 * with that much sooner. Larger ones draw the rest, which has come along, once it can.
 */
const firstHeight = 21 * rowHeight.value
/** So many are measured until the page stands: of 50,000 it takes some 30 ms. */
const firstLines = 64
const virtualizer = useVirtualizer(
  computed(() => ({
    count: stands.value ? total.value : Math.min(total.value, firstLines),
    getScrollElement: () => scroller.value ?? null,
    estimateSize: (
      (height) => () =>
        height
    )(rowHeight.value),
    // The first rows are those in sight: what is drawn beyond them comes once they stand.
    overscan: stands.value ? 8 : 0,
    // Until it has been laid out: rows are drawn at once, and nothing is laid out before its time.
    initialRect: { width: 0, height: firstHeight },
    observeElementRect: observeSizeFor((size) => (width.value = size.width)),
    observeElementOffset: observeOffset,
    scrollToFn: scrollWhereNeeded,
  })),
)
watch(rowHeight, () => virtualizer.value.measure())
const shown = computed(() => virtualizer.value.getVirtualItems())
/**
 * Rows are drawn in slots that are used again: what scrolls in at one end takes the elements of what went out at the
 * other. Sorted by slot, so that no element ever moves in the document.
 */
const slots = computed(() => {
  const pool = Math.max(1, Math.ceil(shown.value.length / 16) * 16)
  return shown.value.map((line) => ({ line, slot: line.index % pool })).sort((a, b) => a.slot - b.slot)
})
const light = useLightRows(shown)
useStretch(
  shown,
  () => answer.value?.stretch,
  () => total.value,
  (from, to) => query.look('', from, to),
  (from, to) => query.look('', from, to, true),
)

const stretchIds = computed(() => {
  const { from, rows } = answer.value?.stretch ?? { from: 0, rows: [] }
  return { from, ids: rows.map((line) => (isHead(line) ? line.head : line.item.id)) }
})
/** What can be done with a row: from its button, by a right press, by the keyboard. */
const menu = shallowRef<MenuPlace>()
let menuLine = 0
const rowActs = computed(() => {
  const row = menu.value?.row
  if (!row) return []
  const isChosen = selection.has(row.item.id)
  return [
    { label: frameWords.open, do: () => emit('open', row.address) },
    ...(mayAdd.value
      ? [
          { label: tableWords.addBelow, do: () => void insert.open(menuLine) },
          { label: tableWords.addInside, do: () => void insert.open(menuLine, true) },
        ]
      : []),
    { label: isChosen ? selectionWords.leave : selectionWords.select, do: () => selection.toggle(row.item.id) },
  ]
})
function openMenu(index: number, at: HTMLElement, point?: [number, number]): void {
  const row = rowAt(index)
  menuLine = index
  if (row) menu.value = { row, at, point }
}
function pressed(event: MouseEvent): void {
  const cell = (event.target as HTMLElement).closest<HTMLElement>('[role=gridcell]')
  if (!cell || editing.value) return
  event.preventDefault()
  openMenu(Number(cell.dataset.row), cell, [event.clientX, event.clientY])
}
/** What was added at the end is looked at. */
const seeLast = () =>
  setTimeout(() => scroller.value?.scrollTo({ left: leastWidth(columns.value), behavior: 'smooth' }), 150)
/** Where something is done at the head. */
const headPlace = shallowRef<HeadPlace>()
/** The row under the pointer has a button for it. */
const hovered = shallowRef<number>()
function hover(event: PointerEvent): void {
  const cell = (event.target as HTMLElement).closest<HTMLElement>('[role=gridcell]')
  hovered.value = cell ? Number(cell.dataset.row) : hovered.value
}
const buttonAt = computed(() => {
  const index = hovered.value ?? at.value.row
  const line = shown.value.find((one) => one.index === index)
  const top = (line?.start ?? 0) - (virtualizer.value.scrollOffset ?? 0)
  return line && rowAt(index) && top >= 0 ? { index, top } : undefined
})
const changes = useChanges()
const addLine = ref<{ focus(): void }>()
/** A line between others in which items are typed. */
const insert = useInsert({
  view: () => props.view,
  project: () => props.project,
  definition: () => props.definition,
  lineAt,
  lineOf: (item) => {
    const { from, ids } = stretchIds.value
    const at = ids.indexOf(item)
    return at < 0 ? undefined : from + at
  },
})
function leaveInsert(): void {
  const line = insert.line.value
  insert.close()
  if (line !== undefined) cells.focus(line, at.value.column)
}
const select = useSelect(() => props.view, {
  itemAt: (index) => rowAt(index)?.item.id,
  isHere: (from, to) => {
    const { from: first = 0, rows = [] } = answer.value?.stretch ?? {}
    return from >= first && to < first + rows.length
  },
  folds: () => folds.value,
})
const selection = useSelection()
/** The lines that are selected and here. */
const chosenLines = (): number[] => {
  const { from, rows } = answer.value?.stretch ?? { from: 0, rows: [] }
  return rows.flatMap((line, i) => (!isHead(line) && selection.has(line.item.id) ? [from + i] : []))
}
const rowsElement = ref<HTMLElement>()
const span = useCellSpan()
const { aim, pressedDown, regroup, moveHead } = useLineMoves({
  props,
  lines: () => total.value,
  lineAt,
  chosen: chosenLines,
  rowHeight: () => rowHeight.value,
  titleAt: () => (columns.value[0]?.least ?? 0) + 26,
  scroller: () => scroller.value,
  rows: () => rowsElement.value,
  mayMove: () => (isOutline.value ? mayNest.value : mayEdit.value),
  isEditing: () => !!editing.value,
  release: () => query.hold([]),
  span,
  at: () => at.value,
})
/** What is done with a group from its head. */
const headMenu = shallowRef<{ readonly head: GroupHead; readonly line: number; readonly at: HTMLElement; readonly point?: [number, number] | undefined }>() // prettier-ignore
function openHeadMenu(line: number, at: HTMLElement, point?: [number, number]): void {
  const head = headAt(line)
  if (head) headMenu.value = { head, line, at, point }
}
/** Words are looked for in the view. */
const isFinding = ref(false)
function leaveFinding(): void {
  isFinding.value = false
  cells.focus(at.value.row, at.value.column)
}
function goTo(line: number): void {
  at.value = { ...at.value, row: line }
  virtualizer.value.scrollToIndex(line, { align: 'center' })
}
const nest = useNesting({
  definition: () => props.definition,
  rowAt,
  chosen: chosenLines,
  toggleFold,
  release: () => query.hold([]),
})
const { range, pasted } = useRange({
  input: () => views.inputOf(props.view),
  folds: () => folds.value,
  span: () => span.span.value,
  at: () => at.value,
  columns: () => columns.value,
  mayPaste: () => mayEdit.value && !editing.value,
})
const cells = useCells({
  lines: () => total.value,
  columns: () => columns.value,
  rowAt,
  headAt,
  stretch: () => stretchIds.value,
  mayEdit: (key) => (key === 'place' ? mayNest.value : through.mayChange(props.project.id, key)),
  tellHeld: (name) => void (directory.may('change items', props.project.id) && changes.say(viewWords.heldHere(name))),
  me: () => directory.me?.id,
  element: () => scroller.value,
  rowHeight: () => rowHeight.value,
  scrollTo: (row) => virtualizer.value.scrollToIndex(row),
  toggleFold,
  openTo: (open) => views.change(props.view, { ...props.definition, open } as ViewDefinition),
  tellWorked: (field) => void sayWorked().then((said) => changes.say(said(directory.reader, field))),
  open: (key) => emit('open', key),
  walk: (key) => emit('walk', key),
  addItem: () => void (mayAdd.value && (insert.open(at.value.row) || addLine.value?.focus())),
  menu: openMenu,
  range: (act) => void range(act),
  select,
  hasSelection: () => selection.count > 0,
  nest: (step, row) => void nest(step, row),
  cells: span,
  regroup,
  find: () => (isFinding.value = true),
  headMenu: openHeadMenu,
  moveHead,
})
const { at, editing, activeItem } = cells
// Lines that move take no selected cells along.
watch(() => JSON.stringify([views.inputOf(props.view), folds.value]), span.clear)
watch([activeItem, editing], ([id]) => query.hold(id ? [id] : []))
const editOf = (row: Row | undefined) => (row && editing.value?.item === row.item.id ? editing.value : undefined)
/** What was typed stays on the screen until the row says it, so that nothing flickers back. */
const sent = shallowRef<{ row: Row; title: string }>()
const sentTitle = (row: Row | undefined) => (sent.value && sent.value.row === row ? sent.value.title : undefined)
function keepSent(index: number, title: string | undefined): void {
  const row = rowAt(index)
  sent.value = row && title !== undefined ? { row, title } : undefined
}
</script>

<template>
  <div
    class="table"
    :class="{ 'with-more': stands && more, 'of-lines': textLines > 1 }"
    :style="{ '--key': `${columns[0]?.least}px`, ...(textLines > 1 && { '--rows-height': `${rowHeight - 1}px` }) }"
    @pointerleave="hovered = undefined"
  >
    <div
      ref="scroller"
      class="scroller"
      :role="isOutline || definition.group.length ? 'treegrid' : 'grid'"
      tabindex="-1"
      :aria-label="tableWords.label(view.name)"
      :aria-rowcount="total + 1"
      :aria-colcount="columns.length"
      aria-multiselectable="true"
      :class="{ aside }"
      @keydown="cells.onKey"
      @paste="pasted"
      @scroll.passive="aside = scroller?.scrollLeft ?? 0"
    >
      <TableHead
        :columns="columns"
        :sort="definition.sort"
        :style="{ gridTemplateColumns: template, minWidth }"
        @sort="views.change(view, { ...definition, sort: [...$event] })"
        @width="(column, to) => (dragged = { [column]: to })"
        @kept="keepWidth"
        :may-add="stands && directory.may('set up project', project.id)"
        @menu="(column, at, point) => (headPlace = { column, at, point })"
        @order="order"
        @add="headPlace = { at: $event }"
      />
      <div
        ref="rowsElement"
        class="rows"
        :class="{ dragging: aim }"
        role="rowgroup"
        :style="{ height: `${total * rowHeight}px`, minWidth, '--columns': template }"
        @focusin="cells.onFocus"
        @dblclick="cells.onDoubleClick"
        @mousedown="cells.onMouseDown"
        @pointerdown="pressedDown"
        @click="cells.onClick"
        @contextmenu="pressed"
        @pointerover="hover"
      >
        <template v-for="{ line, slot } in slots" :key="slot">
          <GroupHeadRow
            v-if="headAt(line.index) && wording"
            :head="headAt(line.index)!"
            :group="definition.group"
            :totals="definition.totals"
            :wording="wording"
            :index="line.index"
            :top="line.start"
            :is-at="line.index === at.row"
            @fold="toggleFold(headAt(line.index)!.head)"
            @menu="(at, point) => openHeadMenu(line.index, at, point)"
          />
          <TableRow
            v-else
            :row="rowAt(line.index)"
            :index="line.index"
            :top="line.start"
            :columns="columns"
            :light="light.has(line.index)"
            :at="line.index === at.row ? at.column : -1"
            :edit="editOf(rowAt(line.index))"
            :sent="sentTitle(rowAt(line.index))"
            :chosen="!!rowAt(line.index) && selection.has(rowAt(line.index)!.item.id)"
            :span="span.columnsOn(line.index)"
            :marks="marks"
            :total-said="totalSaid"
            @leave="cells.endEdit"
            @sent="keepSent(line.index, $event)"
          />
        </template>
        <div
          v-if="aim"
          class="drop"
          :style="{ transform: `translateY(${aim.gap * rowHeight - 1}px)`, left: `${aim.left}px` }"
        >
          <span>{{ aim.words }}</span>
        </div>
        <AddItem
          v-if="insert.line.value !== undefined"
          class="insert"
          :style="{
            transform: `translate(${aside}px, ${(insert.line.value + 1) * rowHeight}px)`,
            width: `${width}px`,
            paddingLeft: `${(columns[0]?.least ?? 0) + 26 + insert.level.value * levelWidth}px`,
          }"
          :label="tableWords.addHere"
          :placeholder="viewWords.addHint"
          is-brief
          :asks="insert.asks.value"
          :add="insert.add"
          :begin="insert.begin"
          @leave="leaveInsert"
          @click.stop
          @focusin.stop
          @keydown.stop
        />
      </div>
    </div>
    <RowMenu
      v-if="stands && buttonAt && !(mobile && aside)"
      :of="rowAt(buttonAt.index)?.key ?? ''"
      class="acts"
      :style="{ transform: `translateY(${buttonAt.top}px)` }"
      @mousedown.prevent
      @click.stop="openMenu(buttonAt.index, $event.currentTarget as HTMLElement)"
    />
    <template v-if="stands && more">
      <span v-if="mobile" class="more fades" :class="more" />
      <button
        v-else
        type="button"
        class="more"
        tabindex="-1"
        :aria-label="more === 'right' ? tableWords.moreRight : tableWords.backLeft"
        :title="more === 'right' ? tableWords.moreRight : tableWords.backLeft"
        @mousedown.prevent
        @click="seeMore"
      >
        <svg viewBox="0 0 24 24"><path :d="more === 'right' ? mdiChevronRight : mdiChevronLeft" /></svg>
      </button>
    </template>
    <HeadActs
      v-if="headPlace"
      :place="headPlace"
      :columns="columns"
      :project="project"
      :view="view"
      :definition="definition"
      @added="seeLast"
      @close="headPlace = undefined"
    />
    <GroupActs
      v-if="headMenu"
      :key="headMenu.head.head"
      :head="headMenu.head"
      :project="project"
      :definition="definition"
      :at="headMenu.at"
      :point="headMenu.point"
      :may-add="mayAdd"
      :fold-to="foldTo"
      @add="insert.open(headMenu.line)"
      @close="headMenu = undefined"
    />
    <FindInView
      v-if="isFinding"
      :input="{ ...views.inputOf(view), folds }"
      :from="at.row"
      @go="goTo"
      @close="leaveFinding"
    />
    <ItemMenu v-if="menu" :place="menu" :acts="rowActs" @close="menu = undefined" />
    <EmptyView v-if="answer && !answer.sums.items" :view="view" :definition="definition" @add="addLine?.focus()" />
    <AddItem
      v-if="mayAdd && stands"
      ref="addLine"
      class="add"
      :label="viewWords.add"
      :placeholder="viewWords.addHint"
      :asks="asks"
      :add="addItem"
      :begin="begin"
      @leave="cells.focus(at.row, at.column)"
    >
      <span aria-hidden="true">+</span>
    </AddItem>
  </div>
</template>

<style scoped>
.table {
  position: relative;
  height: 100%;
  display: flex;
  flex-direction: column;
}
.scroller {
  flex: 1;
  overflow: auto;
  min-height: 0;
  outline: none;
}
.rows {
  position: relative;
}
/* There is more to the side: a strip of its own, so that nothing is covered; on a phone a shade. */
.with-more .scroller {
  margin-right: 24px;
}
.more {
  position: absolute;
  right: 0;
  top: 0;
  bottom: 34px;
  width: 24px;
  display: grid;
  place-items: center;
  background: var(--sunk);
  border-left: 1px solid var(--rule);
}
.more svg {
  width: 20px;
  height: 20px;
  fill: var(--soft);
}
.more:hover svg {
  fill: var(--ink);
}
.fades {
  border: 0;
  bottom: 0;
  pointer-events: none;
  z-index: 3;
  background: linear-gradient(90deg, transparent, color-mix(in srgb, var(--ink) 12%, transparent));
}
.fades.left {
  display: none;
}
.acts {
  position: absolute;
  left: 1px;
  /* Below the heads of the columns. */
  top: calc(var(--row) + 1px + (var(--row) - var(--target)) / 2);
  z-index: 1;
}
.add {
  display: flex;
  gap: 10px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: 0 24px;
  background: var(--paper);
}
.add span {
  color: var(--leaf);
  font: 600 17px/1 var(--sans);
}
/* Where what is dragged would stand. */
.dragging {
  cursor: grabbing;
  user-select: none;
}
.drop {
  position: absolute;
  top: 0;
  right: 24px;
  max-width: 560px;
  border-top: 2px solid var(--leaf);
  pointer-events: none;
  z-index: 3;
}
.drop span {
  position: absolute;
  left: 0;
  top: 3px;
  max-width: 100%;
  padding: 1px 8px;
  border-radius: var(--round);
  background: var(--leaf);
  color: var(--on-colour);
  font-size: var(--size-small);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
/* Lies over the row below the one after which it adds. */
.insert {
  position: absolute;
  left: 0;
  top: 0;
  min-height: var(--row);
  display: flex;
  background: var(--raised);
  border-bottom: 1px solid var(--leaf);
  box-shadow: 0 -1px 0 var(--leaf);
  z-index: 2;
}
@media (max-width: 700px) {
  .with-more .scroller {
    margin-right: 0;
  }
  .acts {
    left: 0;
  }
}
</style>
