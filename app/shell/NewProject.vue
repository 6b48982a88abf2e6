<script setup lang="ts">
import { v7 } from 'uuid'
import { navigateTo } from 'nuxt/app'
import { rankAfter } from '#core/base/ranks'
import { starterPattern } from '#core/projects/starter-pattern'
import { paletteColours } from '#core/model/records'
import PopDialog from '../parts/PopDialog.vue'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { projectWords } from './project-words'
import ProjectNames, { type Names } from './ProjectNames.vue'

const isOpen = defineModel<boolean>({ required: true })
const changes = useChanges()
const directory = useDirectory()

async function start(names: Names): Promise<void> {
  const maker = directory.me?.id
  if (!maker) return
  const rank = rankAfter(directory.projects)
  const colour = paletteColours[(directory.projects.length + 1) % paletteColours.length] ?? 'leaf'
  const body = starterPattern({ ...names, colour, rank, maker }, v7)
  if (!(await changes.send({ type: 'projects.create', ...body }))) return
  isOpen.value = false
  const first = body.views[1]
  if (first) await navigateTo(`/app/${body.project.prefix}/${first.id}`)
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="projectWords.title">
    <ProjectNames
      :title="projectWords.title"
      :names="{ name: '', prefix: '' }"
      :go="projectWords.start"
      :about="projectWords.about"
      @take="start"
      @leave="isOpen = false"
    />
  </PopDialog>
</template>
