<script setup lang="ts">
import { computed } from 'vue'
import { factKey, factsOf } from '#core/facts/registry'
import type { FactRef, ProjectId } from '#core/model/records'
import { useDirectory } from '../data/directory'
import { words } from '../words'

/** One of a project's facts. */
const props = defineProps<{
  project: ProjectId
  by: FactRef
  label: string
  /** The team's order can be chosen, too. */
  forSorting?: boolean
  /** Names of facts that can be chosen; all where it is not given. */
  within?: readonly string[]
}>()
const emit = defineEmits<{ change: [by: FactRef] }>()
const directory = useDirectory()
const facts = computed(() => {
  const project = directory.reader.maybe('project', props.project)
  const all = project ? factsOf(directory.reader, project) : []
  const usual = all.filter((one) => !one.automatic?.isForSortingOnly && (props.within?.includes(one.key) ?? true))
  return props.forSorting ? [...all.filter((one) => one.automatic?.isForSortingOnly), ...usual] : usual
})
function choose(event: Event): void {
  const chosen = facts.value.find((one) => one.key === (event.target as HTMLSelectElement).value)
  if (chosen) emit('change', chosen.ref)
}
</script>

<template>
  <select :aria-label="label" :value="factKey(by)" @change="choose">
    <option v-for="fact in facts" :key="fact.key" :value="fact.key">
      {{ fact.automatic?.isForSortingOnly ? words.phrase.teamsOrder : fact.name }}
    </option>
  </select>
</template>
