<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { v7 } from 'uuid'
import { VBtn } from 'vuetify/components/VBtn'
import { VList, VListItem } from 'vuetify/components/VList'
import { rankAfter } from '#core/base/ranks'
import { isSameValue } from '#core/base/sorted-ids'
import { kindIcons, type KindIcon } from '#core/model/names'
import { stepsOf } from '#core/model/reader'
import { fieldsShownBy } from '#core/model/shown-fields'
import type { Kind, KindId, Project, StatusId, WorkflowId } from '#core/model/records'
import { frameWords } from '../shell/words'
import ActMenu, { type Act } from '../parts/ActMenu.vue'
import EditGrid, { type GridColumn, type GridHandle } from '../parts/EditGrid.vue'
import { useEditing } from '../parts/editing'
import { KindMark } from '../parts/marks'
import { useNewKey } from '../parts/new-key'
import PopMenu from '../parts/PopMenu.vue'
import { useDirectory } from '../data/directory'
import { useQuery } from '../data/use-query'
import { useSetUpChange } from './changes'
import { ownWorkflow, statusRows } from './statuses'
import NameEditor from './NameEditor.vue'
import KindDefaults from './KindDefaults.vue'
import KindShows from './KindShows.vue'
import TickList from './TickList.vue'
import { kindWords } from './field-words'
import { changeWords, setUpWords } from './words'

/** What sorts of items a project has: what each is called and looks like, which fields it shows, and what may be inside it. */
const props = defineProps<{ project: Project; mayEdit: boolean }>()
const directory = useDirectory()
const setUp = useSetUpChange()
const { answer: filled } = useQuery('filled', () => ({ project: props.project.id }))

type Column = 'name' | 'icon' | 'shows' | 'defaults' | 'inside' | 'statuses' | 'items'
const columns: readonly GridColumn<Column>[] = [
  { id: 'name', head: kindWords.name, width: 'minmax(96px, 1.2fr)', isEditable: true },
  { id: 'icon', head: kindWords.icon, width: '56px', isEditable: true },
  { id: 'shows', head: kindWords.shows, width: 'minmax(88px, 1.6fr)', isEditable: true },
  { id: 'defaults', head: kindWords.defaults, width: 'minmax(100px, 1.4fr)', isEditable: true, spare: 1 },
  { id: 'inside', head: kindWords.inside, width: 'minmax(110px, 1.4fr)', isEditable: true, spare: 2 },
  { id: 'statuses', head: kindWords.statuses, width: 'minmax(120px, 1.2fr)', isEditable: true, spare: 1 },
  { id: 'items', head: kindWords.items, width: '64px', isNumber: true },
]
const kinds = computed(() => directory.kinds(props.project.id))
const fields = computed(() => directory.fields(props.project.id))
const held = (kind: Kind): number => filled.value?.kinds[kind.id] ?? 0
const shown = (kind: Kind) => fieldsShownBy(directory.reader, kind)
const insideOf = (kind: Kind): Kind[] => kinds.value.filter(({ id }) => !kind.inside || kind.inside.includes(id))
const namesOf = (some: readonly Kind[]): string[] => some.map(({ name }) => name)
/** The other kinds that go through the same workflow. */
const sharing = ({ id, workflow }: Kind): Kind[] => kinds.value.filter((other) => other.id !== id && other.workflow === workflow) // prettier-ignore
const texts: Readonly<Record<Exclude<Column, 'icon'>, (kind: Kind) => string>> = {
  name: ({ name }) => name,
  shows: (kind) => `${kind.shows ? kindWords.some(shown(kind).length, fields.value.length) : kindWords.allFields}${kind.groups ? kindWords.inGroups(kind.groups.length) : ''}`, // prettier-ignore
  defaults: ({ defaults }) => fields.value.filter(({ id }) => defaults?.[id]).map(({ name }) => name).join(', ') || kindWords.noDefaults, // prettier-ignore
  inside: (kind) => (kind.inside ? insideOf(kind).map(({ name }) => name).join(', ') || kindWords.nothing : kindWords.anyKind), // prettier-ignore
  statuses: (kind) => kindWords.statusesOf(stepsOf(directory.reader, kind.workflow).length, namesOf(sharing(kind))),
  items: (kind) => (filled.value ? String(held(kind)) : ''),
}

const grid = ref<GridHandle>()
const { editing, endEdit } = useEditing<{ kind: Kind; column: Column; at: HTMLElement }>()
const isAdding = shallowRef<HTMLElement>()
const start = ref<HTMLElement>()
useNewKey(
  () => props.mayEdit,
  () => (isAdding.value = start.value),
)
function set<K extends 'name' | 'icon' | 'inside' | 'defaults'>(kind: Kind, what: K, to: Kind[K]): void {
  const from = kind[what] ?? null
  if (from !== to) void setUp.send({ type: 'kind.set', target: kind.id, set: { [what]: { from, to } } } as never)
}
function paint(icon: KindIcon): void {
  if (editing.value) set(editing.value.kind, 'icon', icon)
  endEdit()
}
function show(kind: Kind, to: Pick<Kind, 'shows' | 'groups'>): void {
  const set = Object.fromEntries(
    (['shows', 'groups'] as const).flatMap((what) =>
      isSameValue(kind[what] ?? null, to[what] ?? null)
        ? []
        : [[what, { from: kind[what] ?? null, to: to[what] ?? null }]],
    ),
  )
  if (Object.keys(set).length) void setUp.send({ type: 'kind.set', target: kind.id, set })
}
function hold(ids: readonly string[]): void {
  const { kind } = editing.value!
  set(kind, 'inside', ids.length === kinds.value.length ? null : (ids as KindId[]))
}
/** The workflows that others go through, by the kinds that do. */
const otherWorkflows = computed(() => {
  const own = editing.value?.kind.workflow
  const all = [...new Set(kinds.value.map(({ workflow }) => workflow))].filter((workflow) => workflow !== own)
  return all.map((id) => ({ id, names: namesOf(kinds.value.filter(({ workflow }) => workflow === id)) }))
})
function goAlone(): void {
  const { kind } = editing.value!
  endEdit()
  const command = ownWorkflow(directory.reader, kind, v7)
  if (command) void setUp.send(command)
}
function follow(to: WorkflowId, names: readonly string[]): void {
  const { kind, at } = editing.value!
  endEdit()
  setUp.ask(
    {
      title: kindWords.followTitle(kind.name, kindWords.as(names)),
      go: kindWords.followGo,
      about: kind.id,
      standing: held(kind),
      to: {
        words: kindWords.instead,
        choices: statusRows(directory.reader, to).map(({ id, name }) => ({ value: id as string, title: name })),
      },
      command: (instead) => ({ type: 'kind.follow', kind: kind.id, from: kind.workflow, to, made: null, instead: instead as StatusId }), // prettier-ignore
    },
    at,
  )
}
async function add(name: string): Promise<void> {
  const [first] = kinds.value
  isAdding.value = undefined
  if (!first) return
  const record: Kind = { ...first, id: v7() as KindId, name, icon: 'plain', rank: rankAfter(kinds.value), archived: false, shows: null, inside: null } // prettier-ignore
  if (await setUp.send({ type: 'kind.add', record })) grid.value?.focusNew(record.id)
}
function remove(kind: Kind, at?: HTMLElement): void {
  const others = kinds.value.filter(({ id }) => id !== kind.id)
  setUp.ask(
    {
      title: changeWords.removeTitle(kind.name),
      go: changeWords.remove,
      about: kind.id,
      standing: held(kind),
      to: { words: kindWords.become, choices: others.map(({ id, name }) => ({ value: id as string, title: name })) },
      command: (to) => ({ type: 'kind.remove', target: kind.id, how: { to: to as KindId } }),
    },
    at,
  )
}
const menu = shallowRef<{ kind: Kind; at: HTMLElement; point?: [number, number] | undefined }>()
/** All that can be changed, also what a narrow table leaves out. */
function acts({ kind, at }: { kind: Kind; at: HTMLElement }): Act[] {
  const i = kinds.value.indexOf(kind)
  const move = (label: string, keys: string, to: number, before: number): Act => ({
    label, keys, isOff: to < 0 || to >= kinds.value.length, do: () => order(kind, kinds.value[before] ?? null),
  }) // prettier-ignore
  return [
    ...columns.filter(({ isEditable }) => isEditable).map(({ id, head }) => ({
      label: id === 'name' ? kindWords.rename : kindWords.change(head), do: () => (editing.value = { kind, column: id, at }),
    })),
    move(kindWords.up, 'Alt ↑', i - 1, i - 1),
    move(kindWords.down, 'Alt ↓', i + 1, i + 2),
    { label: kindWords.remove, keys: 'Delete', isOff: kinds.value.length < 2, do: () => remove(kind, at) },
  ] // prettier-ignore
}
const order = (kind: Kind, before: Kind | null): void =>
  void setUp.send({ type: 'kind.order', target: kind.id, before: before?.id ?? null })
</script>

<template>
  <div class="part">
    <EditGrid
      ref="grid"
      v-slot="{ row, column }"
      :rows="kinds"
      :columns="columns"
      :label="kindWords.label"
      :may-edit="mayEdit"
      :marked="setUp.pending?.about"
      @edit="(kind, column, at) => (editing = { kind, column, at })"
      @order="order"
      @remove="remove"
      @menu="(kind, at, point) => mayEdit && (menu = { kind, at, point })"
    >
      <KindMark v-if="column === 'icon'" name="" :icon="row.icon" />
      <span v-else class="one-line" :class="{ soft: column !== 'name' }" :title="texts[column](row)">{{
        texts[column](row)
      }}</span>
    </EditGrid>
    <div class="foot">
      <span ref="start"
        ><VBtn v-if="mayEdit" variant="outlined" @click="isAdding = start">{{ kindWords.add }}</VBtn></span
      >
      <span v-if="!mayEdit" class="soft">{{ setUpWords.onlyLeads }}</span>
    </div>
    <NameEditor
      v-if="isAdding"
      name=""
      :label="kindWords.newName"
      :taken="kinds.map(({ name }) => name)"
      :at="isAdding"
      @take="add"
      @leave="isAdding = undefined"
    />
    <ActMenu
      v-if="menu"
      :acts="acts(menu)"
      :label="frameWords.acts(menu.kind.name)"
      :at="menu.at"
      :point="menu.point"
      @close="menu = undefined"
    />
    <template v-if="editing">
      <NameEditor
        v-if="editing.column === 'name'"
        :name="editing.kind.name"
        :label="kindWords.name"
        :taken="kinds.filter(({ id }) => id !== editing?.kind.id).map(({ name }) => name)"
        :at="editing.at"
        @take="(set(editing.kind, 'name', $event), endEdit())"
        @leave="endEdit()"
      />
      <PopMenu v-else-if="editing.column === 'icon'" :at="editing.at" @close="endEdit()">
        <VList role="menu" :aria-label="kindWords.icon">
          <VListItem
            v-for="icon in kindIcons"
            :key="icon"
            role="menuitemradio"
            :aria-checked="icon === editing.kind.icon"
            :active="icon === editing.kind.icon"
            @click="paint(icon)"
            ><KindMark :name="icon" :icon="icon"
          /></VListItem>
        </VList>
      </PopMenu>
      <KindDefaults
        v-else-if="editing.column === 'defaults'"
        :kind="editing.kind"
        @take="set(editing.kind, 'defaults', $event)"
        @leave="endEdit()"
      />
      <KindShows
        v-else-if="editing.column === 'shows'"
        :kind="editing.kind"
        @take="show(editing.kind, $event)"
        @leave="endEdit()"
      />
      <PopMenu v-else-if="editing.column === 'statuses'" :at="editing.at" @close="endEdit()">
        <VList role="menu" :aria-label="kindWords.statuses">
          <VListItem
            v-for="{ id, names } in otherWorkflows"
            :key="id"
            role="menuitem"
            :title="kindWords.as(names)"
            @click="follow(id, names)"
          />
          <VListItem
            v-if="sharing(editing.kind).length"
            role="menuitem"
            :title="kindWords.own"
            :subtitle="kindWords.ownHint"
            @click="goAlone"
          />
          <VListItem v-else-if="!otherWorkflows.length" disabled :title="kindWords.alone" />
        </VList>
      </PopMenu>
      <TickList
        v-else-if="editing.column === 'inside'"
        :choices="kinds.map(({ id, name }) => ({ id, label: name }))"
        :chosen="insideOf(editing.kind).map(({ id }) => id)"
        :label="kindWords.inside"
        :all="kindWords.anyKind"
        :at="editing.at"
        @take="hold"
        @leave="endEdit()"
      />
    </template>
  </div>
</template>

<style scoped>
.part {
  padding-top: 12px;
}
.foot {
  padding-top: 16px;
}
</style>
