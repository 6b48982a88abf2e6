<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { amountSaid } from '#core/board/columns'
import { isSameValue } from '#core/base/sorted-ids'
import { boardsOf, columnsOf, heldBy, limitSetOf, type LimitSet } from '#core/model/reader'
import type { BoardColumn, BoardId, Project, StatusId } from '#core/model/records'
import type { StandingAnswer } from '#core/queries/set-up'
import ActMenu, { type Act } from '../parts/ActMenu.vue'
import ChoiceList from '../parts/ChoiceList.vue'
import { useNewKey } from '../parts/new-key'
import EditGrid, { type GridColumn, type GridHandle } from '../parts/EditGrid.vue'
import { useEditing } from '../parts/editing'
import { followDrag } from '../parts/row-drag'
import PlacesMark from '../parts/PlacesMark.vue'
import PopMenu from '../parts/PopMenu.vue'
import { StatusText } from '../parts/marks'
import { statusChoices } from '../parts/choices'
import { useDirectory } from '../data/directory'
import { frameWords } from '../shell/words'
import LimitEditor from '../view-layouts/board/LimitEditor.vue'
import { useSetUpChange } from './changes'
import { useColumnActs } from './column-acts'
import ColumnLines from './ColumnLines.vue'
import NameEditor from './NameEditor.vue'
import { boardWords, setUpWords, statusWords } from './words'

/** The columns of the project's board: what each holds, in which order, and how much it should hold at most. */
const props = defineProps<{ project: Project; standing: StandingAnswer | undefined; mayEdit: boolean }>()
const directory = useDirectory()
const setUp = useSetUpChange()
const columnActs = useColumnActs(() => props.project)

type Column = 'name' | 'holds' | 'limit' | 'here'
type Fact = Exclude<Column, 'here'> | 'lines'
const columns: readonly GridColumn<Column>[] = [
  { id: 'name', head: boardWords.name, width: 'minmax(120px, 1fr)', isEditable: true },
  { id: 'holds', head: boardWords.holds, width: 'minmax(120px, 2fr)', isEditable: true, spare: 2 },
  { id: 'limit', head: boardWords.limit, width: '104px', isNumber: true, isEditable: true },
  { id: 'here', head: boardWords.here, width: '150px', isNumber: true },
]
const board = computed((): BoardId | undefined => boardsOf(directory.reader, props.project.id)[0]?.id)
const rows = computed(() => columnsOf(directory.reader, board.value ?? ''))
const held = (column: BoardColumn) => heldBy(directory.reader, column.id)
const here = (column: BoardColumn) => props.standing?.columns[column.id] ?? 0
const say = (column: BoardColumn) => amountSaid(directory.reader, limitSetOf(directory.reader, column.id)?.of ?? null)
function limitText(column: BoardColumn): string {
  const limit = limitSetOf(directory.reader, column.id)
  if (!limit) return boardWords.noLimit
  const { most, least, stops } = limit
  const range = least === null ? say(column)(most ?? 0) : most === null ? boardWords.atLeast(say(column)(least)) : `${least}–${say(column)(most)}` // prettier-ignore
  return stops && most !== null ? boardWords.stops(range) : range
}
const outside = computed(() => {
  const onBoard = new Set(rows.value.flatMap((column) => held(column).map(({ status }) => status)))
  return directory.statuses(props.project.id).filter(({ id }) => !onBoard.has(id))
})

const grid = ref<GridHandle>()
const { editing, endEdit } = useEditing<{ row: BoardColumn; fact: Fact; at: HTMLElement }>()
/** As the column is by now. */
const edited = computed(() => rows.value.find(({ id }) => id === editing.value?.row.id))
function rename(name: string): void {
  if (edited.value) columnActs.rename(edited.value, name)
  endEdit()
}
function setLimit(to: LimitSet | null): void {
  const row = edited.value
  const from = row ? limitSetOf(directory.reader, row.id) : null
  if (row && !isSameValue(to, from)) void setUp.send({ type: 'limit.set', column: row.id, from, to })
  endEdit()
}
/** A status that the column has goes out of it; another comes in, out of where it was. */
function toggle(status: string): void {
  const row = edited.value
  if (!row || !board.value) return
  const isIn = held(row).some((one) => one.status === status)
  void setUp.send({ type: 'column.hold', board: board.value, status: status as StatusId, kind: null, to: isIn ? null : row.id }) // prettier-ignore
}
const remove = (row: BoardColumn, at: HTMLElement): void => setUp.ask(columnActs.removal(row, here(row)), at)
const isAdding = ref<HTMLElement>()
async function add(name: string): Promise<void> {
  isAdding.value = undefined
  const id = board.value && (await columnActs.add(board.value, name))
  if (id) requestAnimationFrame(() => grid.value?.focus(id, 1))
}
/** So many of the statuses that no column holds are named. */
const mostOutside = 20
/** A status that is dragged to a column, and the one it is over. */
const carried = shallowRef<{ status: StatusId; x: number; y: number; over: BoardColumn | undefined }>()
function carry(down: PointerEvent, status: StatusId): void {
  if (!props.mayEdit) return
  down.preventDefault()
  followDrag(down, {
    move(x, y) {
      const lines = [...document.querySelectorAll<HTMLElement>('[data-row]')]
      const at = lines.findIndex((line) => {
        const { top, bottom } = line.getBoundingClientRect()
        return y >= top && y < bottom
      })
      carried.value = { status, x, y, over: rows.value[at] }
    },
    end(isKept) {
      const to = carried.value?.over
      carried.value = undefined
      if (isKept && to && board.value && !held(to).some((one) => one.status === status))
        void setUp.send({ type: 'column.hold', board: board.value, status, kind: null, to: to.id })
    },
  })
}
const menu = shallowRef<{ row: BoardColumn; at: HTMLElement; point?: [number, number] | undefined }>()
function acts({ row, at }: { row: BoardColumn; at: HTMLElement }): Act[] {
  const i = rows.value.indexOf(row)
  const edit = (label: string, fact: Fact): Act => ({ label, do: () => (editing.value = { row, fact, at }) })
  return [
    edit(boardWords.rename, 'name'),
    edit(boardWords.describe, 'lines'),
    edit(boardWords.changeHolds, 'holds'),
    edit(boardWords.changeLimit, 'limit'),
    {
      label: statusWords.up,
      keys: 'Alt ↑',
      isOff: i === 0,
      do: () => columnActs.order(row, rows.value[i - 1] ?? null),
    },
    {
      label: statusWords.down,
      keys: 'Alt ↓',
      isOff: i === rows.value.length - 1,
      do: () => columnActs.order(row, rows.value[i + 2] ?? null),
    },
    { label: statusWords.remove, keys: 'Delete', do: () => remove(row, at) },
  ]
}
const start = ref<HTMLElement>()
useNewKey(
  () => props.mayEdit,
  () => (isAdding.value = start.value),
)
const takenNames = (but?: BoardColumn) => rows.value.filter((row) => row !== but).map(({ name }) => name)
</script>

<template>
  <div class="part">
    <EditGrid
      ref="grid"
      v-slot="{ row, column }"
      :rows="rows"
      :columns="columns"
      :label="boardWords.label"
      :may-edit="mayEdit"
      :marked="setUp.pending?.about ?? carried?.over?.id"
      @edit="(row, fact, at) => (editing = { row, fact: fact as Fact, at })"
      @order="columnActs.order"
      @remove="remove"
      @menu="(row, at, point) => mayEdit && (menu = { row, at, point })"
    >
      <span v-if="column === 'name'" :title="row.name">{{ row.name }}</span>
      <template v-else-if="column === 'holds'"
        ><span v-if="!held(row).length" class="soft">{{ boardWords.none }}</span
        ><span
          v-for="one in held(row)"
          :key="one.id"
          class="held"
          :class="{ carried: carried?.status === one.status }"
          @pointerdown="carry($event, one.status)"
          ><StatusText :status="one.status" /></span></template
      ><template v-else-if="column === 'limit'">{{ limitText(row) }}</template>
      <PlacesMark
        v-else-if="standing && typeof limitSetOf(directory.reader, row.id)?.most === 'number'"
        class="places"
        :held="standing?.sums[row.id] ?? here(row)"
        :limit="limitSetOf(directory.reader, row.id)?.most ?? 0"
        :least="limitSetOf(directory.reader, row.id)?.least"
        :say="say(row)"
      /><template v-else-if="standing">{{ here(row) }}</template>
    </EditGrid>
    <p v-if="outside.length" class="note mind outside">
      {{ boardWords.outside(outside.length) }}
      <bdi v-for="one in outside.slice(0, mostOutside)" :key="one.id" class="one"
        ><b :class="{ carry: mayEdit }" @pointerdown="carry($event, one.id)">{{ one.name }}</b> ({{
          standing?.statuses[one.id] ?? 0
        }})</bdi
      >
      <span v-if="outside.length > mostOutside">{{ boardWords.more(outside.length - mostOutside) }}</span>
    </p>
    <span
      v-if="carried"
      class="under-pointer"
      :style="{ transform: `translate(${carried.x + 6}px, ${carried.y + 6}px)` }"
      ><StatusText :status="carried.status"
    /></span>
    <div class="foot">
      <span ref="start"
        ><VBtn v-if="mayEdit" variant="outlined" @click="isAdding = start">{{ boardWords.add }}</VBtn></span
      >
      <span v-if="!mayEdit" class="soft">{{ setUpWords.onlyLeads }}</span>
    </div>
    <template v-if="editing && edited">
      <NameEditor
        v-if="editing.fact === 'name'"
        :name="edited.name"
        :label="boardWords.name"
        :taken="takenNames(edited)"
        :at="editing.at"
        @take="rename"
        @leave="endEdit()"
      />
      <LimitEditor
        v-else-if="editing.fact === 'limit'"
        :column="edited"
        :limit="limitSetOf(directory.reader, edited.id)"
        :at="editing.at"
        @set="setLimit"
        @leave="endEdit()"
      />
      <ColumnLines
        v-else-if="editing.fact === 'lines'"
        :column="edited"
        :at="editing.at"
        @take="(columnActs.describe(edited, $event), endEdit())"
        @leave="endEdit()"
      />
      <PopMenu v-else :at="editing.at" @close="endEdit()">
        <ChoiceList
          several
          :choices="statusChoices(directory, project.id)"
          :chosen="held(edited).map(({ status }) => status)"
          :label="boardWords.holds"
          @choose="toggle"
          @leave="endEdit()"
        />
        <p class="hint soft">{{ boardWords.holdsHint }}</p>
      </PopMenu>
    </template>
    <NameEditor
      v-if="isAdding"
      name=""
      :label="boardWords.newName"
      :taken="takenNames()"
      :at="isAdding"
      @take="add"
      @leave="isAdding = undefined"
    />
    <ActMenu
      v-if="menu"
      :acts="acts(menu)"
      :label="frameWords.acts(menu.row.name)"
      :at="menu.at"
      :point="menu.point"
      @close="menu = undefined"
    />
  </div>
</template>

<style scoped>
.part {
  padding-top: 14px;
}

.held {
  display: inline-flex;
  margin-right: 14px;
  vertical-align: middle;
  touch-action: none;
}
.one:not(:last-child)::after {
  content: ', ';
}
.carry {
  cursor: grab;
  touch-action: none;
}
.carried {
  opacity: 0.5;
}
.places {
  display: inline-flex;
  vertical-align: middle;
  line-height: 1.4;
}
.outside {
  margin-top: 14px;
}
.foot {
  padding-top: 16px;
}
.hint {
  max-width: 300px;
  padding: 0 14px 10px;
  font-size: var(--size-small);
}
</style>
