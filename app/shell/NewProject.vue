<script setup lang="ts">
import { computed, ref } from 'vue'
import { v7 } from 'uuid'
import { navigateTo } from 'nuxt/app'
import { rankAfter } from '#core/base/ranks'
import { likeAnother } from '#core/projects/like-another'
import { starterPattern } from '#core/projects/starter-pattern'
import { paletteColours } from '#core/model/records'
import { VSelect } from 'vuetify/components/VSelect'
import PopDialog from '../parts/PopDialog.vue'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { projectWords } from './project-words'
import ProjectNames, { type Names } from './ProjectNames.vue'

const isOpen = defineModel<boolean>({ required: true })
const changes = useChanges()
const directory = useDirectory()

const usual = ''
const begins = ref<string>(usual)
/** What it can begin with: the usual, or what another project is set up with. */
const beginnings = computed(() => [
  { value: usual, title: projectWords.usual },
  ...directory.projects.map(({ id, name }) => ({ value: id as string, title: projectWords.like(name) })),
])
const about = computed(() => (begins.value === usual ? projectWords.about : projectWords.aboutLike))

async function start(names: Names): Promise<void> {
  const maker = directory.me?.id
  if (!maker) return
  const rank = rankAfter(directory.projects)
  const colour = paletteColours[(directory.projects.length + 1) % paletteColours.length] ?? 'leaf'
  const made = { ...names, colour, rank, maker }
  const like = directory.reader.maybe('project', begins.value)
  const body = like ? likeAnother(directory.reader, like, made, v7) : starterPattern(made, v7)
  if (!(await changes.send({ type: 'projects.create', ...body }))) return
  isOpen.value = false
  const first = body.views.find((view) => view.definition.layout === 'table') ?? body.views[0]
  if (first) await navigateTo(`/app/${body.project.prefix}/${first.id}`)
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="projectWords.title">
    <ProjectNames
      :title="projectWords.title"
      :names="{ name: '', prefix: '' }"
      :go="projectWords.start"
      :about="about"
      @take="start"
      @leave="isOpen = false"
      ><VSelect v-if="directory.projects.length" v-model="begins" :items="beginnings" :label="projectWords.begins"
    /></ProjectNames>
  </PopDialog>
</template>
