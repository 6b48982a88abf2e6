<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { v7 } from 'uuid'
import { VBtn } from 'vuetify/components/VBtn'
import { VAutocomplete } from 'vuetify/components/VAutocomplete'
import { rankAfter } from '#core/base/ranks'
import { mostExamples } from '#core/projects/examples'
import { likeAnother } from '#core/projects/like-another'
import { itemKey } from '#core/model/reader'
import type { Item, Project } from '#core/model/records'
import { navigateTo } from 'nuxt/app'
import PopDialog from '../parts/PopDialog.vue'
import { useDirectory } from '../data/directory'
import ProjectNames, { type Names } from './ProjectNames.vue'
import { projectWords } from './project-words'
import { useExamples } from './use-examples'

/** Keeps a project as a pattern: its set-up as it is now, and the items that are chosen. */
const project = defineModel<Project>()
const directory = useDirectory()
const { itemsOf, begin, withInside } = useExamples()
const isOpen = computed({
  get: () => !!project.value,
  set: (isOpen) => isOpen || (project.value = undefined),
})
const items = shallowRef<readonly Item[]>([])
const chosen = ref<readonly string[]>([])
watch(project, async (now) => {
  chosen.value = []
  items.value = now ? (await itemsOf(now)).filter(({ archived }) => !archived) : []
})
const brought = computed(() => withInside(items.value, new Set(chosen.value)))
const tops = computed(() => items.value.filter(({ parent }) => !parent).map(({ id }) => id as string))
const isAll = computed(() => tops.value.every((id) => chosen.value.includes(id)))
const choices = computed(() =>
  items.value.map((item) => ({ value: item.id as string, title: `${itemKey(directory.reader, item)} ${item.title}` })),
)
/** The project’s own with a letter more, or a number. */
const prefix = computed(() => {
  const taken = new Set([...directory.reader.all('project')].flatMap((one) => [one.prefix, ...one.oldPrefixes]))
  const own = project.value?.prefix.slice(0, 6) ?? ''
  return [`${own}P`, ...Array.from({ length: 98 }, (_, i) => `${own}${i + 2}`)].find((one) => !taken.has(one)) ?? ''
})
async function keep(names: Names): Promise<void> {
  const [from, maker] = [project.value, directory.me?.id]
  if (!from || !maker || brought.value.length > mostExamples) return
  const rank = rankAfter(directory.patterns)
  const { body, map } = likeAnother(directory.reader, from, { ...names, colour: from.colour, rank, maker }, v7)
  const alike = { body: { ...body, project: { ...body.project, pattern: true } }, map }
  if (!(await begin(alike, from, brought.value))) return
  isOpen.value = false
  const [first] = body.views
  if (first) await navigateTo(`/app/${body.project.prefix}/${first.id}`)
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="projectWords.keepTitle(project?.name ?? '')">
    <ProjectNames
      v-if="project"
      :title="projectWords.keepTitle(project.name)"
      :names="{ name: projectWords.keptName(project.name), prefix }"
      :go="projectWords.keep"
      :about="projectWords.keepAbout"
      @take="keep"
      @leave="isOpen = false"
    >
      <fieldset v-if="items.length">
        <legend>{{ projectWords.examples }}</legend>
        <p class="soft">{{ projectWords.examplesHint }}</p>
        <p v-if="brought.length > mostExamples" class="rust" role="alert">{{ projectWords.tooMany(mostExamples) }}</p>
        <VAutocomplete
          v-if="!isAll"
          v-model="chosen"
          :items="choices"
          :label="projectWords.addExample"
          multiple
          chips
          closable-chips
          auto-select-first
        />
        <VBtn
          v-if="items.length <= mostExamples"
          variant="plain"
          :aria-pressed="isAll"
          @click="chosen = isAll ? [] : tops"
          >{{ projectWords.everything(items.length) }}</VBtn
        >
      </fieldset>
    </ProjectNames>
  </PopDialog>
</template>

<style scoped>
fieldset {
  border: 1px solid var(--rule);
  border-radius: var(--round);
  padding: 8px 12px;
  min-width: 0;
}
</style>
