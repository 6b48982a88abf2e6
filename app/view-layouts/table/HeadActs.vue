<script setup lang="ts">
import { computed } from 'vue'
import { fieldRef } from '#core/facts/registry'
import { typeOf } from '#core/fields/registry'
import type { FieldId, Project, View, ViewDefinition } from '#core/model/records'
import type { Act } from '../../parts/ActMenu.vue'
import { useDirectory } from '../../data/directory'
import { useViews } from '../../data/views'
import FieldMenu from '../../set-up/FieldMenu.vue'
import NewField from '../../set-up/NewField.vue'
import { fieldWords } from '../../set-up/field-words'
import type { HeadPlace } from './columns'

/** What is done with the fields of a table at its head: with the view that shows them, and with the project that has them. */
const props = defineProps<{ place: HeadPlace; project: Project; view: View; definition: ViewDefinition }>()
const emit = defineEmits<{ close: []; added: [] }>()
const directory = useDirectory()
const views = useViews()
const change = (part: Partial<Pick<ViewDefinition, 'sort' | 'show'>>): void =>
  views.change(props.view, { ...props.definition, ...part } as ViewDefinition)
const acts = computed((): Act[] => {
  const { field } = props.place
  if (!field) return []
  const { show } = props.definition
  const at = show.indexOf(field.id)
  const to = (by: -1 | 1): void => {
    const others = show.filter((id) => id !== field.id)
    change({ show: others.toSpliced(at + by, 0, field.id) })
  }
  const sort = (down: boolean): void => change({ sort: [{ by: fieldRef(field.id), down }] })
  return [
    ...(typeOf(field).isApart
      ? []
      : [
          { label: fieldWords.sortUp, do: () => sort(false) },
          { label: fieldWords.sortDown, do: () => sort(true) },
        ]),
    { label: fieldWords.left, isOff: at === 0, do: () => to(-1) },
    { label: fieldWords.right, isOff: at === show.length - 1, do: () => to(1) },
    { label: fieldWords.hide, do: () => change({ show: show.filter((id) => id !== field.id) }) },
  ]
})
/** The view shows what is made in it, after what it was made beside. */
function shows(made: FieldId): void {
  const { show } = props.definition
  const at = props.place.field ? show.indexOf(props.place.field.id) : show.length - 1
  change({ show: show.toSpliced(at + 1, 0, made) })
  if (!props.place.field) emit('added')
}
</script>

<template>
  <FieldMenu
    v-if="place.field"
    :field="place.field"
    :project="project"
    :acts="acts"
    :may-edit="directory.may('set up project', project.id)"
    :at="place.at"
    :point="place.point"
    @added="shows"
    @close="emit('close')"
  />
  <NewField v-else :model-value="true" :project="project.id" @added="shows" @update:model-value="emit('close')" />
</template>
