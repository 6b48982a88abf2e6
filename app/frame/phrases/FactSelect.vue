<script setup lang="ts">
import { computed } from 'vue'
import type { ProjectId } from '#core/model/records'
import { factsOf } from '#core/views/facts'
import { useDirectory } from '../../stores/directory'
import { words } from '../../words'

/** One of a project's facts. */
const props = defineProps<{
  project: ProjectId
  by: string
  label: string
  withRank?: boolean
  within?: readonly string[]
}>()
const emit = defineEmits<{ change: [by: string] }>()
const directory = useDirectory()
const facts = computed(() => {
  const project = directory.reader.maybe('project', props.project)
  const all = project ? factsOf(directory.reader, project).filter((one) => one.by !== 'rank') : []
  return props.within ? all.filter((one) => props.within?.includes(one.by)) : all
})
</script>

<template>
  <select :aria-label="label" :value="by" @change="emit('change', ($event.target as HTMLSelectElement).value)">
    <option v-if="withRank" value="rank">{{ words.phrase.teamsOrder }}</option>
    <option v-for="fact in facts" :key="fact.by" :value="fact.by">{{ fact.name }}</option>
  </select>
</template>
