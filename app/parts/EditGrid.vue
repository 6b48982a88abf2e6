<script setup lang="ts" generic="R extends { readonly id: string; readonly name: string }, C extends string">
import { computed, nextTick, ref } from 'vue'
import { mdiDragVertical } from '@mdi/js'
import { VIcon } from 'vuetify/components/VIcon'
import { asksForMenu } from './menu-place'
import { followRowDrag, type RowDrag } from './row-drag'

/** A short list of things that are edited where they stand and have an order: walked by arrows, ordered by drag or Alt. */
export interface GridColumn<C> {
  readonly id: C
  readonly head: string
  readonly hint?: string
  /** A width of a grid's column. */
  readonly width: string
  readonly isNumber?: boolean
  readonly isEditable?: boolean
  /** Left out where there is little room: 1 sooner than 2. */
  readonly spare?: 1 | 2
}
/** What whoever shows it can ask of it. */
export interface GridHandle {
  focus(id?: string, column?: number): void
  /** The same of a row that has just been made, once what asked for it has closed; not where something else has opened. */
  focusNew(id: string): void
}
const props = defineProps<{
  rows: readonly R[]
  columns: readonly GridColumn<C>[]
  label: string
  mayEdit: boolean
  /** The row that something is about to be done with. */
  marked?: string | undefined
}>()
const emit = defineEmits<{
  edit: [row: R, column: C, at: HTMLElement]
  /** Before another; null: at the end. */
  order: [row: R, before: R | null]
  remove: [row: R, at: HTMLElement]
  menu: [row: R, at: HTMLElement, point?: [number, number]]
}>()
const grid = ref<HTMLElement>()
const at = ref({ row: '', column: 0 })
const rowAt = computed(() =>
  Math.max(
    0,
    props.rows.findIndex(({ id }) => id === at.value.row),
  ),
)
const widths = (columns: readonly GridColumn<C>[]) => `22px ${columns.map(({ width }) => width).join(' ')}`
const template = computed(() => ({
  '--columns': widths(props.columns),
  '--some': widths(props.columns.filter(({ spare }) => spare !== 1)),
  '--few': widths(props.columns.filter(({ spare }) => !spare)),
}))
const isHere = (row: number, column: number) => row === rowAt.value && column === at.value.column

function focus(id = props.rows[rowAt.value]?.id, column = at.value.column): void {
  at.value = { row: id ?? '', column }
  void nextTick(() => grid.value?.querySelector<HTMLElement>(`[data-cell="${id} ${column}"]`)?.focus())
}
const steps: Readonly<Record<string, [rows: number, across: number]>> = {
  ArrowDown: [1, 0], ArrowUp: [-1, 0], ArrowRight: [0, 1], ArrowLeft: [0, -1], Home: [0, -99], End: [0, 99],
  PageDown: [15, 0], PageUp: [-15, 0],
} // prettier-ignore
function step([rows, across]: [number, number]): void {
  const row = Math.max(0, Math.min(props.rows.length - 1, rowAt.value + rows))
  focus(props.rows[row]?.id, Math.max(0, Math.min(props.columns.length - 1, at.value.column + across)))
}
/** One place up or down. */
function shift(row: R, by: 1 | -1): void {
  const from = props.rows.indexOf(row)
  const to = from + by
  if (to < 0 || to >= props.rows.length) return
  emit('order', row, props.rows[by > 0 ? to + 1 : to] ?? null)
  focus(row.id)
}
function onKey(event: KeyboardEvent, row: R, column: number): void {
  const cell = event.currentTarget as HTMLElement
  const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey
  if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
    if (props.mayEdit) shift(row, event.key === 'ArrowDown' ? 1 : -1)
  } else if (isPlain && steps[event.key]) step(steps[event.key]!)
  else if (isPlain && (event.key === 'Enter' || event.key === 'F2')) act(row, column, cell)
  else if (isPlain && event.key === 'Delete' && props.mayEdit) emit('remove', row, cell)
  else if (asksForMenu(event)) emit('menu', row, cell)
  else return
  event.preventDefault()
}
function act(row: R, column: number, cell: HTMLElement): void {
  at.value = { row: row.id, column }
  const shown = props.columns[column]
  if (props.mayEdit && shown?.isEditable) emit('edit', row, shown.id, cell)
}

const drag = ref<RowDrag>()
function startDrag(event: PointerEvent, row: R): void {
  event.preventDefault()
  followRowDrag(event, {
    rows: props.rows,
    row,
    lines: () => [...(grid.value?.querySelectorAll<HTMLElement>('[data-row]') ?? [])],
    show: (now) => (drag.value = now),
    order: (moved, before) => emit('order', moved, before),
  })
}
const focusNew = (id: string): void =>
  void setTimeout(() => !document.querySelector('.v-overlay--active[aria-modal]') && focus(id, 0), 100)
defineExpose({ focus, focusNew })
</script>

<template>
  <div ref="grid" class="edit-grid" role="grid" :aria-label="label" :style="template">
    <div class="line head" role="row">
      <span role="presentation" />
      <span
        v-for="column in columns"
        :key="column.id"
        role="columnheader"
        :class="{ number: column.isNumber, [`spare-${column.spare}`]: column.spare }"
        :title="column.hint"
        >{{ column.head }}</span
      >
    </div>
    <div
      v-for="(row, i) in rows"
      :key="row.id"
      class="line"
      role="row"
      data-row
      :class="{
        marked: row.id === marked,
        dragged: drag?.id === row.id,
        before: drag?.to === i,
        end: drag?.to === rows.length && i === rows.length - 1,
      }"
      @contextmenu.prevent="emit('menu', row, $event.currentTarget as HTMLElement, [$event.clientX, $event.clientY])"
    >
      <span v-if="mayEdit" class="handle" role="presentation" @pointerdown="startDrag($event, row)"
        ><VIcon :icon="mdiDragVertical" size="16"
      /></span>
      <span v-else role="presentation" />
      <span
        v-for="(column, j) in columns"
        :key="column.id"
        role="gridcell"
        class="cell one-line"
        :class="{
          number: column.isNumber,
          [`spare-${column.spare}`]: column.spare,
          editable: mayEdit && column.isEditable,
        }"
        :tabindex="isHere(i, j) ? 0 : -1"
        :data-cell="`${row.id} ${j}`"
        @click="act(row, j, $event.currentTarget as HTMLElement)"
        @keydown="onKey($event, row, j)"
        @focus="at = { row: row.id, column: j }"
        ><slot :row="row" :column="column.id"
      /></span>
    </div>
  </div>
</template>

<style scoped>
.edit-grid {
  container: edit-grid / inline-size;
}
.line {
  display: grid;
  grid-template-columns: var(--columns);
  align-items: center;
  min-height: max(34px, var(--target));
  border-bottom: 1px solid var(--rule);
}
.head {
  color: var(--soft);
  font-size: var(--size-small);
  font-weight: 600;
  border-bottom-color: var(--rule-strong);
}
.head > span,
.cell {
  padding: 0 8px;
}
.number {
  text-align: right;
}
.cell {
  line-height: max(32px, var(--target));
  border-radius: var(--round);
}
.cell:focus-visible {
  outline: 2px solid var(--leaf);
  outline-offset: -2px;
}
.editable {
  cursor: pointer;
}
.editable:hover {
  background: var(--leaf-tint);
}
.handle {
  display: grid;
  place-items: center;
  height: 100%;
  color: var(--soft);
  cursor: grab;
  touch-action: none;
  opacity: 0.55;
}
.line:hover .handle {
  opacity: 1;
}
.marked {
  background: var(--rust-tint);
}
.dragged {
  opacity: 0.5;
}
.before {
  box-shadow: 0 -2px 0 var(--leaf);
}
.end {
  box-shadow: 0 2px 0 var(--leaf);
}
@container edit-grid (max-width: 680px) {
  .line {
    grid-template-columns: var(--some);
  }
  .spare-1 {
    display: none;
  }
}
@container edit-grid (max-width: 480px) {
  .line {
    grid-template-columns: var(--few);
  }
  .spare-2 {
    display: none;
  }
}
</style>
