<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useVirtualizer } from '@tanstack/vue-virtual'
import type { Project, View, ViewDefinition } from '#core/model/records'
import { isHead, type GroupHead, type ListLine, type Row, type Sums } from '#core/questions/questions'
import type { TotalValues } from '#core/views/totals'
import { useWatch } from '../../replica/use-watch'
import { setValue } from '../../parts/edits'
import { useChanges } from '../../stores/changes'
import { useDirectory } from '../../stores/directory'
import { stands } from '../../stores/stands'
import { useViews } from '../../stores/views'
import { words } from '../../words'
import { observeOffset, observeSize, scrollWhereNeeded } from '../observe'
import { useAddItem } from '../use-add-item'
import { useWording } from '../../frame/phrases/wording'
import { toggled } from '../../frame/phrases/toggled'
import EmptyView from '../../frame/EmptyView.vue'
import { useStretch } from '../use-stretch'
import GroupHeadRow from './GroupHeadRow.vue'
import { useLightRows } from './use-light-rows'
import { columnsOf, gridTemplate, leastWidth, type TableColumn } from './columns'
import TableRow, { type Edit } from './TableRow.vue'

/** All items of the view, one a row; edited in place by mouse or keyboard alone (ARIA grid). */
const props = defineProps<{ project: Project; view: View; definition: ViewDefinition }>()
const emit = defineEmits<{ sums: [sums: Sums, totals: TotalValues]; open: [key: string]; walk: [key: string] }>()
const changes = useChanges()
const directory = useDirectory()
const views = useViews()
const addItem = useAddItem(
  () => props.project,
  () => props.definition,
)

const { answer: told, look, hold, fold } = useWatch(() => views.questionOf(props.view))
const answer = computed(() => (told.value?.layout === 'table' ? told.value : undefined))
watch(answer, (told) => told && emit('sums', told.sums, told.totals), { immediate: true })
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
const wording = useWording(() => props.project.id)

const folded = ref<readonly string[]>([])
function toggleFold(head: GroupHead): void {
  folded.value = toggled(folded.value, head.head)
  fold(folded.value)
}
// Another way of grouping has other groups.
watch(
  () => JSON.stringify(views.questionOf(props.view)),
  () => fold(folded.value),
)

const columns = computed(() =>
  columnsOf(props.definition.show.flatMap((id) => directory.reader.maybe('field', id) ?? [])),
)
const template = computed(() => gridTemplate(columns.value))
const minWidth = computed(() => `${leastWidth(columns.value)}px`)
const mayEdit = computed(() => directory.isAllowed(props.project.id, 'contributor'))

const scroller = ref<HTMLElement>()
const rowHeight = 33
/** Where the page is drawn on the server nobody knows how high it is: high enough for most. */
const firstHeight = 27 * rowHeight
const virtualizer = useVirtualizer(
  computed(() => ({
    count: total.value,
    getScrollElement: () => scroller.value ?? null,
    estimateSize: () => rowHeight,
    // The first rows are those in sight: what is drawn beyond them comes once they stand.
    overscan: stands.value ? 8 : 0,
    // Until it has been laid out: rows are drawn at once, and nothing is laid out before its time.
    initialRect: { width: 0, height: firstHeight },
    observeElementRect: observeSize,
    observeElementOffset: observeOffset,
    scrollToFn: scrollWhereNeeded,
  })),
)
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
  (from, to) => look('', from, to),
)

/** The cell that has the keyboard. */
const at = ref({ row: 0, column: 1 })
const editing = shallowRef<Edit>()
/** What was typed stays on the screen until the row says it, so that nothing flickers back. */
const sent = shallowRef<{ row: Row; title: string }>()
const sentTitle = (row: Row | undefined) => (sent.value && sent.value.row === row ? sent.value.title : undefined)
const editOf = (row: Row | undefined) => (row && editing.value?.item === row.item.id ? editing.value : undefined)
const activeItem = computed(() => rowAt(at.value.row)?.item.id)
watch(activeItem, (id) => hold(id ? [id] : []))
watch(total, (n) => {
  if (at.value.row >= n) at.value = { ...at.value, row: Math.max(0, n - 1) }
})

function focusCell(row: number, column: number): void {
  at.value = {
    row: Math.max(0, Math.min(total.value - 1, row)),
    column: Math.max(0, Math.min(columns.value.length - 1, column)),
  }
  virtualizer.value.scrollToIndex(at.value.row)
  focusWhenDrawn(60)
}

/** The row may have to be scrolled to and fetched first: some frames pass until its cell can take the focus. */
function focusWhenDrawn(frames: number): void {
  const { row, column } = at.value
  const place = headAt(row) ? `[data-row="${row}"]` : `[data-row="${row}"][data-column="${column}"]:not(.editing)`
  const cell = scroller.value?.querySelector<HTMLElement>(place)
  if (!cell) return void (frames && requestAnimationFrame(() => focusWhenDrawn(frames - 1)))
  cell.focus()
  const held = rowAt(row)
  if (held) emit('walk', held.address)
}
const pageRows = () => Math.floor((scroller.value?.clientHeight ?? 400) / rowHeight) - 1

function onKey(event: KeyboardEvent): void {
  if (editing.value || (event.target as HTMLElement).getAttribute('role') !== 'gridcell') return
  const { row, column } = at.value
  const moves: Readonly<Record<string, [number, number]>> = {
    ArrowDown: [row + 1, column], ArrowUp: [row - 1, column], ArrowLeft: [row, column - 1], ArrowRight: [row, column + 1],
    Home: [event.ctrlKey ? 0 : row, 0], End: [event.ctrlKey ? total.value - 1 : row, columns.value.length - 1],
    PageDown: [row + pageRows(), column], PageUp: [row - pageRows(), column],
  } // prettier-ignore
  const move = moves[event.key]
  const head = headAt(row)
  const isFolding =
    head && (event.key === 'Enter' || event.key === ' ' || event.key === (head.folded ? 'ArrowRight' : 'ArrowLeft'))
  if (isFolding) toggleFold(head)
  else if (move) focusCell(...move)
  else if (event.key === 'Enter' || event.key === 'F2') startEdit(row, column)
  else if (event.key === ' ') startEdit(row, column)
  else if (event.key === 'Insert' || (event.key === 'Enter' && event.ctrlKey)) addInput.value?.focus()
  else if ((event.key === 'Delete' || event.key === 'Backspace') && mayEdit.value) empty(row, column)
  else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey)
    startEdit(row, column, event.key)
  else return
  event.preventDefault()
}

function startEdit(rowIndex: number, columnIndex: number, typed?: string): void {
  const [row, column] = [rowAt(rowIndex), columns.value[columnIndex]]
  if (!row || !column) return
  at.value = { row: rowIndex, column: columnIndex }
  if (column.is === 'key' || column.field?.type === 'longText') return emit('open', row.address)
  if (!mayEdit.value) return
  if (column.field?.type === 'checkbox') {
    const held = row.item.values[column.field.id] ?? null
    return void setValue(changes, row.item, column.field.id, held, held ? null : true)
  }
  editing.value = { item: row.item.id, column: column.id, typed }
}

const placeOf = (target: EventTarget | null): { row: number; column: number } | undefined => {
  const cell = (target as HTMLElement).closest<HTMLElement>('[role=gridcell]')
  return cell ? { row: Number(cell.dataset.row), column: Number(cell.dataset.column) } : undefined
}
function onFocus(event: FocusEvent): void {
  const place = placeOf(event.target)
  const column = place && (headAt(place.row) ? at.value.column : place.column)
  if (place && (place.row !== at.value.row || column !== at.value.column))
    at.value = { row: place.row, column: column! }
}
function onDoubleClick(event: MouseEvent): void {
  const place = placeOf(event.target)
  if (place && !editing.value) startEdit(place.row, place.column)
}
function onClick(event: MouseEvent): void {
  const place = placeOf(event.target)
  const row = place && (event.target as HTMLElement).closest('.key') && rowAt(place.row)
  if (row) emit('open', row.address)
}
function keepSent(index: number, title: string | undefined): void {
  const row = rowAt(index)
  sent.value = row && title !== undefined ? { row, title } : undefined
}

function empty(rowIndex: number, columnIndex: number): void {
  const [row, field] = [rowAt(rowIndex), columns.value[columnIndex]?.field]
  const held = row && field && row.item.values[field.id]
  if (!row || !field || held === undefined || field.type === 'longText') return
  if (Array.isArray(held))
    void changes.send({
      type: 'items.set',
      items: [{ item: row.item.id, set: { [field.id]: { add: [], remove: [...(held as string[])] } } }],
    })
  else void setValue(changes, row.item, field.id, held, null)
}

function endEdit(by: 'Enter' | 'Tab' | 'Escape' | 'blur'): void {
  editing.value = undefined
  if (by === 'Enter') focusCell(at.value.row + (at.value.row < total.value - 1 ? 1 : 0), at.value.column)
  else if (by === 'Tab') focusCell(at.value.row, at.value.column + 1)
  else if (by === 'Escape') focusCell(at.value.row, at.value.column)
}

function sortBy(column: TableColumn): void {
  if (!column.sort) return
  const first = props.definition.sort[0]
  const down = first?.by === column.sort && !first.down
  views.change(props.view, { ...props.definition, sort: [{ by: column.sort, down }] })
}
const sortedAs = (column: TableColumn): 'ascending' | 'descending' | undefined => {
  const first = props.definition.sort[0]
  return first && first.by === column.sort ? (first.down ? 'descending' : 'ascending') : undefined
}

const addInput = ref<HTMLInputElement>()
const newTitle = ref('')
async function add(): Promise<void> {
  const title = newTitle.value.trim()
  if (!title) return
  newTitle.value = ''
  if (!(await addItem(title))) newTitle.value = title
}
</script>

<template>
  <div class="table">
    <div
      ref="scroller"
      class="scroller"
      role="grid"
      :aria-label="words.table.label(view.name)"
      :aria-rowcount="total + 1"
      :aria-colcount="columns.length"
      @keydown="onKey"
    >
      <div class="head" role="row" :style="{ gridTemplateColumns: template, minWidth }">
        <div
          v-for="column in columns"
          :key="column.id"
          role="columnheader"
          :aria-sort="sortedAs(column)"
          :class="{ number: column.isNumber }"
        >
          <button v-if="column.sort" type="button" :title="words.table.sortBy(column.name)" @click="sortBy(column)">
            {{ column.name }}
            <span v-if="sortedAs(column)" aria-hidden="true">{{ sortedAs(column) === 'ascending' ? '↑' : '↓' }}</span>
          </button>
          <span v-else>{{ column.name }}</span>
        </div>
      </div>
      <div
        class="rows"
        role="rowgroup"
        :style="{ height: `${virtualizer.getTotalSize()}px`, minWidth, '--columns': template }"
        @focusin="onFocus"
        @dblclick="onDoubleClick"
        @click="onClick"
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
            @fold="toggleFold(headAt(line.index)!)"
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
            @leave="endEdit"
            @sent="keepSent(line.index, $event)"
          />
        </template>
      </div>
    </div>
    <EmptyView v-if="answer && !answer.sums.items" :view="view" :definition="definition" />
    <form v-if="mayEdit" class="add" @submit.prevent="add">
      <span aria-hidden="true">+</span
      ><input
        ref="addInput"
        v-model="newTitle"
        :aria-label="words.view.add"
        :placeholder="words.view.addHint"
        maxlength="600"
        autocomplete="off"
        @keydown.esc="focusCell(at.row, at.column)"
      />
    </form>
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
}
.head {
  display: grid;
  position: sticky;
  top: 0;
  z-index: 2;
  background: var(--paper);
  border-bottom: 1px solid var(--rule-strong);
  color: var(--soft);
  font-size: 12.5px;
}
.head > div {
  padding: 7px 10px;
  font-weight: 600;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.head > div::first-letter,
.head button::first-letter {
  text-transform: uppercase;
}
.head .number {
  text-align: right;
}
.head > div:first-child {
  padding-left: 24px;
}
.rows {
  position: relative;
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
  font-weight: 600;
}
.add input {
  flex: 1;
  border: 0;
  background: transparent;
  padding: 8px 4px;
  outline-offset: -2px;
}
.add input::placeholder {
  color: var(--soft);
}
@media (max-width: 700px) {
  .head > div:first-child {
    padding-left: 16px;
  }
}
</style>
