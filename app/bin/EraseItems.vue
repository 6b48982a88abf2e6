<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import type { ItemId, ProjectId } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useAsk } from '../data/use-ask'
import TypedNumber from '../parts/TypedNumber.vue'
import { binWords } from './words'

/** Deletes items that are in the bin for good, with what went there with them, once their number has been typed. */
const asked = defineModel<{ readonly items?: readonly ItemId[] } | undefined>({ required: true })
const props = defineProps<{ project: ProjectId }>()
const emit = defineEmits<{ done: [] }>()
const changes = useChanges()
const ask = useAsk()
const isOpen = computed({ get: () => !!asked.value, set: (isOpen) => isOpen || (asked.value = undefined) })
const going = shallowRef<readonly ItemId[]>()
watch(
  asked,
  async (now) => {
    going.value = undefined
    if (now) going.value = await ask('binned', { project: props.project, ...now })
  },
  { immediate: true },
)
async function go(number: number): Promise<void> {
  const items = [...(going.value ?? [])]
  asked.value = undefined
  if (await changes.sendAside({ type: 'items.delete', items, number })) emit('done')
}
</script>

<template>
  <TypedNumber
    v-model="isOpen"
    :title="going ? binWords.titleOf(going.length) : binWords.counting"
    :about="binWords.aboutOf"
    :warning="binWords.forGood"
    :label="binWords.typeNumber"
    :go="binWords.deleteIt"
    :held="going?.length"
    @go="go"
  />
</template>
