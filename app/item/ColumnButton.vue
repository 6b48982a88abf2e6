<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Item } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import ChoiceList from '../parts/ChoiceList.vue'
import { kindChoices, statusChoices } from '../parts/choices'
import { setValue } from '../parts/edits'
import PopMenu from '../parts/PopMenu.vue'
import { words } from '../words'
import ParentPicker from './ParentPicker.vue'

/** What an item is, where it stands or what it is inside: pressed, it is chosen anew from a list. */
const props = defineProps<{ item: Item; column: 'status' | 'kind' | 'parent'; label: string; mayEdit: boolean }>()
defineOptions({ inheritAttrs: false })
const changes = useChanges()
const directory = useDirectory()
const button = ref<HTMLElement>()
const isOpen = ref(false)
const choices = computed(() =>
  props.column === 'status'
    ? statusChoices(directory, props.item.project, props.item.kind)
    : kindChoices(directory, props.item.project),
)
function close(): void {
  isOpen.value = false
  requestAnimationFrame(() => button.value?.focus())
}
function choose(id: string | null): void {
  close()
  const { item, column } = props
  if (id !== item[column]) void setValue(changes, item, column, item[column], id)
}
</script>

<template>
  <button ref="button" v-bind="$attrs" type="button" :disabled="!mayEdit" :aria-label="label" @click="isOpen = true">
    <slot />
  </button>
  <PopMenu :at="isOpen ? button : undefined" @close="close">
    <div class="pop">
      <ParentPicker v-if="column === 'parent'" :item="item" @choose="choose" @leave="close" />
      <ChoiceList
        v-else
        :choices="choices"
        :chosen="[item[column]]"
        :label="words.item[column]"
        @choose="choose"
        @leave="close"
      />
    </div>
  </PopMenu>
</template>

<style scoped>
button:disabled {
  cursor: default;
}
</style>
