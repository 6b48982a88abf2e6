<script setup lang="ts">
import { computed } from 'vue'
import { layouts } from '#core/layouts/registry'
import type { Condition, FieldId, View, ViewDefinition } from '#core/model/records'
import type { PhraseName } from '#core/language/sentence'
import ChoiceList, { type Choice } from '../parts/ChoiceList.vue'
import { useDirectory } from '../data/directory'
import { toggled } from '../parts/toggled'
import { words } from '../words'
import ConditionEditor from './ConditionEditor.vue'
import GroupEditor from './GroupEditor.vue'
import MoreEditor from './MoreEditor.vue'
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

const fieldChoices = computed((): Choice[] =>
  directory.fields(props.view.project).map((field) => ({ id: field.id, label: field.name })),
)
/** The layouts that the project has what they need for, each with the view in it. */
const layoutChoices = computed(() => {
  const project = directory.reader.maybe('project', props.view.project)
  return Object.values(layouts).flatMap(({ name, words: label, begin }) => {
    const begun = project && begin(directory.reader, project, props.definition)
    return begun ? [{ name, label, definition: name === props.definition.layout ? props.definition : begun }] : []
  })
})
</script>

<template>
  <div class="editor" @keydown.esc.stop="emit('leave')">
    <div v-if="phrase === 'layout'" class="list" role="menu">
      <button
        v-for="one in layoutChoices"
        :key="one.name"
        type="button"
        role="menuitemradio"
        :aria-checked="definition.layout === one.name"
        @click="emit('change', one.definition)"
      >
        {{ words.phrase.asLayout(one.label) }}
      </button>
    </div>
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
    <ChoiceList
      v-else-if="phrase === 'show'"
      :choices="fieldChoices"
      :chosen="definition.show"
      :label="words.phrase.show"
      several
      @choose="try_({ show: toggled(definition.show, $event as FieldId) })"
      @leave="emit('leave')"
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
      <button type="button" class="right" @click="takeOut">{{ words.phrase.takeOut }}</button>
    </ConditionEditor>
  </div>
</template>

<style scoped>
.editor {
  min-width: 264px;
  max-width: min(400px, 92vw);
}
.editor :deep(button) {
  min-height: 24px;
  min-width: 24px;
}
.list {
  display: grid;
  padding: 6px;
}
.list button {
  padding: 6px 10px;
  border-radius: 3px;
}
.list button:hover,
.list button:focus-visible {
  background: var(--leaf-tint);
}
.list [aria-checked='true'] {
  font-weight: 600;
}
.editor :deep(select),
.editor :deep(input:is([type='number'], [type='date'], [type='text'])) {
  font: inherit;
  font-size: 13px;
  color: var(--ink);
  background: var(--raised);
  border: 1px solid var(--edge);
  border-radius: 3px;
  padding: 3px 6px;
  min-height: 28px;
  max-width: 100%;
}
.editor :deep(:is(select, input:not([role='combobox'])):focus-visible) {
  outline: 2px solid var(--leaf);
  outline-offset: 1px;
}
.editor :deep(.check) {
  display: inline-flex;
  gap: 5px;
  align-items: center;
  font-size: 12.5px;
  color: var(--soft);
}
.editor :deep(.check input) {
  accent-color: var(--leaf);
}
</style>
