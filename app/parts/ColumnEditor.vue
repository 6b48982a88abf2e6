<script setup lang="ts">
import { computed } from 'vue'
import type { Item } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { itemWords } from '../item/words'
import { headOf } from './called'
import ChoiceList from './ChoiceList.vue'
import { kindChoices, statusesFor } from './choices'
import { setValue } from './edits'
import ParentPicker from './ParentPicker.vue'
import PopMenu from './PopMenu.vue'
import SetUpLink from './SetUpLink.vue'

/** What an item is, where it stands or what it is inside, chosen from a list beside an element. */
const props = defineProps<{
  item: Item
  column: 'status' | 'kind' | 'parent'
  at: HTMLElement | undefined
  typed?: string | undefined
}>()
const emit = defineEmits<{ leave: [] }>()
const changes = useChanges()
const directory = useDirectory()
const choices = computed(() =>
  props.column === 'status' ? statusesFor(directory, props.item) : kindChoices(directory, props.item.project),
)
function choose(id: string | null): void {
  emit('leave')
  const { item, column } = props
  if (id !== item[column]) void setValue(changes, item, column, item[column], id)
}
</script>

<template>
  <PopMenu :at="at" @close="emit('leave')">
    <ParentPicker v-if="column === 'parent'" :item="item" @choose="choose" @leave="emit('leave')" />
    <ChoiceList
      v-else
      :choices="choices"
      :chosen="[item[column]]"
      :label="column === 'status' ? headOf(directory, item.project, column) : itemWords[column]"
      :typed="typed"
      @choose="choose"
      @leave="emit('leave')"
    />
    <SetUpLink v-if="column === 'status'" :project="item.project" part="statuses" :at="item.status" />
  </PopMenu>
</template>
