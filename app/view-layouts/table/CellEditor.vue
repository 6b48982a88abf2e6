<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import type { Row } from '#core/layouts/rows'
import PopMenu from '../../parts/PopMenu.vue'
import ChoiceList from '../../parts/ChoiceList.vue'
import { kindChoices, statusChoices } from '../../parts/choices'
import { setValue } from '../../parts/edits'
import { useTitleEdit } from '../../parts/use-title-edit'
import FieldEditor from '../../parts/FieldEditor.vue'
import { fieldParts, ValueText } from '../../parts/field-parts'
import { KindMark, StatusText } from '../../parts/marks'
import { useChanges } from '../../data/changes'
import { useDirectory } from '../../data/directory'
import { words } from '../../words'
import type { TableColumn } from './columns'

/** A cell while it is edited. `sent`: the title is on its way, and is shown until the row says it. */
const props = defineProps<{ row: Row; column: TableColumn; typed?: string | undefined }>()
const emit = defineEmits<{ leave: [by: 'Enter' | 'Tab' | 'Escape' | 'blur']; sent: [title: string | undefined] }>()
const changes = useChanges()
const directory = useDirectory()
const cell = ref<HTMLElement>()
const kind = directory.reader.maybe('kind', props.row.item.kind)

const { title, begin, changed, save } = useTitleEdit(() => props.row.item)
begin(props.typed)
const titleInput = ref<HTMLInputElement>()
/** Leaving by a key takes the focus away as well: only the first way counts. */
let isLeft = false
/** An editor is anchored to the cell, which has to stand first. */
const stands = ref(false)
onMounted(() => {
  stands.value = true
  void nextTick(() => {
    titleInput.value?.focus()
    if (props.typed === undefined) titleInput.value?.select()
  })
})

async function saveTitle(by: 'Enter' | 'Tab' | 'blur'): Promise<void> {
  if (isLeft) return
  isLeft = true
  const to = changed()
  if (to !== undefined) emit('sent', to)
  emit('leave', by)
  if (to !== undefined && !(await save(to))) emit('sent', undefined)
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
  <div ref="cell" role="gridcell" class="cell editing" :class="column.is" tabindex="-1">
    <input
      v-if="column.is === 'title'"
      ref="titleInput"
      v-model="title"
      :aria-label="words.table.title"
      maxlength="600"
      @keydown="onTitleKey"
      @blur="saveTitle('blur')"
    />
    <template v-else-if="column.field">
      <FieldEditor
        v-if="stands && cell"
        :field="column.field"
        :item="row.item"
        :anchor="cell"
        :typed="typed"
        @leave="emit('leave', $event)"
      />
      <ValueText
        v-if="fieldParts[column.field.type].editor === 'list'"
        class="held"
        :field="column.field"
        :item="row.item"
        :late="row.late"
      />
    </template>
    <template v-else>
      <StatusText v-if="column.is === 'status'" class="held" :status="row.item.status" />
      <KindMark v-else-if="kind" class="held" :name="kind.name" :icon="kind.icon" />
      <PopMenu :at="stands ? cell : undefined" @close="emit('leave', 'Escape')">
        <div class="pop">
          <ChoiceList
            :choices="
              column.is === 'status'
                ? statusChoices(directory, row.item.project, row.item.kind)
                : kindChoices(directory, row.item.project)
            "
            :chosen="[row.item[column.is as 'status' | 'kind']]"
            :label="column.name"
            @choose="choose"
            @leave="emit('leave', 'Escape')"
          />
        </div>
      </PopMenu>
    </template>
  </div>
</template>

<style scoped>
.cell.editing {
  padding: 0;
  overflow: visible;
}
.held {
  margin-left: 10px;
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
</style>
