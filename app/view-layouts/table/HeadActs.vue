<script setup lang="ts">
import { computed } from 'vue'
import { mostFrozen } from '#core/model/names'
import type { FieldId, Project, View, ViewDefinition } from '#core/model/records'
import ActMenu, { type Act } from '../../parts/ActMenu.vue'
import { useDirectory } from '../../data/directory'
import { useViews } from '../../data/views'
import FieldMenu from '../../set-up/FieldMenu.vue'
import NewField from '../../set-up/NewField.vue'
import { fieldWords } from '../../set-up/field-words'
import { frameWords } from '../../shell/words'
import { tableWords } from '../words'
import type { HeadPlace, TableColumn } from './columns'

/** What is done with the fields of a table at its head: with the view that shows them, and with the project that has them. */
const props = defineProps<{
  place: HeadPlace
  columns: readonly TableColumn[]
  project: Project
  view: View
  definition: ViewDefinition
}>()
const emit = defineEmits<{ close: []; added: [] }>()
const directory = useDirectory()
const views = useViews()
const change = (part: Partial<Pick<ViewDefinition, 'sort' | 'show'>> & { frozen?: number }): void =>
  views.change(props.view, { ...props.definition, ...part } as ViewDefinition)
/** Columns up to this one stay in sight, or scroll again; those of more than there are to freeze always scroll. */
const freezes = computed((): Act[] => {
  const { definition, columns, place } = props
  if (!('frozen' in definition) && definition.layout === 'board') return []
  const frozen = ('frozen' in definition ? definition.frozen : undefined) ?? 0
  // Key, or place, and title stay in any case.
  const upTo = columns.findIndex(({ id }) => id === place.column?.id) - 1
  return [
    ...(upTo > 0 && upTo <= mostFrozen && upTo !== frozen
      ? [{ label: tableWords.freeze, do: () => change({ frozen: upTo }) }]
      : []),
    ...(frozen ? [{ label: tableWords.unfreeze, do: () => change({ frozen: 0 }) }] : []),
  ]
})
const acts = computed((): Act[] => {
  const { column } = props.place
  const { field } = column ?? {}
  if (!column) return []
  const { show } = props.definition
  const sort = (down: boolean): void => column.sort && change({ sort: [{ by: column.sort, down }] })
  const sorts: Act[] = column.sort
    ? [
        { label: fieldWords.sortUp, do: () => sort(false) },
        { label: fieldWords.sortDown, do: () => sort(true) },
      ]
    : []
  if (!field) return [...sorts, ...freezes.value]
  const at = show.indexOf(field.id)
  const to = (by: -1 | 1): void => {
    const others = show.filter((id) => id !== field.id)
    change({ show: others.toSpliced(at + by, 0, field.id) })
  }
  return [
    ...sorts,
    ...freezes.value,
    { label: fieldWords.left, keys: 'Alt ←', isOff: at === 0, do: () => to(-1) },
    { label: fieldWords.right, keys: 'Alt →', isOff: at === show.length - 1, do: () => to(1) },
    { label: fieldWords.hide, do: () => change({ show: show.filter((id) => id !== field.id) }) },
  ]
})
/** The view shows what is made in it, after what it was made beside. */
function shows(made: FieldId): void {
  const { show } = props.definition
  const at = props.place.column?.field ? show.indexOf(props.place.column.field.id) : show.length - 1
  change({ show: show.toSpliced(at + 1, 0, made) })
  if (!props.place.column) emit('added')
}
</script>

<template>
  <FieldMenu
    v-if="place.column?.field"
    :field="place.column.field"
    :project="project"
    :acts="acts"
    :may-edit="directory.may('set up project', project.id)"
    :at="place.at"
    :point="place.point"
    @added="shows"
    @close="emit('close')"
  />
  <ActMenu
    v-else-if="place.column"
    :acts="acts"
    :label="frameWords.acts(place.column.name)"
    :at="place.at"
    :point="place.point"
    @close="emit('close')"
  />
  <NewField v-else :model-value="true" :project="project.id" @added="shows" @update:model-value="emit('close')" />
</template>
