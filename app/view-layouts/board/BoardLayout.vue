<script setup lang="ts">
import { useDisplay } from 'vuetify'
import { computed, onBeforeUnmount, onMounted, provide, ref, shallowRef, watch } from 'vue'
import type { LimitSet } from '#core/model/reader'
import type { Row } from '#core/layouts/rows'
import type { Item, StatusId } from '#core/model/records'
import { useQuery } from '../../data/use-query'
import { useChanges } from '../../data/changes'
import { useDirectory } from '../../data/directory'
import { stands } from '../../data/stands'
import { useThrough } from '../../data/through'
import { useViews } from '../../data/views'
import type { Act } from '../../parts/ActMenu.vue'
import { ActMenu, ItemMenu, VTab, VTabs } from '../../parts/controls'
import { asksForMenu, type MenuPlace } from '../../parts/menu-place'
import { followRowDrag, type RowDrag } from '../../parts/row-drag'
import { frameWords, tallyWords } from '../../shell/words'
import { cardWords } from '../words'
import type { LayoutEmits, LayoutProps } from '../contract'
import { useAddItem } from '../use-add-item'
import BoardCard from './BoardCard.vue'
import BoardHead from './BoardHead.vue'
import ColumnCards from './ColumnCards.vue'
import { marksOf } from '../../parts/signal-marks'
import { boardKey } from './context'
import { useCardSelection } from './use-card-selection'
import { EmptyView } from '../empty'
import OutsideHead from './OutsideHead.vue'
import { isRanked } from '../ranked'
import { rowsOf, useColumns, type ShownColumn } from './use-columns'
import { cardOf, focusCard, useLift } from './use-lift'

/** A board of the project: columns with limits, cards dragged by pointer, keyboard or menu. */
const props = defineProps<LayoutProps>()
const emit = defineEmits<LayoutEmits>()
const { mobile } = useDisplay()
const changes = useChanges()
const directory = useDirectory()
const views = useViews()
const through = useThrough()
const {
  add: addItem,
  asks,
  begin,
} = useAddItem({
  project: () => props.project,
  definition: () => props.definition,
  view: () => props.view,
})
const query = useQuery('view', () => views.inputOf(props.view))
const answer = computed(() => (query.answer.value?.layout === 'board' ? query.answer.value : undefined))

const shownColumns = useColumns(
  () => (props.definition.layout === 'board' ? props.definition.board : ''),
  () => answer.value,
)
const { columns, hiddenColumns, columnOf, fold, hide, stretch } = shownColumns
const mayMove = computed(
  () => through.mayChange(props.project.id, 'status') || through.mayChange(props.project.id, 'rank'),
)
const mayAdd = computed(() => through.mayAdd(props.project.id))
const maySet = computed(() => directory.may('set up project', props.project.id))
const chosen = useCardSelection(
  () => props.view,
  () => columns.value,
)
function pressed(event: MouseEvent, row: Row): void {
  if (!chosen.press(event, row)) emit('open', row.address)
}
const { lift, said, pointer, ...lifting } = useLift({
  columns: shownColumns,
  mayMove: () => mayMove.value,
  isRanked: () => isRanked(props.definition),
  hold: query.hold,
  along: (row) => chosen.along(row),
})
onMounted(() => pointer.open())
onBeforeUnmount(() => pointer.close())

watch(
  columns,
  (now) => {
    if (!answer.value) return
    const warnings = now.flatMap(({ column, room, say }) =>
      room.is === 'over'
        ? [tallyWords.over(column.name, say(room.by))]
        : room.is === 'under'
          ? [tallyWords.under(column.name, say(room.by))]
          : [],
    )
    emit('tally', { sums: answer.value.sums, warnings })
  },
  { immediate: true },
)

/** Statuses that no column holds. */
const outside = computed(() => answer.value?.outside ?? [])
/** A column over its limit gets more room: it is what the eye meets first. */
const template = computed(() =>
  [
    ...columns.value.map((one) =>
      one.isFolded ? '38px' : one.width ? `${one.width}px` : `minmax(176px, ${one.isOver ? 1.25 : 1}fr)`,
    ),
    ...(outside.value.length || hiddenColumns.value.length ? ['minmax(120px, 0.6fr)'] : []),
  ].join(' '),
)
/** On a phone one column at a time. */
const phoneColumn = ref<string>()
const onPhone = computed(
  () => phoneColumn.value ?? (columns.value.find((one) => one.isOver) ?? columns.value[0])?.column.id,
)
const scroller = ref<HTMLElement>()
/** The column in which a title is being typed. */
const addingIn = ref<string>()
const movingFor = ref<{ row: Row; at: HTMLElement }>()
const menu = shallowRef<MenuPlace>()
const actsFor = ({ row, at }: MenuPlace) => [
  { label: frameWords.open, keys: 'Enter', do: () => emit('open', row.address) },
  ...(mayMove.value ? [{ label: cardWords.moveTo, keys: 'M', do: () => (movingFor.value = { row, at }) }] : []),
]

/** Walks from card to card where none is lifted. */
function cardKey(event: KeyboardEvent, row: Row): void {
  if (lift.value) return lifting.onKey(event)
  if (event.target !== event.currentTarget) return
  const column = columnOf(row)
  const rows = rowsOf(column)
  const i = rows.findIndex((one) => one.item.id === row.item.id)
  const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (chosen.key(event, row, step ? rows[i + step] : undefined)) {
    if (event.shiftKey && step) focusCard(rows[i + step]?.item.id ?? '')
    return event.preventDefault()
  }
  if (event.key === 'Enter') emit('open', row.address)
  else if (event.key === ' ') lifting.start(row, 'keyboard')
  else if (event.key.toLowerCase() === 'm' && mayMove.value && !event.ctrlKey && !event.metaKey)
    movingFor.value = { row, at: event.currentTarget as HTMLElement }
  else if (asksForMenu(event)) menu.value = { row, at: event.currentTarget as HTMLElement }
  else if (event.key === 'ArrowDown' || event.key === 'ArrowUp')
    focusCard(rows[i + (event.key === 'ArrowDown' ? 1 : -1)]?.item.id ?? '')
  else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight')
    focusBeside(column, i, event.key === 'ArrowRight' ? 1 : -1)
  else return
  event.preventDefault()
}
/** The card as far down in the next column that has any. */
function focusBeside(column: ShownColumn | undefined, i: number, step: 1 | -1): void {
  const open = columns.value.filter((one) => !one.isFolded && rowsOf(one).length)
  const rows = rowsOf(open[open.findIndex((one) => one.column.id === column?.column.id) + step])
  focusCard(rows[Math.min(i, rows.length - 1)]?.item.id ?? '')
}
/** The columns that a card can be moved to, with what that would do to their limits and what it asks for. */
function moves(row: Row): Act[] {
  const current = columnOf(row)?.column.id
  return columns.value.flatMap((shown) => {
    const statuses = shownColumns.statusesIn(shown, row.item.kind)
    if (statuses.length > 1 && shown.column.id !== current)
      return statuses.map((to) => entering(row, to, shown.column.name, () => lifting.moveTo(row, shown, to)))
    const entry = statuses[0] && lifting.entryOf(row, statuses[0])
    return [{
      label: shown.column.name,
      ...((shown.limit || entry) && { hint: lifting.dropOn(row, shown).words }),
      isOff: shown.column.id === current || !!entry?.isOff,
      do: () => lifting.moveTo(row, shown),
    }]
  }) // prettier-ignore
}
function entering(row: Row, to: StatusId, column: string, act: () => void): Act {
  const name = directory.reader.maybe('status', to)?.name ?? ''
  const entry = lifting.entryOf(row, to)
  return {
    label: column ? `${column}: ${name}` : name,
    ...(entry && { hint: entry.words, isOff: entry.isOff }),
    do: act,
  }
}
/** Which of a column’s statuses a card gets that was put down there. */
const answers = computed((): Act[] => {
  const asked = lifting.asking.value
  if (!asked) return []
  const first = directory.reader.maybe('status', asked.statuses[0] ?? '')?.name ?? ''
  return [
    ...asked.statuses.map((to) => entering(asked.row, to, '', () => lifting.answer(to))),
    { label: cardWords.alwaysFirst(first), do: lifting.takeFirst },
  ]
})
/** The menu closes before what was taken in it is done. */
const closeAsking = () => setTimeout(() => (lifting.asking.value = undefined))
function escape(event: KeyboardEvent): void {
  if (!lift.value) return
  lifting.end(false)
  event.preventDefault()
}
/** A column that is dragged by its head, and before which it would come. */
const drag = shallowRef<RowDrag>()
function grab({ column }: ShownColumn, down: PointerEvent): void {
  followRowDrag(down, {
    rows: columns.value.map((one) => one.column),
    row: column,
    isAcross: true,
    lines: () => [...(scroller.value?.querySelectorAll<HTMLElement>('[data-board-head]') ?? [])],
    show: (now) => (drag.value = now),
    order: ({ id }, before) => void changes.send({ type: 'column.order', target: id, before: before?.id ?? null }),
  })
}
/** A status that no column held is put into one. */
function hold(status: StatusId, column: string): void {
  const board = props.definition.layout === 'board' ? props.definition.board : undefined
  const to = columns.value.find((one) => one.column.id === column)?.column.id
  if (board && to) void changes.send({ type: 'column.hold', board, status, kind: null, to })
}
const setLimit = ({ column, limit }: ShownColumn, to: LimitSet | null) =>
  changes.send({ type: 'limit.set', column: column.id, from: limit, to })
const add = (column: ShownColumn, title: string, said: Item['values']) =>
  addItem(title, said, (kind) => shownColumns.statusIn(column, kind))

provide(boardKey, {
  scroller, lift, pointer, mayMove, mayAdd, cardKey,
  show: () => props.definition.show, marks: marksOf(directory, () => props.definition),
  look: query.look, press: pressed, isChosen: ({ item }) => chosen.has(item.id), menu: (row, at, point) => (menu.value = { row, at, point }),
  dropOn: lifting.dropOn,
}) // prettier-ignore
</script>

<template>
  <div class="board" @keydown.esc="escape">
    <VTabs
      v-if="mobile && stands"
      class="tabs"
      density="compact"
      show-arrows
      :aria-label="view.name"
      :model-value="onPhone"
      @update:model-value="phoneColumn = $event as string"
    >
      <VTab v-for="one in columns" :key="one.column.id" :value="one.column.id" :class="{ over: one.isOver }"
        >{{ one.column.name }} {{ one.answer?.held ?? '' }}</VTab
      >
    </VTabs>
    <div ref="scroller" class="scroller" tabindex="-1">
      <div class="heads" :style="{ gridTemplateColumns: template }">
        <BoardHead
          v-for="(one, at) in columns"
          :key="one.column.id"
          :shown="one"
          :project="project"
          :may-set="maySet"
          :drop="lift && lift.column === one.column.id ? lifting.dropOn(lift.row, one) : undefined"
          :class="{
            here: one.column.id === onPhone,
            dragged: drag?.id === one.column.id,
            before: drag?.to === at,
            end: drag?.to === at + 1 && at === columns.length - 1,
          }"
          data-board-head
          @fold="fold(one.column.id)"
          @hide="hide(one.column.id)"
          @stretch="stretch(one.column.id, $event)"
          @grab="grab(one, $event)"
          @limit="setLimit(one, $event)"
        />
        <OutsideHead
          v-if="outside.length || hiddenColumns.length"
          class="here"
          :project="project"
          :outside="outside"
          :hidden="hiddenColumns"
          :may-set="maySet"
          @show="hide"
          @hold="hold"
        />
      </div>
      <div class="cells" :style="{ gridTemplateColumns: template }">
        <ColumnCards
          v-for="one in columns"
          :key="one.column.id"
          :shown="one"
          :class="{ here: one.column.id === onPhone }"
          :asks="asks"
          :add="(title: string, said: Item['values']) => add(one, title, said)"
          :begin="() => begin((kind) => shownColumns.statusIn(one, kind))"
          :is-adding="addingIn === one.column.id"
          @adding="addingIn = $event ? one.column.id : undefined"
        />
      </div>
      <EmptyView
        v-if="answer && !answer.sums.items && stands"
        class="empty"
        :view="view"
        :definition="definition"
        @add="addingIn = columns.find((one) => !one.isFolded)?.column.id"
      />
    </div>
    <div
      v-if="lift?.by === 'pointer'"
      class="lifted"
      :style="{ transform: `translate(${lift.x}px, ${lift.y}px) rotate(-1.2deg)`, width: `${lift.width}px` }"
      aria-hidden="true"
    >
      <BoardCard :row="lift.row" still />
    </div>
    <div class="unseen" role="status" aria-live="assertive">{{ said }}</div>
    <p id="card-how" class="unseen">{{ cardWords.how }}</p>
    <ItemMenu v-if="menu" :place="menu" :acts="actsFor(menu)" @close="menu = undefined" />
    <ActMenu
      v-if="lifting.asking.value"
      :acts="answers"
      :label="cardWords.which(lifting.asking.value.shown.column.name)"
      headed
      :at="cardOf(lifting.asking.value.row.item.id)"
      :point="lifting.asking.value.point"
      @close="closeAsking"
    />
    <ActMenu
      v-if="movingFor"
      :acts="moves(movingFor.row)"
      :label="cardWords.moveTo"
      headed
      :at="movingFor.at"
      @close="movingFor = undefined"
    />
  </div>
</template>

<style scoped>
.board {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.scroller {
  flex: 1;
  overflow: auto;
  min-height: 0;
  outline: none;
  display: flex;
  flex-direction: column;
}
.heads,
.cells {
  display: grid;
  padding-left: 24px;
  min-width: max-content;
}
.heads {
  position: sticky;
  top: 0;
  z-index: 3;
  background: var(--paper);
  border-bottom: 1px solid var(--rule);
}
.cells {
  flex: 1;
}
/* As wide as their columns, whatever they hold: heads and cells lie in one line. */
.heads > *,
.cells > * {
  contain: inline-size;
}
.dragged {
  opacity: 0.5;
}
.heads .before {
  box-shadow: inset 3px 0 0 var(--leaf);
}
.heads .end {
  box-shadow: inset -3px 0 0 var(--leaf);
}
.lifted {
  position: fixed;
  left: 0;
  top: 0;
  z-index: 20;
  pointer-events: none;
}
.lifted :deep(.card) {
  box-shadow: var(--shadow);
  border-color: var(--leaf);
  outline: 2px solid var(--leaf);
}
.empty {
  top: 90px;
}
.tabs {
  flex: none;
  border-bottom: 1px solid var(--rule);
}
.tabs .over {
  color: var(--rust);
}
@media (max-width: 700px) {
  .heads,
  .cells {
    padding: 0;
    min-width: 0;
    grid-template-columns: minmax(0, 1fr) !important;
  }
  .heads > :not(.here),
  .cells > :not(.here) {
    display: none;
  }
}
</style>
