<script setup lang="ts">
import { computed, ref } from 'vue'
import { maybeStep } from '#core/model/reader'
import type { Item, KindId, StatusId } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { itemWords } from '../item/words'
import { headOf } from './called'
import ChoiceList from './ChoiceList.vue'
import { kindChoices, statusesFor } from './choices'
import { becomeKind, setValue } from './edits'
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
const kindName = computed(() => directory.reader.maybe('kind', becomes.value ?? '')?.name ?? '')
/** The kind that it becomes, where that goes through no status such as its own: which one is asked then. */
const becomes = ref<KindId>()
const isStatus = computed(() => props.column === 'status' || !!becomes.value)
const choices = computed(() =>
  isStatus.value
    ? statusesFor(directory, becomes.value ? { ...props.item, kind: becomes.value } : props.item)
    : kindChoices(directory, props.item.project),
)
function choose(id: string | null): void {
  const { item, column } = props
  const kind = column === 'kind' && !becomes.value ? directory.reader.maybe('kind', id ?? '') : undefined
  if (kind && !maybeStep(directory.reader, kind.workflow, item.status)) return void (becomes.value = kind.id)
  emit('leave')
  if (becomes.value) void becomeKind(changes, item, becomes.value, id as StatusId)
  else if (id !== item[column]) void setValue(changes, item, column, item[column], id)
}
</script>

<template>
  <PopMenu :at="at" @close="emit('leave')">
    <p v-if="becomes" class="asks soft">{{ itemWords.whichStatus(kindName) }}</p>
    <ParentPicker v-if="column === 'parent'" :item="item" @choose="choose" @leave="emit('leave')" />
    <ChoiceList
      v-else
      :key="becomes"
      :choices="choices"
      :chosen="becomes ? [] : [item[column]]"
      :label="isStatus ? headOf(directory, item.project, 'status') : itemWords.kind"
      :typed="typed"
      @choose="choose"
      @leave="emit('leave')"
    />
    <SetUpLink v-if="column === 'status'" :project="item.project" part="statuses" :at="item.status" />
  </PopMenu>
</template>

<style scoped>
.asks {
  margin: 0;
  padding: 8px 12px 0;
  max-width: 260px;
}
</style>
