<script setup lang="ts">
import { isSameFact } from '#core/facts/registry'
import type { SortKey } from '#core/model/records'
import { words } from '../../words'
import type { TableColumn } from './columns'

/** The names of a table's columns: pressing one sorts by it, pressing it again turns the order round. */
const props = defineProps<{ columns: readonly TableColumn[]; sort: readonly SortKey[] }>()
const emit = defineEmits<{ sort: [sort: readonly SortKey[]] }>()

const isFirst = (column: TableColumn): boolean =>
  !!column.sort && !!props.sort[0] && isSameFact(props.sort[0].by, column.sort)
const sortedAs = (column: TableColumn): 'ascending' | 'descending' | undefined =>
  isFirst(column) ? (props.sort[0]?.down ? 'descending' : 'ascending') : undefined
const sortBy = (column: TableColumn) =>
  column.sort && emit('sort', [{ by: column.sort, down: sortedAs(column) === 'ascending' }])
</script>

<template>
  <div class="head" role="row">
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
/* Scrolled to the side, the heads of key and title stay. */
.aside .head > div:nth-child(-n + 2) {
  position: sticky;
  left: 0;
  background: var(--paper);
  z-index: 1;
}
.aside .head > div:nth-child(2) {
  left: 92px;
  box-shadow: 1px 0 0 var(--rule-strong);
}
@media (max-width: 700px) {
  .aside .head > div:first-child {
    position: static;
  }
  .aside .head > div:nth-child(2) {
    left: 0;
  }
  .head > div:first-child {
    padding-left: 16px;
  }
}
</style>
