<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import { VTextField } from 'vuetify/components/VTextField'
import type { Row } from '#core/layouts/rows'
import ColumnEditor from '../../parts/ColumnEditor.vue'
import { useTitleEdit } from '../../parts/use-title-edit'
import FieldEditor from '../../parts/FieldEditor.vue'
import { partsOf, ValueText } from '../../parts/field-parts'
import { KindMark, StatusText } from '../../parts/marks'
import { useDirectory } from '../../data/directory'
import type { TableColumn } from './columns'

/** A cell while it is edited. `sent`: the title is on its way, and is shown until the row says it. */
const props = defineProps<{ row: Row; column: TableColumn; typed?: string | undefined }>()
const emit = defineEmits<{ leave: [by: 'Enter' | 'Tab' | 'Escape' | 'blur']; sent: [title: string | undefined] }>()
const directory = useDirectory()
const cell = ref<HTMLElement>()
const kind = directory.reader.maybe('kind', props.row.item.kind)

const { title, begin, changed, save } = useTitleEdit(() => props.row.item)
begin(props.typed)
const titleInput = ref<InstanceType<typeof VTextField>>()
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
    <VTextField
      v-if="column.is === 'title'"
      ref="titleInput"
      v-model="title"
      class="in-place"
      variant="plain"
      :aria-label="column.name"
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
        v-if="['list', 'items'].includes(partsOf(column.field).editor)"
        class="held"
        :field="column.field"
        :item="row.item"
        :late="row.late"
      />
    </template>
    <template v-else>
      <StatusText v-if="column.is === 'status'" class="held" :status="row.item.status" />
      <KindMark v-else-if="kind" class="held" :name="kind.name" :icon="kind.icon" />
      <ColumnEditor
        v-if="stands && (column.is === 'status' || column.is === 'kind')"
        :item="row.item"
        :column="column.is"
        :typed="typed"
        :at="cell"
        @leave="emit('leave', 'Escape')"
      />
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
</style>
