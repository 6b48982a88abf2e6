<script setup lang="ts">
import { computed } from 'vue'
import type { Project } from '#core/model/records'
import PopDialog from '../parts/PopDialog.vue'
import { useChanges } from '../data/changes'
import { changeSet } from './project-names'
import { projectWords } from './project-words'
import ProjectNames, { type Names } from './ProjectNames.vue'

/** Gives a project another name, or its keys another prefix. */
const project = defineModel<Project>()
const changes = useChanges()
const isOpen = computed({
  get: () => !!project.value,
  set: (isOpen) => isOpen || (project.value = undefined),
})

async function change(names: Names): Promise<void> {
  const held = project.value
  if (!held) return
  const set = changeSet(held, names)
  // Where it is refused, what was typed stays, and the notice says why.
  if (!set || (await changes.send({ type: 'project.set', target: held.id, set }))) isOpen.value = false
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="projectWords.nameTitle">
    <ProjectNames
      v-if="project"
      :title="projectWords.nameTitle"
      :names="project"
      :go="projectWords.save"
      :about="projectWords.nameAbout"
      @take="change"
      @leave="isOpen = false"
    />
  </PopDialog>
</template>
