<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, provide, ref, watch } from 'vue'
import { dropWords } from '#core/board/columns'
import type { Column, Project, View, ViewDefinition } from '#core/model/records'
import type { BoardColumnAnswer, Row, Sums } from '#core/questions/questions'
import PopMenu from '../../overlays/PopMenu.vue'
import { useWatch } from '../../replica/use-watch'
import { useChanges } from '../../stores/changes'
import { useDirectory } from '../../stores/directory'
import { useViews } from '../../stores/views'
import { words } from '../../words'
import { useAddItem } from '../use-add-item'
import BoardCard from './BoardCard.vue'
import BoardColumn from './BoardColumn.vue'
import BoardHead from './BoardHead.vue'
import { boardKey, type Lift } from './context'
import { followPointer } from './pointer'

/** The project's board: columns with limits, cards dragged by pointer, keyboard or menu. */
const props = defineProps<{ project: Project; view: View; definition: ViewDefinition }>()
const emit = defineEmits<{
  sums: [sums: Sums]
  columns: [columns: readonly BoardColumnAnswer[]]
  open: [key: string]
}>()
const changes = useChanges()
const directory = useDirectory()
const views = useViews()
const addItem = useAddItem(
  () => props.project,
  () => props.definition,
)
const { answer: told, look, hold } = useWatch(() => views.questionOf(props.view))
const answer = computed(() => (told.value?.layout === 'board' ? told.value : undefined))
watch(
  answer,
  (told) => {
    if (!told) return
    emit('sums', told.sums)
    emit('columns', told.columns)
  },
  { immediate: true },
)

const board = computed(() => directory.board(props.project.id))
const columns = computed(() => board.value?.definition.columns ?? [])
const mayMove = computed(() => directory.isAllowed(props.project.id, 'contributor'))
const answerOf = (column: string): BoardColumnAnswer | undefined =>
  answer.value?.columns.find((one) => one.column === column)
const statusOf = (column: Column) => directory.reader.maybe('status', column.statuses[0] ?? '')

const foldKey = computed(() => `wrenleaf-folded-${board.value?.id}`)
const folded = ref<ReadonlySet<string>>(new Set())
watch(
  foldKey,
  () => {
    const ends = columns.value.filter((column) => statusOf(column)?.phase === 'dropped').map((column) => column.id)
    folded.value = new Set(ends)
  },
  { immediate: true },
)
onMounted(() =>
  watch(
    foldKey,
    (key) => {
      const kept = localStorage.getItem(key)
      if (kept) folded.value = new Set(JSON.parse(kept) as string[])
    },
    { immediate: true },
  ),
)
function fold(column: string): void {
  const next = new Set(folded.value)
  if (!next.delete(column)) next.add(column)
  folded.value = next
  localStorage.setItem(foldKey.value, JSON.stringify([...next]))
}
const isOver = (column: Column): boolean => column.limit !== null && (answerOf(column.id)?.held ?? 0) > column.limit
/** A column over its limit gets more room: it is what the eye meets first. */
const template = computed(() =>
  columns.value
    .map((column) => (folded.value.has(column.id) ? '38px' : `minmax(176px, ${isOver(column) ? 1.25 : 1}fr)`))
    .join(' '),
)
/** On a phone one column at a time. */
const phoneColumn = ref<string>()
const shownOnPhone = computed(() => phoneColumn.value ?? columns.value.find(isOver)?.id ?? columns.value[0]?.id)

const scroller = ref<HTMLElement>()
const lift = ref<Lift>()
const said = ref('')
const menuFor = ref<{ row: Row; at: HTMLElement }>()

const rowsOf = (column: string): readonly Row[] => answerOf(column)?.stretch.rows ?? []
/** The others of a column, in order, without the lifted card. */
const others = (column: string, item: string) => rowsOf(column).filter((row) => row.item.id !== item)
const columnOf = (row: Row): Column | undefined =>
  columns.value.find((column) => (column.statuses as readonly string[]).includes(row.item.status))
const added = (row: Row, column: Column) => (columnOf(row)?.id === column.id ? 0 : 1)
const dropSaid = (row: Row, column: Column): string =>
  dropWords(answerOf(column.id)?.held ?? 0, column.limit, added(row, column))
const isSortedByRank = computed(() => !props.definition.sort.length || props.definition.sort[0]?.by === 'rank')

/** Puts a card into a column, at a place among its cards (undefined: where the view's order has it). */
function put(row: Row, column: Column, index: number | undefined): void {
  const statusTo = (column.statuses as readonly string[]).includes(row.item.status) ? undefined : column.statuses[0]
  const around = others(column.id, row.item.id)
  const { from = 0 } = answerOf(column.id)?.stretch ?? {}
  const i = index === undefined ? undefined : Math.max(0, index - from)
  const before = i === undefined ? undefined : around[i]
  const after = i === undefined ? undefined : around[i - 1]
  const place =
    !isSortedByRank.value || i === undefined
      ? undefined
      : before
        ? { before: before.item.id }
        : after
          ? { after: after.item.id }
          : undefined
  if (!statusTo && !place) return
  // Put back where it was: nothing to do.
  const own = rowsOf(column.id).findIndex((one) => one.item.id === row.item.id)
  if (!statusTo && own === i) return
  void changes.send({
    type: 'items.move',
    items: [
      {
        item: row.item.id,
        ...(statusTo && { status: { from: row.item.status, to: statusTo } }),
        ...(place && { place }),
      },
    ],
  })
}

function startLift(row: Row, by: Lift['by']): void {
  const column = columnOf(row)
  if (!column || !mayMove.value) return
  const { from = 0 } = answerOf(column.id)?.stretch ?? {}
  const index = from + rowsOf(column.id).findIndex((one) => one.item.id === row.item.id)
  lift.value = { row, by, column: column.id, index, x: 0, y: 0, width: 0 }
  hold([row.item.id])
  said.value = words.card.pickedUp(row.item.title, column.name, index + 1, answerOf(column.id)?.shown ?? 1)
}
function endLift(isDropped: boolean): void {
  const now = lift.value
  lift.value = undefined
  hold([])
  if (!now) return
  const column = columns.value.find((one) => one.id === now.column)
  if (isDropped && column) put(now.row, column, now.index)
  said.value =
    isDropped && column ? words.card.putDown(now.row.item.title, column.name) : words.card.cancelled(now.row.item.title)
  if (now.by === 'keyboard') keepFocusOn(now.row.item.id)
}
const focusCard = (item: string) => document.getElementById(`card-${item}`)?.focus()
/** A moved card is drawn anew in its column: the focus that is lost by that comes back to it. */
function keepFocusOn(item: string, frames = 40): void {
  if (!document.activeElement || document.activeElement === document.body) focusCard(item)
  if (frames) requestAnimationFrame(() => keepFocusOn(item, frames - 1))
}

function liftKey(event: KeyboardEvent): void {
  const now = lift.value
  if (!now) return
  const open = columns.value.filter((column) => !folded.value.has(column.id))
  const at = open.findIndex((column) => column.id === now.column)
  if (event.key === 'Escape') endLift(false)
  else if (event.key === ' ' || event.key === 'Enter') endLift(true)
  else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
    const next = open[at + (event.key === 'ArrowRight' ? 1 : -1)]
    if (next)
      lift.value = { ...now, column: next.id, index: Math.min(now.index, others(next.id, now.row.item.id).length) }
  } else if (event.key === 'ArrowUp') lift.value = { ...now, index: Math.max(0, now.index - 1) }
  else if (event.key === 'ArrowDown')
    lift.value = { ...now, index: Math.min(answerOf(now.column)?.shown ?? 0, now.index + 1) }
  else return
  event.preventDefault()
  const moved = lift.value
  const column = columns.value.find((one) => one.id === moved?.column)
  if (moved && column) said.value = words.card.over(column.name, moved.index + 1, dropSaid(moved.row, column))
}

/** Walks from card to card where none is lifted. */
function cardKey(event: KeyboardEvent, row: Row): void {
  if (lift.value) return liftKey(event)
  if (event.target !== event.currentTarget) return
  const column = columnOf(row)
  const i = column ? rowsOf(column.id).findIndex((one) => one.item.id === row.item.id) : -1
  if (event.key === 'Enter') emit('open', row.address)
  else if (event.key === ' ') startLift(row, 'keyboard')
  else if (event.key.toLowerCase() === 'm' && mayMove.value && !event.ctrlKey && !event.metaKey)
    menuFor.value = { row, at: event.currentTarget as HTMLElement }
  else if (event.key === 'ArrowDown' || event.key === 'ArrowUp')
    focusCard(rowsOf(column?.id ?? '')[i + (event.key === 'ArrowDown' ? 1 : -1)]?.item.id ?? '')
  else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
    const open = columns.value.filter((one) => !folded.value.has(one.id) && rowsOf(one.id).length)
    const next = open[open.findIndex((one) => one.id === column?.id) + (event.key === 'ArrowRight' ? 1 : -1)]
    const rows = rowsOf(next?.id ?? '')
    focusCard(rows[Math.min(i, rows.length - 1)]?.item.id ?? '')
  } else return
  event.preventDefault()
}
function moveTo(column: Column): void {
  const row = menuFor.value?.row
  menuFor.value = undefined
  if (!row) return
  put(row, column, undefined)
  said.value = words.card.putDown(row.item.title, column.name)
  keepFocusOn(row.item.id)
}
const setLimit = (column: Column, to: number | null) =>
  board.value && changes.send({ type: 'board.limit', board: board.value.id, column: column.id, from: column.limit, to })

const pointer = followPointer({
  start: (row, box) => {
    startLift(row, 'pointer')
    if (lift.value) lift.value = { ...lift.value, x: box.x, y: box.y, width: box.width }
  },
  move(x, y, over) {
    if (!lift.value) return
    lift.value = { ...lift.value, x, y, ...(over && { column: over.column, index: over.index }) }
  },
  end: (isDropped) => endLift(isDropped),
})
onMounted(() => pointer.open())
onBeforeUnmount(() => pointer.close())

provide(boardKey, {
  scroller, lift, pointer, mayMove,
  show: () => props.definition.show,
  look, cardKey, open: (row) => emit('open', row.address), menu: (row, at) => (menuFor.value = { row, at }),
  dropSaid,
}) // prettier-ignore
</script>

<template>
  <div class="board" @keydown.esc="lift && endLift(false)">
    <nav class="tabs" :aria-label="view.name">
      <button
        v-for="column in columns"
        :key="column.id"
        type="button"
        :class="{ on: column.id === shownOnPhone, over: isOver(column) }"
        :aria-pressed="column.id === shownOnPhone"
        @click="phoneColumn = column.id"
      >
        {{ column.name }} {{ answerOf(column.id)?.held ?? '' }}
      </button>
    </nav>
    <div ref="scroller" class="scroller" tabindex="-1">
      <div class="heads" :style="{ gridTemplateColumns: template }">
        <BoardHead
          v-for="column in columns"
          :key="column.id"
          :column="column"
          :status="statusOf(column)"
          :held="answerOf(column.id)?.held ?? 0"
          :shown="answerOf(column.id)?.shown ?? 0"
          :folded="folded.has(column.id)"
          :may-set="directory.isAllowed(project.id, 'lead')"
          :drop="lift && lift.column === column.id ? dropSaid(lift.row, column) : undefined"
          :class="{ here: column.id === shownOnPhone }"
          @fold="fold(column.id)"
          @limit="setLimit(column, $event)"
        />
      </div>
      <div class="cells" :style="{ gridTemplateColumns: template }">
        <BoardColumn
          v-for="column in columns"
          :key="column.id"
          :column="column"
          :answer="answerOf(column.id)"
          :folded="folded.has(column.id)"
          :over="isOver(column)"
          :class="{ here: column.id === shownOnPhone }"
          @add="addItem($event, column.statuses[0])"
        />
      </div>
      <p v-if="answer && !answer.sums.items && !definition.where.length" class="empty soft">
        {{ words.view.empty }} {{ words.view.emptyHint }}
      </p>
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
    <p id="card-how" class="unseen">{{ words.card.how }}</p>
    <PopMenu :at="menuFor?.at" brief @close="menuFor = undefined">
      <div v-if="menuFor" class="pop menu" role="menu" :aria-label="words.card.moveTo">
        <p class="soft">{{ words.card.moveTo }}</p>
        <button
          v-for="column in columns"
          :key="column.id"
          type="button"
          role="menuitem"
          :disabled="columnOf(menuFor.row)?.id === column.id"
          @click="moveTo(column)"
        >
          <span>{{ column.name }}</span><small class="soft">{{
            column.limit === null ? '' : dropSaid(menuFor.row, column)
          }}</small>
        </button>
      </div>
    </PopMenu>
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
.menu {
  display: grid;
  padding: 6px;
  min-width: 210px;
}
.menu p {
  padding: 4px 10px;
}
.menu button {
  padding: 6px 10px;
  border-radius: 3px;
  display: flex;
  gap: 16px;
  justify-content: space-between;
}
.menu button:not(:disabled):hover,
.menu button:focus-visible {
  background: var(--leaf-tint);
}
.menu button:disabled {
  color: var(--soft);
  cursor: default;
}
.empty {
  padding: 32px 24px;
}
.tabs {
  display: none;
}
@media (max-width: 700px) {
  .tabs {
    display: flex;
    gap: 18px;
    padding: 10px 16px 0;
    overflow-x: auto;
    border-bottom: 1px solid var(--rule);
    font: 600 14.5px var(--serif);
    white-space: nowrap;
    color: var(--soft);
    flex: none;
  }
  .tabs button {
    padding-bottom: 8px;
  }
  .tabs .on {
    color: var(--ink);
    border-bottom: 2px solid var(--leaf);
  }
  .tabs .over {
    color: var(--rust);
    border-color: var(--rust);
  }
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
