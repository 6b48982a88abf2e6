<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { v7 } from 'uuid'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import { longestName } from '#core/base/text'
import { fieldRef } from '#core/facts/registry'
import { optionColours, type OptionColour } from '#core/fields/names'
import { rankAfter } from '#core/base/ranks'
import type { Field, OptionId, OptionOfField } from '#core/model/records'
import ColourChoice from '../parts/ColourChoice.vue'
import EditGrid, { type GridColumn } from '../parts/EditGrid.vue'
import { useEditing } from '../parts/editing'
import PopMenu from '../parts/PopMenu.vue'
import SelectOne from '../parts/SelectOne.vue'
import { useAsk } from '../data/use-ask'
import { useDirectory } from '../data/directory'
import { useSetUpChange } from './changes'
import NameEditor from './NameEditor.vue'
import { optionWords } from './field-words'

/** The options of a field in their order, which is the order that sorts: named, coloured, ordered, merged and removed. */
const props = defineProps<{ field: Field; mayEdit: boolean }>()
const directory = useDirectory()
const setUp = useSetUpChange()
const ask = useAsk()

interface Line {
  readonly id: OptionId
  readonly name: string
  readonly option: OptionOfField
}
type Column = 'name' | 'colour' | 'held'
const columns: readonly GridColumn<Column>[] = [
  { id: 'name', head: optionWords.name, width: 'minmax(120px, 1fr)', isEditable: true },
  { id: 'colour', head: optionWords.colour, width: '96px', isEditable: true },
  { id: 'held', head: optionWords.held, width: '76px', isNumber: true },
]
const lines = computed((): Line[] =>
  directory.reader
    .optionsOf(props.field.id)
    .filter(({ archived }) => !archived)
    .map((option) => ({ id: option.id, name: option.label, option })),
)
const counts = shallowRef<Readonly<Record<string, number>>>({})
onMounted(() =>
  watch(
    () => [props.field.id, directory.reader],
    async () => {
      const { project, id } = props.field
      counts.value = (await ask('valueCounts', { project, others: [], fact: fieldRef(id) }))?.values ?? {}
    },
    { immediate: true },
  ),
)
const held = ({ id }: Line): number => counts.value[id] ?? 0

const { editing, endEdit } = useEditing<{ line: Line; column: Column; at: HTMLElement }>()
function rename(to: string): void {
  const { id, name: from } = editing.value!.line
  if (to !== from) void setUp.send({ type: 'option.set', target: id, set: { label: { from, to } } })
  endEdit()
}
function paint(to: OptionColour): void {
  const { id, option } = editing.value!.line
  if (to !== option.colour)
    void setUp.send({ type: 'option.set', target: id, set: { colour: { from: option.colour, to } } })
  endEdit()
}
const order = (line: Line, before: Line | null): void =>
  void setUp.send({ type: 'option.order', target: line.id, before: before?.id ?? null })

/** What is to be removed, and what items that have it get in its place. */
const leaving = shallowRef<Line>()
const to = ref('')
const [keep, none] = ['keep', '']
const places = computed(() => [
  { value: none, title: optionWords.nothing },
  { value: keep, title: optionWords.keep },
  ...lines.value.filter(({ id }) => id !== leaving.value?.id).map(({ id, name }) => ({ value: id as string, title: name })), // prettier-ignore
])
function startRemoval(line: Line): void {
  leaving.value = line
  to.value = none
}
async function remove(): Promise<void> {
  const line = leaving.value
  if (!line) return
  const how = to.value === keep ? {} : { to: (to.value || null) as OptionId | null }
  if (await setUp.send({ type: 'option.remove', target: line.id, how })) leaving.value = undefined
}

const added = ref('')
async function add(): Promise<void> {
  const label = added.value.trim()
  if (!label) return
  const all = directory.reader.optionsOf(props.field.id)
  const colour = optionColours[all.length % optionColours.length]!
  const record = { id: v7() as OptionId, field: props.field.id, label, colour, rank: rankAfter(all), archived: false }
  if (await setUp.send({ type: 'option.add', record })) added.value = ''
}
</script>

<template>
  <div class="options">
    <EditGrid
      v-slot="{ row, column }"
      :rows="lines"
      :columns="columns"
      :label="optionWords.label(field.name)"
      :may-edit="mayEdit"
      :marked="leaving?.id"
      @edit="(line, column, at) => (editing = { line, column, at })"
      @order="order"
      @remove="startRemoval"
      @menu="(line) => mayEdit && startRemoval(line)"
    >
      <span
        v-if="column === 'name'"
        class="opt"
        :style="{ '--t': `var(--${row.option.colour}-tint)`, '--x': `var(--${row.option.colour}-text)` }"
        >{{ row.name }}</span><span v-else-if="column === 'colour'" class="soft">{{ row.option.colour }}</span
      ><template v-else>{{ held(row) }}</template>
    </EditGrid>
    <div v-if="leaving" class="leaving" @keydown.esc.stop.prevent="leaving = undefined">
      <span>{{ optionWords.get(held(leaving), leaving.name) }}</span>
      <SelectOne :choices="places" :chosen="to" :label="optionWords.instead" @choose="to = $event" />
      <VBtn variant="flat" @click="remove">{{ optionWords.remove }}</VBtn>
      <VBtn variant="plain" @click="leaving = undefined">{{ optionWords.stay }}</VBtn>
    </div>
    <VTextField
      v-if="mayEdit"
      v-model="added"
      :label="optionWords.add"
      :maxlength="longestName"
      @keydown.enter.prevent="add"
    />
    <NameEditor
      v-if="editing?.column === 'name'"
      :name="editing.line.name"
      :label="optionWords.name"
      :taken="lines.filter(({ id }) => id !== editing?.line.id).map(({ name }) => name)"
      :at="editing.at"
      @take="rename"
      @leave="endEdit()"
    />
    <PopMenu v-else-if="editing" :at="editing.at" @close="endEdit()">
      <ColourChoice
        v-slot="{ colour }"
        class="tints"
        :colours="optionColours"
        :chosen="editing.line.option.colour"
        :label="optionWords.colour"
        @choose="paint"
      >
        <span class="opt" :style="{ '--t': `var(--${colour}-tint)`, '--x': `var(--${colour}-text)` }">a</span>
      </ColourChoice>
    </PopMenu>
  </div>
</template>

<style scoped>
.options {
  display: grid;
  gap: 10px;
}
.options :deep(.edit-grid) {
  max-height: 300px;
  overflow: auto;
}
.leaving {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.tints {
  padding: 8px;
  max-width: 220px;
}
</style>
