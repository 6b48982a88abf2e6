<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { VIcon } from 'vuetify/components/VIcon'
import type { RowWithPath } from '#core/layouts/rows'
import { typeOf } from '#core/fields/registry'
import { idsOf } from '#core/fields/value'
import type { FieldGroup } from '#core/model/shown-fields'
import type { Field, Project } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { dayWords } from '../dates'
import { headOf } from '../parts/called'
import { workedText } from '../parts/worked-text'
import { press } from '../parts/edits'
import { FieldEditor } from '../parts/controls'
import { partsOf, ValueText } from '../parts/field-parts'
import { PersonPebbles, StatusText } from '../parts/marks'
import { NewField } from '../set-up/new-field-later'
import { fieldWords } from '../set-up/field-words'
import { itemWords } from './words'
import { editorWords } from '../parts/words'
import ColumnButton from './ColumnButton.vue'
import LinkedItems from './LinkedItems.vue'

/** An item's status, whose turn it is, its fields and what it is inside; each is edited where it stands. */
const props = defineProps<{ row: RowWithPath; project: Project; groups: readonly FieldGroup[]; may: (key: string) => boolean }>() // prettier-ignore
const emit = defineEmits<{ open: [key: string] }>()
const changes = useChanges()
const directory = useDirectory()
const item = computed(() => props.row.item)
const status = computed(() => directory.reader.maybe('status', item.value.status))
const isOver = computed(() => status.value?.phase === 'finished' || status.value?.phase === 'dropped')
const turnNames = computed(() => props.row.turn.map((id) => directory.reader.names.person(id) ?? '').join(' and '))
const editorOf = (field: Field) => partsOf(field).editor
const isTick = (field: Field) => !!typeOf(field).isTicked
/** Whether pressing it has it: ticked, or with one’s own vote. */
const isPressed = (field: Field) =>
  isTick(field)
    ? !!item.value.values[field.id]
    : idsOf(item.value.values[field.id]).some((id) => id === directory.me?.id)

const isAdding = ref(false)
/** Which value is being edited, and where its editor hangs. */
const editing = ref<{ field: Field; at: HTMLElement }>()
watch(
  () => item.value.id,
  () => (editing.value = undefined),
)
function edit(field: Field, event: Event): void {
  if (!props.may(field.id)) return
  const at = event.currentTarget as HTMLElement
  if (editorOf(field) === 'press') void press(changes, item.value, field, directory.me?.id)
  else editing.value = { field, at }
}
function endEdit(): void {
  const at = editing.value?.at
  editing.value = undefined
  requestAnimationFrame(() => at?.focus())
}
</script>

<template>
  <template v-for="(group, i) in groups" :key="`${i} ${group.name}`">
    <h3 v-if="group.name" class="group">{{ group.name }}</h3>
    <dl class="facts">
      <template v-if="!i">
        <dt class="one-line">{{ headOf(directory, item.project, 'status') }}</dt>
        <dd>
          <ColumnButton
            class="value"
            :item="item"
            column="status"
            :label="`${headOf(directory, item.project, 'status')}: ${status?.name}`"
            :may-edit="may('status')"
          >
            <StatusText :status="item.status" /> <span class="soft">{{ itemWords.since(row.daysInStatus) }}</span>
          </ColumnButton>
        </dd>
        <dt class="one-line">{{ itemWords.turn }}</dt>
        <dd class="plain">
          <PersonPebbles v-if="row.turn.length" :people="row.turn" />
          <span :class="{ soft: !turnNames }">{{ turnNames || (isOver ? itemWords.over : itemWords.nobody) }}</span>
        </dd>
      </template>
      <template v-for="field in group.fields" :key="field.id">
        <dt class="one-line" :title="field.help">{{ field.name }}</dt>
        <dd>
          <LinkedItems
            v-if="editorOf(field) === 'items'"
            :ids="idsOf(item.values[field.id])"
            @open="emit('open', $event)"
          />
          <FieldEditor
            v-if="editing?.field.id === field.id"
            :field="field"
            :item="item"
            :anchor="editing.at"
            @leave="endEdit"
          />
          <button
            v-show="
              (editing?.field.id !== field.id || editorOf(field) !== 'line') &&
              (editorOf(field) !== 'items' || may(field.id))
            "
            type="button"
            class="value"
            :disabled="!may(field.id) || editorOf(field) === 'none'"
            :title="editorOf(field) === 'none' ? workedText(directory.reader, field) : undefined"
            :role="isTick(field) ? 'checkbox' : undefined"
            :aria-checked="isTick(field) ? isPressed(field) : undefined"
            :aria-pressed="editorOf(field) === 'press' && !isTick(field) ? isPressed(field) : undefined"
            :aria-label="editorOf(field) === 'none' ? field.name : editorWords.edit(field.name)"
            @click="edit(field, $event)"
          >
            <span v-if="editorOf(field) === 'items'" class="soft">{{ itemWords.link }}</span>
            <VIcon v-else-if="isTick(field)" size="18" :icon="item.values[field.id] ? '$checkboxOn' : '$checkboxOff'" />
            <ValueText
              v-else-if="item.values[field.id] !== undefined"
              :field="field"
              :item="item"
              :late="row.late"
              named
            />
            <span v-if="field.id === project.uses.due && row.late" class="soft">{{
              dayWords(String(item.values[field.id]), directory.language, directory.today)
            }}</span>
            <span v-if="editorOf(field) === 'press' && !isTick(field)" class="soft">{{
              isPressed(field) ? itemWords.voted : itemWords.vote
            }}</span>
          </button>
          <a
            v-if="partsOf(field).href && item.values[field.id] !== undefined && editing?.field.id !== field.id"
            class="out"
            :href="partsOf(field).href!(String(item.values[field.id]))"
            target="_blank"
            rel="noopener noreferrer"
            :aria-label="itemWords.open(String(item.values[field.id]))"
            >↗</a
          >
        </dd>
      </template>
      <template v-if="i === groups.length - 1">
        <dt class="one-line">{{ itemWords.parent }}</dt>
        <dd>
          <ColumnButton
            class="value"
            :item="item"
            column="parent"
            :label="editorWords.edit(itemWords.parent)"
            :may-edit="may('parent')"
          >
            <span :class="{ soft: !row.path.length }">{{ row.path.at(-1)?.title ?? itemWords.noParent }}</span>
          </ColumnButton>
        </dd>
        <dd v-if="directory.may('set up project', project.id)" class="more">
          <button type="button" class="soft" @click="isAdding = true">{{ fieldWords.addAfter }}</button>
          <NewField v-if="isAdding" v-model="isAdding" :project="project.id" />
        </dd>
      </template>
    </dl>
  </template>
</template>

<style scoped>
.group {
  font: var(--type-section);
  margin: 4px 0 -10px;
}
.facts {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr);
  gap: 1px 10px;
  margin: 0;
  --line: max(26px, var(--target));
}
.more {
  grid-column: 2;
}
.more button {
  min-height: var(--line);
}
dt {
  line-height: var(--line);
  color: var(--soft);
}
dt::first-letter {
  text-transform: uppercase;
}
dd {
  margin: 0;
  min-width: 0;
}
dd:has(> .out) {
  display: flex;
  gap: 6px;
  align-items: baseline;
}
dd:has(> .out) .value {
  width: auto;
}
.plain {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: var(--line);
}
.facts :deep(.value) {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  min-height: var(--line);
  width: calc(100% + 8px);
  padding: 2px 4px;
  margin: 0 -4px;
  border-radius: var(--round);
}
.facts :deep(.value:not(:disabled):hover) {
  background: var(--sunk);
}
button:disabled {
  cursor: default;
}
</style>
