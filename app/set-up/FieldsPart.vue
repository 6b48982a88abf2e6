<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { VBtn } from 'vuetify/components/VBtn'
import { fieldRef } from '#core/facts/registry'
import { idsIn } from '#core/model/entities'
import { useNames } from '#core/model/names'
import { fieldTypes, isWorkedOut } from '#core/fields/registry'
import type { Condition, FactTest, Field, Project } from '#core/model/records'
import { useNewKey } from '../parts/new-key'
import EditGrid, { type GridColumn, type GridHandle } from '../parts/EditGrid.vue'
import type { Act } from '../parts/ActMenu.vue'
import { useDirectory } from '../data/directory'
import { useAsk } from '../data/use-ask'
import { useQuery } from '../data/use-query'
import { useViews } from '../data/views'
import { useSetUpChange } from './changes'
import { useFieldActs } from './field-acts'
import FieldForm from './FieldForm.vue'
import FieldMenu from './FieldMenu.vue'
import NewField from './NewField.vue'
import { fieldWords, ruleWords } from './field-words'
import { projectPartWords, setUpWords } from './words'

/** The fields of a project: what each holds, how far it is filled, and where it is shown. */
const props = defineProps<{ project: Project; mayEdit: boolean }>()
const directory = useDirectory()
const setUp = useSetUpChange()
const route = useRoute()
const router = useRouter()
const acts = useFieldActs(() => props.project)
const drafts = useViews()
const ask = useAsk()
const { answer: filled } = useQuery('filled', () => ({ project: props.project.id }))

type Column = 'name' | 'holds' | 'serves' | 'help' | 'filled' | 'views'
const columns: readonly GridColumn<Column>[] = [
  { id: 'name', head: fieldWords.name, width: 'minmax(120px, 1.4fr)', isEditable: true },
  { id: 'holds', head: fieldWords.holds, width: 'minmax(110px, 1fr)' },
  { id: 'help', head: fieldWords.help, width: 'minmax(110px, 1.6fr)', isEditable: true, spare: 1 },
  { id: 'serves', head: fieldWords.serves, width: 'minmax(120px, 1.3fr)', spare: 1 },
  { id: 'filled', head: fieldWords.filled, width: '76px', isNumber: true },
  { id: 'views', head: fieldWords.views, width: '92px', isNumber: true, spare: 2 },
]
const rows = computed(() => acts.fields())
const views = computed(() => {
  const counts = new Map<string, number>()
  for (const view of directory.views(props.project.id))
    for (const id of new Set(idsIn('view', view).map((one) => one.id))) counts.set(id, (counts.get(id) ?? 0) + 1)
  return counts
})
const held = (field: Field): number => filled.value?.fields[field.id] ?? 0
/** Items from before that have nothing in a field which every new one has. */
const lacks = (field: Field): number => (field.required && filled.value ? filled.value.items - held(field) : 0)
const lacking = computed(() => rows.value.filter(lacks))
/** The view in which they are looked at: for oneself, until it is put back. */
const table = computed(() => directory.views(props.project.id).find(({ definition }) => definition.layout === 'table'))
function see(...where: Condition[]): void {
  const view = table.value
  if (!view) return
  drafts.change(view, { ...view.definition, where })
  void router.push(`/app/${props.project.prefix}/${view.id}`)
}
const asked = (field: Field, test: FactTest): Condition => ({ about: 'fact', fact: fieldRef(field.id), test })
const seeLacking = (field: Field): void => see(asked(field, { is: 'empty' }))
/** What is from before there was a rule stays, and is found. */
const outs = computed(() => rows.value.filter(({ id }) => filled.value?.out[id]))
async function seeOut(field: Field): Promise<void> {
  const where = await ask('misfits', { field: field.id })
  if (where) see(where)
}
const otherName = ({ other }: Field['settings']) =>
  other && fieldWords.farOf(directory.reader.maybe('field', other)?.name ?? '')
const texts: Readonly<Record<Column, (field: Field) => string>> = {
  name: (field) => field.name,
  holds: ({ type, settings }) => [fieldTypes[type].label, settings.gives && fieldTypes[settings.gives].label, settings.unit ?? settings.currency, otherName(settings)].filter(Boolean).join(', '), // prettier-ignore
  help: (field) => field.help,
  serves: ({ id }) => useNames.filter((use) => props.project.uses[use] === id).map((use) => projectPartWords.serves[use]).join(', '), // prettier-ignore
  filled: (field) => (filled.value && !isWorkedOut(field) ? String(held(field)) : ''),
  views: ({ id }) => String(views.value.get(id) ?? 0),
}

const grid = ref<GridHandle>()
const isAdding = ref(false)
const edited = shallowRef<Field>()
const menu = shallowRef<{ field: Field; at: HTMLElement; point?: [number, number] | undefined }>()
const moves = computed((): Act[] => {
  const field = menu.value?.field
  const at = rows.value.findIndex(({ id }) => id === field?.id)
  if (!field || !props.mayEdit) return []
  return [
    { label: fieldWords.up, keys: 'Alt ↑', isOff: at <= 0, do: () => acts.move(field, -1) },
    { label: fieldWords.down, keys: 'Alt ↓', isOff: at === rows.value.length - 1, do: () => acts.move(field, 1) },
  ]
})
const remove = (field: Field, at?: HTMLElement): void => setUp.ask(acts.removal(field, held(field)), at)
useNewKey(
  () => props.mayEdit,
  () => (isAdding.value = true),
)
/** Where one comes to remove one, that is asked at once. */
watch(
  [() => route.query.remove, filled],
  ([id, known]) => {
    const field = typeof id === 'string' && known ? rows.value.find((one) => one.id === id) : undefined
    if (!field) return
    remove(field)
    void router.replace({ query: {} })
  },
  { immediate: true },
)
</script>

<template>
  <div class="part">
    <EditGrid
      ref="grid"
      v-slot="{ row, column }"
      :rows="rows"
      :columns="columns"
      :label="fieldWords.label"
      :may-edit="mayEdit"
      :marked="setUp.pending?.about"
      @edit="(row) => (edited = row)"
      @order="acts.order"
      @remove="remove"
      @menu="(row, at, point) => mayEdit && (menu = { field: row, at, point })"
    >
      <span
        class="one-line"
        :class="{ soft: column !== 'name', 'cell-mind': column === 'filled' && lacks(row) }"
        :title="column === 'filled' && lacks(row) ? ruleWords.lack(lacks(row)) : texts[column](row)"
        >{{ texts[column](row) }}</span
      >
    </EditGrid>
    <p v-for="field in lacking" :key="field.id" class="note mind lacking">
      {{ ruleWords.lackIn(lacks(field), field.name) }}
      <VBtn v-if="table" variant="plain" @click="seeLacking(field)">{{ ruleWords.seeThem }}</VBtn>
    </p>
    <p v-for="field in outs" :key="`out ${field.id}`" class="note mind lacking">
      {{ ruleWords.outIn(filled?.out[field.id] ?? 0, field.name) }}
      <VBtn v-if="table" variant="plain" @click="seeOut(field)">{{ ruleWords.seeThem }}</VBtn>
    </p>
    <div class="foot">
      <VBtn v-if="mayEdit" variant="outlined" @click="isAdding = true">{{ fieldWords.title }}</VBtn>
      <span v-else class="soft">{{ setUpWords.onlyLeads }}</span>
    </div>
    <NewField v-if="isAdding" v-model="isAdding" :project="project.id" @added="grid?.focusNew($event)" />
    <FieldForm
      v-if="edited"
      :key="edited.id"
      :model-value="true"
      :field="edited"
      :project="project"
      @update:model-value="edited = undefined"
    />
    <FieldMenu
      v-if="menu"
      :field="menu.field"
      :project="project"
      :acts="moves"
      :may-edit="mayEdit"
      :at="menu.at"
      :point="menu.point"
      @close="menu = undefined"
      @added="grid?.focusNew($event)"
    />
  </div>
</template>

<style scoped>
.part {
  padding-top: 12px;
}
.foot {
  padding-top: 16px;
}
.cell-mind {
  color: var(--rust);
}
.lacking {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-top: 12px;
}
</style>
