<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Project } from '#core/model/records'
import TypedNumber from '../parts/TypedNumber.vue'
import { useAsk } from '../data/use-ask'
import { useChanges } from '../data/changes'
import { projectWords } from './project-words'

/** Deletes a project for good, once the number of items that it holds has been typed. */
const project = defineModel<Project | undefined>({ required: true })
const changes = useChanges()
const ask = useAsk()
const isOpen = computed({ get: () => !!project.value, set: (isOpen) => isOpen || (project.value = undefined) })
const held = ref<number>()
watch(project, async (now) => {
  held.value = undefined
  if (now) held.value = await ask('itemsInAll', { project: now.id })
})
async function go(items: number): Promise<void> {
  const { value } = project
  if (!value) return
  project.value = undefined
  await changes.sendAside({ type: 'projects.delete', project: value.id, items })
}
</script>

<template>
  <TypedNumber
    v-model="isOpen"
    :title="projectWords.deleteTitle(project?.name ?? '')"
    :about="held === undefined ? projectWords.counting : projectWords.deleteAbout(held)"
    :warning="projectWords.forGood"
    :label="projectWords.typeNumber"
    :go="projectWords.deleteIt"
    :held="held"
    @go="go"
  />
</template>
