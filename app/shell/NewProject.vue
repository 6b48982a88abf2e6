<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { v7 } from 'uuid'
import { navigateTo } from 'nuxt/app'
import { memberId } from '#core/access/access'
import { compareText } from '#core/base/collation'
import { rankAfter } from '#core/base/ranks'
import { likeAnother } from '#core/projects/like-another'
import { patternNames, patterns, type Pattern, type PatternName } from '#core/projects/patterns'
import { projectOfPattern } from '#core/projects/starter-pattern'
import { paletteColours, type Item, type Member, type ProjectId } from '#core/model/records'
import { VAutocomplete } from 'vuetify/components/VAutocomplete'
import { VCheckbox } from 'vuetify/components/VCheckbox'
import { VSelect } from 'vuetify/components/VSelect'
import PopDialog from '../parts/PopDialog.vue'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { projectWords } from './project-words'
import { useExamples } from './use-examples'
import ProjectNames, { type Names } from './ProjectNames.vue'

const isOpen = defineModel<boolean>({ required: true })
const changes = useChanges()
const directory = useDirectory()
const { itemsOf, begin, withInside } = useExamples()

const begins = ref<string>(patternNames[0])
const pattern = computed(() => patterns[begins.value as PatternName] as Pattern | undefined)
/** What it can begin with: a pattern, or what another project is set up with. */
const beginnings = computed(() => [
  ...patternNames.map((one) => ({ value: one as string, title: patterns[one].title })),
  ...directory.patterns.map(({ id, name }) => ({ value: id as string, title: name })),
  ...directory.projects.map(({ id, name }) => ({ value: id as string, title: projectWords.like(name) })),
])
/** Who could take part: owners and leads see every project as it is. */
const people = computed(() =>
  [...directory.reader.all('person')]
    .filter(({ active, role }) => active && role !== 'owner' && role !== 'lead')
    .sort((a, b) => compareText(a.name, b.name)),
)
const taking = ref<string[]>([])
const mayAdd = computed(() => directory.may('manage people') && people.value.length > 0)
function membersOf(project: ProjectId): Member[] {
  return people.value
    .filter(({ id }) => taking.value.includes(id))
    .map(({ id: person, role }) => ({
      id: memberId(project, person),
      project,
      person,
      role: role === 'reader' ? 'reader' : 'contributor',
    }))
}
const like = computed(() => directory.reader.maybe('project', begins.value))
const about = computed(() => pattern.value?.about ?? (like.value?.pattern ? projectWords.aboutKept : projectWords.aboutLike)) // prettier-ignore
/** What a kept pattern brings along. */
const examples = shallowRef<readonly Item[]>([])
const isBringing = ref(true)
watch(like, async (now) => {
  const all = now?.pattern ? await itemsOf(now) : []
  examples.value = withInside(all, new Set(all.map(({ id }) => id)))
})

async function start(names: Names): Promise<void> {
  const maker = directory.me?.id
  if (!maker) return
  const rank = rankAfter(directory.projects)
  const colour = paletteColours[(directory.projects.length + 1) % paletteColours.length] ?? 'leaf'
  const made = { ...names, colour, rank, maker }
  const alike = like.value && likeAnother(directory.reader, like.value, made, v7)
  const body = alike?.body ?? projectOfPattern(pattern.value ?? patterns.usual, made, v7)
  const members = membersOf(body.project.id)
  const isBegun =
    alike && like.value
      ? await begin(alike, like.value, isBringing.value ? examples.value : [], { members })
      : await changes.send({ type: 'projects.create', ...body, members })
  if (!isBegun) return
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
      @take="start"
      @leave="isOpen = false"
      ><VSelect
        v-model="begins"
        :items="beginnings"
        :label="projectWords.begins"
        :hint="about"
        persistent-hint /><VCheckbox
        v-if="examples.length"
        v-model="isBringing"
        :label="projectWords.withExamples(examples.length)" /><VAutocomplete
        v-if="mayAdd"
        v-model="taking"
        :items="people.map(({ id, name }) => ({ value: id, title: name }))"
        :label="projectWords.taking"
        multiple
        chips
        closable-chips
        auto-select-first
    /></ProjectNames>
  </PopDialog>
</template>
