<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { VBtn } from 'vuetify/components/VBtn'
import { kindsOf } from '#core/model/reader'
import type { Project, StatusId } from '#core/model/records'
import type { StandingAnswer, TypicalStays } from '#core/queries/set-up'
import ActMenu, { type Act } from '../parts/ActMenu.vue'
import EditGrid, { type GridColumn, type GridHandle } from '../parts/EditGrid.vue'
import { useEditing } from '../parts/editing'
import { useNewKey } from '../parts/new-key'
import SelectOne from '../parts/SelectOne.vue'
import { LeafMark } from '../parts/marks'
import { useAsk } from '../data/use-ask'
import { useDirectory } from '../data/directory'
import { useSession } from '../data/session'
import { frameWords } from '../shell/words'
import { useSetUpChange } from './changes'
import NewStatus from './NewStatus.vue'
import StatusEditor from './StatusEditor.vue'
import StepRules from './StepRules.vue'
import { asksText, goesToText, hasNoWayOut, orderOf, statusRows, stayWords, turnText, type StatusRow } from './statuses'
import WorkflowDrawing from './WorkflowDrawing.vue'
import { changeWords, setUpWords, statusWords } from './words'

/** A workflow of the project: drawn, and as a table in which it is changed. */
const props = defineProps<{ project: Project; standing: StandingAnswer | undefined; mayEdit: boolean }>()
/** The workflow that is shown, of which there is mostly one. */
const workflow = defineModel<string>('workflow', { required: true })
const directory = useDirectory()
const session = useSession()
const setUp = useSetUpChange()
const ask = useAsk()

type Column = Fact | 'here' | 'stays'
const columns: readonly GridColumn<Column>[] = [
  { id: 'name', head: statusWords.name, width: 'minmax(120px, 1.6fr)', isEditable: true },
  { id: 'phase', head: statusWords.phase, width: 'minmax(84px, 0.8fr)', isEditable: true },
  { id: 'turn', head: statusWords.turn, width: 'minmax(90px, 1fr)', isEditable: true, spare: 2 },
  { id: 'goesTo', head: statusWords.goesTo, width: 'minmax(84px, 1fr)', isEditable: true, spare: 1 },
  { id: 'asks', head: statusWords.asks, width: 'minmax(96px, 1.2fr)', isEditable: true, spare: 2 },
  { id: 'here', head: statusWords.here, width: '64px', isNumber: true },
  { id: 'stays', head: statusWords.stays, hint: statusWords.staysHint, width: '92px', isNumber: true, spare: 1 },
]
const rows = computed(() => statusRows(directory.reader, workflow.value))
const counts = computed(() => props.standing?.statuses ?? {})
const workflows = computed(() =>
  [...directory.reader.all('workflow')]
    .filter(({ project }) => project === props.project.id)
    .map(({ id, name }) => {
      const kinds = kindsOf(directory.reader, props.project.id).filter((kind) => kind.workflow === id)
      return { value: id as string, title: kinds.map((kind) => kind.name).join(', ') || name }
    }),
)
const stays = shallowRef<TypicalStays>({})
onMounted(() =>
  watch(
    () => [session.api, props.project.id] as const,
    async () => (stays.value = (await ask('typicalStays', { project: props.project.id })) ?? {}),
    { immediate: true },
  ),
)
const text = (row: StatusRow, column: Column): string =>
  ({
    name: () => row.name,
    phase: () => row.status.phase as string,
    turn: () => turnText(directory.reader, row) || statusWords.noTurn,
    goesTo: () => goesToText(row, rows.value),
    asks: () => asksText(directory.reader, row) || statusWords.noTurn,
    here: () => (props.standing ? String(counts.value[row.id] ?? 0) : ''),
    stays: () => (stays.value[row.id] === undefined ? statusWords.noTurn : stayWords(stays.value[row.id]!)),
  })[column]()

const grid = ref<GridHandle>()
type Fact = 'name' | 'phase' | 'turn' | 'goesTo' | 'asks'
const noWayOut = computed(() => rows.value.filter((row) => hasNoWayOut(row, rows.value)).map(({ name }) => name))
const { editing, endEdit } = useEditing<{ row: StatusRow; fact: Fact; at: HTMLElement }>()
function remove({ id, name }: StatusRow, at: HTMLElement): void {
  setUp.ask(
    {
      title: changeWords.removeTitle(name),
      go: changeWords.remove,
      about: id,
      standing: counts.value[id] ?? 0,
      to: {
        words: changeWords.goTo,
        choices: nearest(id).map((one) => ({ value: one.id as string, title: one.name })),
      },
      command: (to) => ({ type: 'status.remove', target: id, how: { to: to as StatusId } }),
    },
    at,
  )
}
/** Whether other kinds go through it too. */
const isShared = ({ id }: StatusRow): boolean =>
  [...directory.reader.all('step')].filter((step) => step.status === id).length > 1
/** The kinds that go through the workflow that is shown. */
const kindNames = computed(() => workflows.value.find(({ value }) => value === workflow.value)?.title ?? '')
/** Out of this workflow alone: other kinds keep it. */
function takeOut({ id, name, step }: StatusRow, at: HTMLElement): void {
  setUp.ask(
    {
      title: changeWords.takeOutTitle(name, kindNames.value),
      go: changeWords.takeOut,
      about: id,
      standing: counts.value[id] ?? 0,
      to: {
        words: changeWords.goTo,
        choices: nearest(id).map((one) => ({ value: one.id as string, title: one.name })),
      },
      command: (to) => ({ type: 'step.remove', target: step.id, how: { to: to as StatusId } }),
    },
    at,
  )
}
/** The others, the one before it first. */
function nearest(id: string): StatusRow[] {
  const at = rows.value.findIndex((row) => row.id === id)
  const others = rows.value.filter((row) => row.id !== id)
  const before = rows.value[at - 1]
  return before ? [before, ...others.filter((row) => row !== before)] : others
}
const menu = shallowRef<{ row: StatusRow; at: HTMLElement; point?: [number, number] | undefined }>()
function acts({ row, at }: { row: StatusRow; at: HTMLElement }): Act[] {
  const i = rows.value.indexOf(row)
  const edit = (label: string, fact: Fact): Act => ({ label, do: () => (editing.value = { row, fact, at }) })
  const move = (label: string, keys: string, to: number, before: number): Act => ({
    label, keys, isOff: to < 0 || to >= rows.value.length, do: () => order(row, rows.value[before] ?? null),
  }) // prettier-ignore
  return [
    edit(statusWords.rename, 'name'),
    edit(statusWords.changePhase, 'phase'),
    edit(statusWords.changeTurn, 'turn'),
    edit(statusWords.changeGoesTo, 'goesTo'),
    edit(statusWords.changeAsks, 'asks'),
    move(statusWords.up, 'Alt ↑', i - 1, i - 1),
    move(statusWords.down, 'Alt ↓', i + 1, i + 2),
    ...(isShared(row) ? [{ label: statusWords.takeOut(kindNames.value), do: () => takeOut(row, at) }] : []),
    { label: statusWords.remove, keys: 'Delete', do: () => remove(row, at) },
  ]
}
const order = (row: StatusRow, before: StatusRow | null): void => void setUp.send(orderOf(row, before))
/** Opens what can be done with a status where it is named elsewhere, as in the sentence. */
function openMenu(id: string, at: HTMLElement): void {
  const row = rows.value.find((one) => one.id === id)
  if (row && props.mayEdit) menu.value = { row, at }
}
const after = ref<StatusRow>()
const isAdding = ref(false)
function startAdding(): void {
  const focused = document.activeElement?.getAttribute('data-cell')?.split(' ')[0]
  after.value = rows.value.find((row) => row.id === focused) ?? rows.value.at(-1)
  isAdding.value = !!after.value
}
useNewKey(() => props.mayEdit, startAdding)
/** The new one is where the keyboard is, once the dialog has let go of it. */
const isFocused = ref<string>()
watch([rows, isFocused], ([now, name]) => {
  const row = now.find((one) => one.name === name)
  if (!row) return
  isFocused.value = undefined
  grid.value?.focusNew(row.id)
})
/** Where one comes from what it says of an item, that status has the keyboard. */
const route = useRoute()
onMounted(() => typeof route.query.at === 'string' && grid.value?.focus(route.query.at, 0))
defineExpose({ openMenu, startAdding })
</script>

<template>
  <div class="part">
    <label v-if="workflows.length > 1" class="which">
      <span class="soft">{{ statusWords.kinds }}</span>
      <SelectOne :choices="workflows" :chosen="workflow" :label="statusWords.kinds" @choose="workflow = $event" />
    </label>
    <WorkflowDrawing
      :rows="rows"
      :counts="standing && counts"
      :marked="setUp.pending?.about"
      @go="grid?.focus($event.id, 0)"
    />
    <EditGrid
      ref="grid"
      v-slot="{ row, column }"
      :rows="rows"
      :columns="columns"
      :label="statusWords.label"
      :may-edit="mayEdit"
      :marked="setUp.pending?.about"
      @edit="(row, fact, at) => (editing = { row, fact: fact as Fact, at })"
      @order="order"
      @remove="remove"
      @menu="(row, at, point) => mayEdit && (menu = { row, at, point })"
    >
      <span v-if="column === 'name'" class="named"
        ><LeafMark :share="directory.share(row.status)" :colour="row.status.colour" /><span
          class="one-line"
          :title="row.name"
          >{{ row.name }}</span
        ></span
      ><span v-else-if="column === 'goesTo' || column === 'asks'" class="one-line" :title="text(row, column)">{{
        text(row, column)
      }}</span
      ><template v-else>{{ text(row, column) }}</template>
    </EditGrid>
    <p v-if="noWayOut.length" class="note mind outside">{{ statusWords.noWayOutAt(noWayOut) }}</p>
    <div class="foot">
      <VBtn v-if="mayEdit" variant="outlined" @click="startAdding">{{ statusWords.add }}</VBtn>
      <span v-else class="soft">{{ setUpWords.onlyLeads }}</span>
    </div>
    <template v-if="editing">
      <StepRules
        v-if="editing.fact === 'goesTo' || editing.fact === 'asks'"
        :row="editing.row"
        :rows="rows"
        :fact="editing.fact"
        :at="editing.at"
        @leave="endEdit()"
      />
      <StatusEditor
        v-else
        :key="editing.fact"
        :row="editing.row"
        :fact="editing.fact"
        :at="editing.at"
        :standing="counts[editing.row.id] ?? 0"
        @leave="endEdit(() => !!setUp.pending)"
      />
    </template>
    <NewStatus v-if="isAdding && after" v-model="isAdding" :after="after" @added="isFocused = $event" />
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
.which {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding-top: 12px;
}
.named {
  display: flex;
  gap: 8px;
  align-items: center;
  min-width: 0;
}
.outside {
  margin-top: 14px;
}
.foot {
  padding-top: 16px;
}
</style>
