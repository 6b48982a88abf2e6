<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { useVirtualizer } from '@tanstack/vue-virtual'
import type { ColumnPlan } from '#core/bring-in/columns'
import { fieldTypeNames } from '#core/fields/names'
import { isInItem, isWorkedOut } from '#core/fields/registry'
import type { Field } from '#core/model/records'
import SelectOne from '../parts/SelectOne.vue'
import { useStretch } from '../parts/use-stretch'
import { bringInWords } from './words'
import { itemWords } from '../item/words'
import { headOf } from '../parts/called'
import { useDirectory } from '../data/directory'
import { tableWords } from '../view-layouts/words'
import { newFieldWords, targetKey } from './targets'
import type { BringIn } from './use-bring-in'
import type { PlanSummary, ReadFile, ShownRow } from './worker'

/** The rows of a file, each as it will be, under what its columns become. */
const props = defineProps<{
  name: string
  file: ReadFile
  columns: readonly ColumnPlan[]
  plan: PlanSummary | undefined
  fields: readonly Field[]
  fetch: BringIn['rows']
  placeOf: BringIn['placeOf']
}>()
const directory = useDirectory()
const emit = defineEmits<{ retarget: [column: number, key: string] }>()

const scroller = ref<HTMLElement>()
const virtualizer = useVirtualizer(
  computed(() => ({
    count: props.file.records,
    getScrollElement: () => scroller.value ?? null,
    estimateSize: () => 31,
    overscan: 20,
  })),
)
const lines = computed(() => virtualizer.value.getVirtualItems())
const rows = shallowRef<{ from: number; rows: readonly ShownRow[] }>({ from: 0, rows: [] })
async function fetchRows(first = lines.value[0]?.index ?? 0, last = lines.value.at(-1)?.index ?? 40): Promise<void> {
  const from = Math.max(0, first - 400)
  rows.value = { from, rows: await props.fetch(from, last + 400) }
}
watch(
  () => props.plan,
  () => void fetchRows(),
)
useStretch(
  lines,
  () => (props.plan ? rows.value : undefined),
  () => props.file.records,
  (from, to) => void fetchRows(from, to),
)
const rowAt = (index: number): ShownRow | undefined => rows.value.rows[index - rows.value.from]
const faultOf = computed(() => new Map((props.plan?.faults ?? []).map((fault) => [fault.line, fault])))
const upLines = computed(() => new Set((props.plan?.movedUp ?? []).map((one) => one.line)))
const titleAt = computed(() => props.columns.findIndex((one) => one.target.to === 'title'))
const widthOf = ({ target }: ColumnPlan): string => {
  if (target.to === 'title') return '240px'
  return target.to === 'new' && target.type === 'longText' ? '180px' : '128px'
}
const template = computed(() => `72px ${props.columns.map(widthOf).join(' ')}`)

/** What a column can become. */
const targetsOf = (column: ColumnPlan) => [
  ...[
    ['title', headOf(directory, props.fields[0]?.project, 'title')],
    ['kind', tableWords.kind],
    ['status', headOf(directory, props.fields[0]?.project, 'status')],
    ['parent', itemWords.parent],
  ].map(([value = '', name = '']) => ({ value, title: `→ ${name.toLowerCase()}` })),
  ...props.fields
    .filter((field) => !isWorkedOut(field))
    .map((field) => ({ value: `field ${field.id}`, title: `→ ${field.name}` })),
  ...fieldTypeNames
    .filter((type) => isInItem({ type }))
    .map((type) => ({
      value: `new ${type}`,
      title: `${bringInWords.newField} ${newFieldWords(column, type)}`,
    })),
  { value: 'nothing', title: bringInWords.nothing },
]

/** Scrolls to a line of the file, and gives the keyboard to where it can be mended. */
async function goTo(line: number): Promise<void> {
  const place = await props.placeOf(line)
  if (place >= 0) virtualizer.value.scrollToIndex(place, { align: 'center' })
  void nextTick(() => document.getElementById(`mend-${line}`)?.focus())
}
defineExpose({ goTo })
</script>

<template>
  <div ref="scroller" class="grid" role="table" :aria-label="name" :aria-rowcount="file.records + 1" tabindex="0">
    <div class="cols" role="row" :style="{ gridTemplateColumns: template }">
      <div class="h" role="columnheader">
        <b>{{ bringInWords.line }}</b>
      </div>
      <div v-for="(column, i) in columns" :key="i" class="h" role="columnheader">
        <b :title="column.header">{{ column.header }}</b>
        <SelectOne
          :class="{ new: column.target.to === 'new' }"
          :label="bringInWords.becomes(column.header)"
          :choices="targetsOf(column)"
          :chosen="targetKey(column.target)"
          @choose="emit('retarget', i, $event)"
        />
      </div>
    </div>
    <div class="rows" role="rowgroup" :style="{ height: `${virtualizer.getTotalSize()}px` }">
      <div
        v-for="line in lines"
        :key="String(line.key)"
        class="line"
        role="row"
        :class="{ bad: rowAt(line.index)?.isLeftOut, up: upLines.has(rowAt(line.index)?.line ?? -1) }"
        :style="{ gridTemplateColumns: template, transform: `translateY(${line.start}px)` }"
      >
        <template v-if="rowAt(line.index)">
          <span role="rowheader" class="soft">{{ rowAt(line.index)!.line }}</span>
          <span
            v-for="(_, i) in columns"
            :key="i"
            role="cell"
            :class="{
              x: rowAt(line.index)!.isLeftOut && faultOf.get(rowAt(line.index)!.line)?.column === i,
              out: columns[i]?.target.to === 'nothing',
            }"
            :style="i === titleAt ? { paddingLeft: `${10 + rowAt(line.index)!.level * 14}px` } : {}"
            >{{ rowAt(line.index)!.cells[i] || (i === titleAt ? bringInWords.noTitle : '') }}</span
          >
        </template>
      </div>
    </div>
  </div>
</template>

<style scoped>
.grid {
  overflow: auto;
  min-height: 0;
}
.cols {
  display: grid;
  position: sticky;
  top: 0;
  z-index: 2;
  background: var(--sunk);
  border-bottom: 1px solid var(--rule-strong);
  min-width: max-content;
}
.h {
  padding: 9px 10px 8px;
  border-left: 1px solid var(--rule);
  font-size: var(--size-small);
  min-width: 0;
}
.h:first-child {
  border-left: 0;
  padding-left: 24px;
}
.h b {
  display: block;
  font: var(--type-section);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.h .new {
  color: var(--wren);
}
.rows {
  position: relative;
}
.line {
  position: absolute;
  left: 0;
  display: grid;
  min-width: max-content;
}
.line > span {
  height: 31px;
  line-height: 30px;
  padding: 0 10px;
  border-bottom: 1px solid var(--rule);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.line > span:first-child {
  padding-left: 24px;
}
.line .out {
  color: var(--soft);
  text-decoration: line-through;
}
.bad > span {
  background: var(--rust-tint);
}
.bad > .x {
  box-shadow: inset 0 0 0 1.5px var(--rust);
  color: var(--rust);
  font-weight: 600;
}
.up > span {
  background: var(--ochre-tint);
}
</style>
