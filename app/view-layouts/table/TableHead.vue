<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { isSameFact } from '#core/facts/registry'
import { leastWidth, mostWidth } from '#core/model/names'
import type { SortKey } from '#core/model/records'
import { followRowDrag, type RowDrag } from '../../parts/row-drag'
import { frameWords } from '../../shell/words'
import { tableWords } from '../words'
import type { TableColumn } from './columns'

/**
 * The names of a table's columns: pressing one sorts by it, pressing it again turns the order round. Dragging the edge of
 * one, or Shift and an arrow, makes it wider or narrower; `width` says so as it goes, and `kept` when it is done.
 */
const props = defineProps<{ columns: readonly TableColumn[]; sort: readonly SortKey[]; mayAdd?: boolean }>()
const emit = defineEmits<{
  sort: [sort: readonly SortKey[]]
  width: [column: string, width: number]
  kept: [column: string, width: number | null]
  menu: [column: TableColumn, at: HTMLElement, point?: [number, number]]
  order: [field: string, before: string | null]
  add: [at: HTMLElement]
}>()

const isFirst = (column: TableColumn): boolean =>
  !!column.sort && !!props.sort[0] && isSameFact(props.sort[0].by, column.sort)
const sortedAs = (column: TableColumn): 'ascending' | 'descending' | undefined =>
  isFirst(column) ? (props.sort[0]?.down ? 'descending' : 'ascending') : undefined
const sortBy = (column: TableColumn) =>
  column.sort && emit('sort', [{ by: column.sort, down: sortedAs(column) === 'ascending' }])

/** A key has the button of its row before it. */
const within = (column: TableColumn, width: number): number =>
  Math.max(column.is === 'key' ? 64 : leastWidth, Math.min(mostWidth, Math.round(width)))
/** What can be done with a field: by its button, a right press, or the keyboard’s own key for it. */
function openMenu(event: MouseEvent, column: TableColumn): void {
  if (!hasMenu(column)) return
  event.preventDefault()
  emit('menu', column, headOf(event), event.button === 2 ? [event.clientX, event.clientY] : undefined)
}
/** What stays in any case, and what a total is alone in, has nothing to be done with. */
const hasMenu = ({ is }: TableColumn): boolean => is === 'field' || is === 'kind' || is === 'status'
const headOf = (event: Event): HTMLElement =>
  (event.currentTarget as HTMLElement).closest<HTMLElement>('[role=columnheader]')!
function drag(event: PointerEvent, column: TableColumn): void {
  const grip = event.currentTarget as HTMLElement
  const [from, before] = [event.clientX, headOf(event).offsetWidth]
  let width = before
  grip.setPointerCapture(event.pointerId)
  grip.onpointermove = (to) => {
    width = within(column, before + to.clientX - from)
    emit('width', column.id, width)
  }
  grip.onlostpointercapture = () => {
    grip.onpointermove = null
    if (width !== before) emit('kept', column.id, width)
  }
}
/** The columns of fields, which are put in another order by their heads. */
const fields = computed(() => props.columns.filter((column) => column.is === 'field'))
const ordered = shallowRef<RowDrag>()
const element = ref<HTMLElement>()
function grab(event: PointerEvent, column: TableColumn): void {
  if (column.is !== 'field' || event.pointerType === 'touch') return
  followRowDrag(event, {
    rows: fields.value,
    row: column,
    isAcross: true,
    lines: () => [...(element.value?.querySelectorAll<HTMLElement>('[data-field]') ?? [])],
    show: (now) => (ordered.value = now),
    order: ({ id }, before) => emit('order', id, before?.id ?? null),
  })
}
const dropOf = ({ id }: TableColumn): string | undefined => {
  const at = fields.value.findIndex((one) => one.id === id)
  if (at < 0 || !ordered.value) return undefined
  if (ordered.value.to === at) return 'before'
  return ordered.value.to === at + 1 && at === fields.value.length - 1 ? 'after' : undefined
}
function move(column: TableColumn, by: -1 | 1): void {
  const at = fields.value.findIndex(({ id }) => id === column.id)
  const others = fields.value.filter(({ id }) => id !== column.id)
  if (at < 0 || at + by < 0 || at + by > others.length) return
  emit('order', column.id, others[at + by]?.id ?? null)
}
function key(event: KeyboardEvent, column: TableColumn): void {
  const way = event.altKey ? ({ ArrowLeft: -1, ArrowRight: 1 } as const)[event.key] : undefined
  if (way) return (event.preventDefault(), move(column, way))
  const step = { ArrowLeft: -16, ArrowRight: 16 }[event.key]
  if (!event.shiftKey || (!step && event.key !== 'Home')) return
  event.preventDefault()
  emit('kept', column.id, step ? within(column, headOf(event).offsetWidth + step) : null)
}
</script>

<template>
  <div ref="element" class="head" role="row">
    <div
      v-for="column in columns"
      :key="column.id"
      role="columnheader"
      :data-field="column.is === 'field' ? '' : undefined"
      :aria-sort="sortedAs(column)"
      :class="[
        dropOf(column),
        {
          number: column.isNumber,
          frozen: column.left !== undefined,
          last: column.isLastFrozen,
          dragged: ordered?.id === column.id,
        },
      ]"
      :style="column.left === undefined ? undefined : { '--left': `${column.left}px` }"
      @contextmenu="openMenu($event, column)"
    >
      <component
        :is="column.sort ? 'button' : 'span'"
        class="name"
        :type="column.sort ? 'button' : undefined"
        :title="column.sort ? tableWords.sortBy(column.name) : undefined"
        @click="sortBy(column)"
        @pointerdown="grab($event, column)"
        @keydown="key($event, column)"
        ><span class="words one-line">{{ column.name }}</span
        ><span v-if="column.sign" aria-hidden="true" :title="column.signHint">{{ column.sign }}</span
        ><span v-if="sortedAs(column)" aria-hidden="true">{{
          sortedAs(column) === 'ascending' ? '↑' : '↓'
        }}</span></component
      >
      <span
        v-if="hasMenu(column)"
        class="acts"
        aria-hidden="true"
        :title="frameWords.acts(column.name)"
        @click="openMenu($event, column)"
        >⋯</span
      >
      <span
        class="grip"
        aria-hidden="true"
        :title="tableWords.width"
        @pointerdown.prevent="drag($event, column)"
        @dblclick="emit('kept', column.id, null)"
      />
    </div>
    <div v-if="mayAdd" role="columnheader">
      <button
        type="button"
        class="new"
        :aria-label="tableWords.newField"
        :title="tableWords.newField"
        @click="emit('add', $event.currentTarget as HTMLElement)"
      >
        +
      </button>
    </div>
  </div>
</template>

<style scoped>
.head {
  display: grid;
  position: sticky;
  top: 0;
  z-index: 2;
  background: var(--paper);
  border-bottom: 1px solid var(--rule-strong);
  color: var(--soft);
  font-size: var(--size-small);
}
.head > div {
  position: relative;
  font-weight: 600;
  min-width: 0;
}
.name {
  display: flex;
  gap: 4px;
  align-items: center;
  width: 100%;
  height: var(--row);
  padding: 0 10px;
  white-space: nowrap;
}
.name:focus-visible {
  outline-offset: -2px;
}
.words::first-letter {
  text-transform: uppercase;
}
.number .name {
  justify-content: end;
}
.head > div:first-child .name {
  padding-left: 24px;
}
.acts {
  position: absolute;
  right: 6px;
  top: 5px;
  bottom: 5px;
  width: 22px;
  display: none;
  place-items: center;
  border-radius: var(--round);
  background: var(--raised);
  cursor: pointer;
}
.head > div:hover .acts {
  display: grid;
}
.new {
  width: 100%;
  height: var(--row);
  font-size: var(--size-body);
}
.new:hover {
  color: var(--leaf);
}
.grip {
  position: absolute;
  right: -5px;
  top: 0;
  bottom: 0;
  width: 10px;
  z-index: 1;
  cursor: col-resize;
  touch-action: none;
}
.grip::after {
  content: '';
  position: absolute;
  left: 4px;
  top: 6px;
  bottom: 6px;
  width: 2px;
  border-radius: 1px;
}
.head:hover .grip::after {
  background: var(--rule-strong);
}
.head .grip:hover::after,
.head .grip:active::after {
  background: var(--leaf);
}
/* Scrolled to the side, the heads of key and title stay. */
.aside .head > div:nth-child(-n + 2) {
  position: sticky;
  left: 0;
  background: var(--paper);
  z-index: 1;
}
.aside .head > div:nth-child(2) {
  left: var(--key);
  box-shadow: 1px 0 0 var(--rule-strong);
}
/* So do those that are frozen. */
.aside .head > .frozen {
  position: sticky;
  left: var(--left);
  background: var(--paper);
  z-index: 1;
}
.aside .head > .last {
  box-shadow: 1px 0 0 var(--rule-strong);
}
.head > .dragged {
  opacity: 0.5;
}
.head > .before {
  box-shadow: inset 3px 0 0 var(--leaf);
}
.head > .after {
  box-shadow: inset -3px 0 0 var(--leaf);
}
@media (max-width: 700px) {
  .aside .head > div:first-child {
    position: static;
  }
  .aside .head > div:nth-child(2) {
    left: 0;
  }
  .head > div:first-child .name {
    padding-left: 44px;
  }
}
</style>
