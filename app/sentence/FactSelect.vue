<script setup lang="ts">
import { computed } from 'vue'
import { factKey, factsOf } from '#core/facts/registry'
import type { FactRef, ProjectId } from '#core/model/records'
import { useDirectory } from '../data/directory'
import SelectOne from '../parts/SelectOne.vue'
import { phraseWords } from './phrase-words'

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
  const usual = all.filter((fact) => !fact.automatic?.isForSortingOnly && (props.within?.includes(fact.key) ?? true))
  return props.forSorting ? [...all.filter((fact) => fact.automatic?.isForSortingOnly), ...usual] : usual
})
const choices = computed(() =>
  facts.value.map((fact) => ({
    value: fact.key,
    title: fact.key === 'rank' ? phraseWords.teamsOrder : fact.key === 'place' ? phraseWords.inOutline : fact.name,
  })),
)
function choose(key: string): void {
  const chosen = facts.value.find((fact) => fact.key === key)
  if (chosen) emit('change', chosen.ref)
}
</script>

<template>
  <SelectOne :label="label" :choices="choices" :chosen="factKey(by)" @choose="choose" />
</template>
