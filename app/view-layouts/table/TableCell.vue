<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { Row } from '../../replica/watches'
import ChoiceList from '../../parts/ChoiceList.vue'
import { kindChoices, statusChoices } from '../../parts/choices'
import { setValue } from '../../parts/edits'
import FieldEditor from '../../parts/FieldEditor.vue'
import KindMark from '../../parts/KindMark.vue'
import StatusText from '../../parts/StatusText.vue'
import ValueText from '../../parts/ValueText.vue'
import { useChanges } from '../../stores/changes'
import { useDirectory } from '../../stores/directory'
import { words } from '../../words'
import type { TableColumn } from './columns'

/** One cell: shows a value, and is its editor while it is edited. */
const props = defineProps<{
  row: Row
  column: TableColumn
  active: boolean
  editing: boolean
  typed?: string | undefined
}>()
const emit = defineEmits<{ focus: []; edit: []; open: []; leave: [by: 'Enter' | 'Tab' | 'Escape' | 'blur'] }>()
const changes = useChanges()
const directory = useDirectory()
const cell = ref<HTMLElement>()
const kind = computed(() => directory.reader.maybe('kind', props.row.item.kind))
const title = ref('')
/** The title that the change is made from, whatever comes meanwhile. */
let titleFrom = ''
/** Leaving by a key takes the focus away as well: only the first way counts. */
let isLeft = true
/** What was typed stays on the screen until the row says it, so that nothing flickers back. */
const sentTitle = ref<string>()
const shownTitle = computed(() => sentTitle.value ?? props.row.item.title)
watch(
  () => props.row.item,
  () => (sentTitle.value = undefined),
)
const titleInput = ref<HTMLInputElement>()
watch(
  () => props.editing,
  (editing) => {
    if (!editing || props.column.is !== 'title') return
    isLeft = false
    titleFrom = props.row.item.title
    title.value = props.typed ?? titleFrom
    void nextTick(() => {
      titleInput.value?.focus()
      if (props.typed === undefined) titleInput.value?.select()
    })
  },
)

async function saveTitle(by: 'Enter' | 'Tab' | 'blur'): Promise<void> {
  if (isLeft) return
  isLeft = true
  const { item } = props.row
  const to = title.value.trim()
  emit('leave', by)
  if (to === titleFrom) return
  sentTitle.value = to
  if (!(await setValue(changes, item, 'title', titleFrom, to))) sentTitle.value = undefined
}
function choose(id: string): void {
  const key = props.column.is as 'status' | 'kind'
  emit('leave', 'Escape')
  if (id !== props.row.item[key]) void setValue(changes, props.row.item, key, props.row.item[key], id)
}
function onTitleKey(event: KeyboardEvent): void {
  if (event.key === 'Enter' || event.key === 'Tab') void saveTitle(event.key)
  else if (event.key === 'Escape') {
    isLeft = true
    emit('leave', 'Escape')
  } else return
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <div
    ref="cell"
    role="gridcell"
    class="cell"
    :class="[column.is, { number: column.isNumber, editing }]"
    :tabindex="active ? 0 : -1"
    :aria-readonly="column.is === 'key' || undefined"
    @focus="emit('focus')"
    @dblclick="emit('edit')"
    @click="active && !editing && column.is !== 'key' ? undefined : emit('focus')"
  >
    <button
      v-if="column.is === 'key'"
      type="button"
      class="key soft"
      tabindex="-1"
      :aria-label="`${words.queue.open} ${row.key}`"
      @click="emit('open')"
    >
      {{ row.key }}
    </button>
    <template v-else-if="column.is === 'title'">
      <input
        v-if="editing"
        ref="titleInput"
        v-model="title"
        :aria-label="words.table.title"
        maxlength="600"
        @keydown="onTitleKey"
        @blur="saveTitle('blur')"
      />
      <span v-else class="title" :title="shownTitle">{{ shownTitle }}</span>
      <span v-if="row.children && !editing" class="soft inside">{{ row.children }}</span>
    </template>
    <KindMark v-else-if="column.is === 'kind' && kind" :name="kind.name" :icon="kind.icon" />
    <StatusText v-else-if="column.is === 'status'" :status="row.item.status" />
    <template v-else-if="column.field">
      <FieldEditor
        v-if="editing && cell"
        :field="column.field"
        :item="row.item"
        :anchor="cell"
        :typed="typed"
        @leave="emit('leave', $event)"
      />
      <ValueText
        v-if="!editing || ['people', 'oneOption', 'severalOptions'].includes(column.field.type)"
        :field="column.field"
        :item="row.item"
        :late="row.late"
      />
    </template>
    <v-menu
      v-if="editing && (column.is === 'status' || column.is === 'kind')"
      :model-value="true"
      :target="cell"
      :close-on-content-click="false"
      location="bottom start"
      @update:model-value="emit('leave', 'Escape')"
    >
      <div class="pop">
        <ChoiceList
          :choices="
            column.is === 'status'
              ? statusChoices(directory, row.item.project)
              : kindChoices(directory, row.item.project)
          "
          :chosen="[row.item[column.is]]"
          :label="column.name"
          @choose="choose"
          @leave="emit('leave', 'Escape')"
        />
      </div>
    </v-menu>
  </div>
</template>

<style scoped>
.cell {
  padding: 0 10px;
  height: 32px;
  display: flex;
  align-items: center;
  gap: 6px;
  overflow: hidden;
  white-space: nowrap;
  min-width: 0;
}
.cell[tabindex='0']:focus {
  outline: none;
  box-shadow: inset 0 0 0 1px var(--leaf);
}
.cell:focus {
  outline: none;
}
.cell[tabindex='0']:focus-visible {
  box-shadow: inset 0 0 0 2px var(--leaf);
  border-radius: 2px;
}
.cell.editing {
  padding: 0;
  overflow: visible;
}
.number {
  justify-content: flex-end;
}
.key {
  padding-left: 24px;
}
.cell.key {
  padding: 0;
}
.key:hover {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.title {
  overflow: hidden;
  text-overflow: ellipsis;
}
.inside {
  font-size: 12px;
  border: 1px solid var(--rule-strong);
  border-radius: 8px;
  padding: 0 6px;
  line-height: 15px;
}
input {
  width: 100%;
  height: 32px;
  border: 0;
  box-shadow: inset 0 0 0 2px var(--leaf);
  border-radius: 2px;
  background: var(--raised);
  padding: 0 10px;
  outline: none;
}
.editing :deep(.box) {
  width: 100%;
}
@media (max-width: 700px) {
  .key {
    padding-left: 16px;
  }
}
</style>
