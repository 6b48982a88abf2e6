<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VSelect } from 'vuetify/components/VSelect'
import { VList, VListItem } from 'vuetify/components/VList'
import { saidLayouts } from '#core/layouts/said'
import type { Condition, View, ViewDefinition } from '#core/model/records'
import { openWords } from '#core/language/phrases'
import { mostLines, mostOpen } from '#core/model/names'
import type { PhraseName } from '#core/language/sentence'
import { useDirectory } from '../data/directory'
import NewField from '../set-up/NewField.vue'
import { fieldWords } from '../set-up/field-words'
import { phraseWords } from './phrase-words'
import ConditionEditor from './ConditionEditor.vue'
import GroupEditor from './GroupEditor.vue'
import MoreEditor from './MoreEditor.vue'
import ShownFields from './ShownFields.vue'
import SignalsEditor from './SignalsEditor.vue'
import SortEditor from './SortEditor.vue'
import TotalsEditor from './TotalsEditor.vue'

/** The editor of one phrase: every change is tried at once, and the count beside the sentence moves. */
const props = defineProps<{ phrase: PhraseName; view: View; definition: ViewDefinition }>()
const emit = defineEmits<{
  /** Ends this editor, or goes on with that of another phrase. */
  change: [definition: ViewDefinition, phrase?: PhraseName]
  keepOpen: [definition: ViewDefinition]
  leave: []
}>()
const directory = useDirectory()
const at = computed(() => (props.phrase.startsWith('where:') ? Number(props.phrase.slice(6)) : -1))
const condition = computed((): Condition | undefined => props.definition.where[at.value])
const others = computed(() => props.definition.where.filter((_, i) => i !== at.value))
const try_ = (part: Partial<Omit<ViewDefinition, 'layout'>>) =>
  emit('keepOpen', { ...props.definition, ...part } as ViewDefinition)
const withWhere = (next: Condition) =>
  try_({ where: props.definition.where.map((one, i) => (i === at.value ? next : one)) })
const takeOut = () => emit('change', { ...props.definition, where: others.value })

const isAdding = ref(false)
const maySetUp = computed(() => directory.may('set up project', props.view.project))
const rowLines = [1, 2, 3, 4, mostLines].map((n) => ({ value: n as number, title: phraseWords.linesOf(n) }))
/** How far an outline can be opened. */
const levels = [1, 2, 3, 4, 5, mostOpen]
/** What the phrase can say, each with the view that says it, where it is one of a few. */
const oneOf = computed((): { label: string; definition: ViewDefinition }[] | undefined => {
  const { definition, phrase } = props
  const project = directory.reader.maybe('project', props.view.project)
  if (phrase === 'open' && definition.layout === 'outline')
    return levels.map((open) => ({
      label: openWords(open),
      definition: open === definition.open ? definition : { ...definition, open },
    }))
  if (phrase !== 'layout') return undefined
  // Those that the project has what they need for.
  return Object.values(saidLayouts).flatMap(({ name, article, words, begin }) => {
    const begun = project && begin(directory.reader, project, definition)
    const label = phraseWords.asLayout(article, words)
    return begun ? [{ label, definition: name === definition.layout ? definition : begun }] : []
  })
})
</script>

<template>
  <div class="editor" @keydown.esc.stop="emit('leave')">
    <VList v-if="oneOf" role="menu">
      <VListItem
        v-for="one in oneOf"
        :key="one.label"
        role="menuitemradio"
        :aria-checked="one.definition === definition"
        :active="one.definition === definition"
        :title="one.label"
        @click="emit('change', one.definition)"
      />
    </VList>
    <GroupEditor
      v-else-if="phrase === 'group'"
      :project="view.project"
      :group="definition.group"
      :totals="definition.totals"
      @change="try_({ group: $event })"
    />
    <SortEditor
      v-else-if="phrase === 'sort'"
      :project="view.project"
      :sort="definition.sort"
      @change="try_({ sort: $event })"
    />
    <TotalsEditor
      v-else-if="phrase === 'totals'"
      :project="view.project"
      :totals="definition.totals"
      @change="try_({ totals: $event })"
    />
    <ShownFields v-else-if="phrase === 'show'" :view="view" :shown="definition.show" @change="try_({ show: $event })">
      <VSelect
        v-if="definition.layout !== 'board'"
        :model-value="definition.lines ?? 1"
        :items="rowLines"
        :label="phraseWords.rowLines"
        @update:model-value="emit('keepOpen', { ...definition, lines: $event } as ViewDefinition)"
      />
      <VBtn v-if="maySetUp" variant="plain" @click="isAdding = true">{{ fieldWords.addAfter }}</VBtn>
      <NewField
        v-if="isAdding"
        v-model="isAdding"
        :project="view.project"
        @added="try_({ show: [...definition.show, $event] })"
      />
    </ShownFields>
    <SignalsEditor
      v-else-if="phrase === 'signals'"
      :project="view.project"
      :definition="definition"
      @change="emit('keepOpen', $event)"
    />
    <MoreEditor
      v-else-if="phrase === 'more'"
      :project="view.project"
      :definition="definition"
      @change="(next, then) => emit('change', next, then)"
      @leave="emit('leave')"
    />
    <ConditionEditor
      v-else-if="condition"
      :project="view.project"
      :condition="condition"
      :others="others"
      @change="withWhere"
      @leave="emit('leave')"
    >
      <VBtn variant="plain" class="right" @click="takeOut">{{ phraseWords.takeOut }}</VBtn>
    </ConditionEditor>
  </div>
</template>

<style scoped>
.editor {
  min-width: 264px;
  max-width: min(400px, 92vw);
}
</style>
