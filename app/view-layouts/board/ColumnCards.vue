<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import { useVirtualizer } from '@tanstack/vue-virtual'
import type { Begin } from '#core/entry/new-items'
import { must } from '#core/base/result'
import { tieId } from '#core/base/ids'
import type { Row } from '#core/layouts/rows'
import type { Field, Item } from '#core/model/records'
import { columnWords, viewWords } from '../words'
import { AddItem } from '../../parts/controls'
import { useStretch } from '../../parts/use-stretch'
import { useDirectory } from '../../data/directory'
import BoardCard from './BoardCard.vue'
import { boardKey } from './context'
import type { ShownColumn } from './use-columns'

/** The cards of a column; only those in sight are drawn. */
const props = defineProps<{
  shown: ShownColumn
  isAdding: boolean
  asks: readonly Field[]
  add(title: string, said: Item['values']): Promise<unknown>
  begin(): Begin | undefined
}>()
const emit = defineEmits<{ adding: [isAdding: boolean] }>()
const board = must(inject(boardKey), 'board')
const directory = useDirectory()
const list = ref<HTMLElement>()
const column = computed(() => props.shown.column)
const stretch = computed(() => props.shown.answer?.stretch)
const count = computed(() => (props.shown.isFolded ? 0 : (props.shown.answer?.shown ?? 0)))
const rowAt = (index: number): Row | undefined => stretch.value?.rows[index - stretch.value.from]
/** About how high a card is, in pixels, until it has been measured: a title takes a line for this many letters. */
const heightOf = (index: number) => 59 + 18 * Math.ceil((rowAt(index)?.item.title.length ?? 1) / 27)
const virtualizer = useVirtualizer(computed(() => ({
  count: count.value, getScrollElement: () => board.scroller.value ?? null, estimateSize: heightOf, overscan: 8, gap: 7,
  initialRect: { width: 0, height: 640 },
  getItemKey: (index: number) => rowAt(index)?.item.id ?? index,
}))) // prettier-ignore
const inSight = computed(() => virtualizer.value.getVirtualItems())
useStretch(
  inSight,
  () => stretch.value,
  () => count.value,
  (from, to) => board.look(column.value.id, from, to),
)
const measure = (element: unknown) => element instanceof HTMLElement && virtualizer.value.measureElement(element)

/** Why a card was let past the limit, for as long as the column is over it. */
const letPast = (row: Row): string | undefined =>
  props.shown.isOver
    ? directory.reader.maybe('overrule', tieId<'overrule'>(column.value.id, row.item.id))?.reason
    : undefined
/** Where the lifted card would come to lie, in pixels from the top. */
const slot = computed(() => {
  const lift = board.lift.value
  if (!lift || lift.column !== column.value.id) return undefined
  const own = inSight.value.findIndex((line) => rowAt(line.index)?.item.id === lift.row.item.id)
  const ownIndex = own < 0 ? Infinity : (inSight.value[own]?.index ?? Infinity)
  const index = lift.index >= ownIndex ? lift.index + 1 : lift.index
  const line = inSight.value.find((one) => one.index === index)
  const last = inSight.value.at(-1)
  return {
    top: line ? line.start : last ? last.end + 7 : 0,
    ...board.dropOn(lift.row, props.shown),
  }
})
</script>

<template>
  <div v-if="shown.isFolded" class="cell folded" :data-board-column="column.id">
    <span>{{ shown.held }} {{ column.name }}</span>
  </div>
  <section
    v-else
    class="cell"
    :class="{ over: shown.isOver, aim: slot }"
    :data-board-column="column.id"
    :aria-label="column.name"
  >
    <div
      ref="list"
      class="cards"
      role="list"
      :aria-label="column.name"
      :style="{ height: `${virtualizer.getTotalSize()}px` }"
    >
      <div
        v-for="line in inSight"
        :key="String(line.key)"
        :ref="measure as never"
        role="listitem"
        class="line"
        :data-index="line.index"
        :data-place="line.index"
        :data-item="rowAt(line.index)?.item.id"
        :style="{ transform: `translateY(${line.start}px)` }"
      >
        <BoardCard v-if="rowAt(line.index)" :row="rowAt(line.index)!" :let-past="letPast(rowAt(line.index)!)" />
        <div v-else class="blank" />
      </div>
      <div v-if="slot" class="slot" :class="{ no: slot.isOver }" :style="{ transform: `translateY(${slot.top}px)` }">
        {{ slot.words }}
      </div>
    </div>
    <div v-if="board.mayAdd.value" class="add">
      <AddItem
        v-if="isAdding"
        is-brief
        :label="columnWords.add(column.name)"
        :placeholder="viewWords.addHint"
        :asks="asks"
        :add="add"
        :begin="begin"
        @leave="emit('adding', false)"
      />
      <button
        v-else
        type="button"
        class="soft"
        :aria-label="columnWords.add(column.name)"
        @click="emit('adding', true)"
      >
        +
      </button>
    </div>
  </section>
</template>

<style scoped>
.cell {
  padding: 8px 7px 10px;
  border-left: 1px solid var(--rule);
  min-width: 0;
}
.cell:first-child {
  border-left: 0;
}
.over {
  background: color-mix(in srgb, var(--rust-tint) 55%, transparent);
}
.aim:not(.over) {
  background: var(--leaf-tint);
}
.folded {
  background: var(--sunk);
  padding: 9px 0;
  display: flex;
  justify-content: center;
}
.folded span {
  writing-mode: vertical-rl;
  font: var(--type-section);
  color: var(--soft);
  white-space: nowrap;
}
.cards {
  position: relative;
}
.line {
  position: absolute;
  left: 0;
  right: 0;
  top: 0;
}
.blank {
  height: 84px;
}
.slot {
  position: absolute;
  left: 0;
  right: 0;
  top: -4px;
  z-index: 2;
  border: 1.5px dashed var(--leaf);
  background: color-mix(in srgb, var(--raised) 88%, transparent);
  border-radius: var(--round-card);
  height: 40px;
  display: grid;
  place-items: center;
  color: var(--leaf);
  font-size: var(--size-small);
  pointer-events: none;
}
.slot.no {
  border-color: var(--rust);
  color: var(--rust);
}
.add {
  padding-top: 6px;
}
.add button {
  width: 100%;
  text-align: center;
  border-radius: var(--round-card);
  min-height: var(--target);
}
.add button:hover {
  background: var(--sunk);
}
@media (max-width: 700px) {
  .cell {
    padding: 12px 14px;
    border: 0;
  }
}
</style>
