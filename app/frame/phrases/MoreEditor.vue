<script setup lang="ts">
import { computed } from 'vue'
import type { Condition, ProjectId, ViewDefinition } from '#core/model/records'
import { factsOf } from '#core/views/facts'
import { withPhrases, type Phrase } from '#core/views/parse'
import type { PhraseName } from '#core/views/sentence'
import { useDirectory } from '../../stores/directory'
import { words } from '../../words'
import { firstTest, nextGroup, nextTotal } from './beginnings'
import TypedPhrases, { type Suggestion } from './TypedPhrases.vue'

/** *and …*: more phrases, typed in plain words or chosen by what they are about. */
const props = defineProps<{ project: ProjectId; definition: ViewDefinition }>()
const emit = defineEmits<{ change: [definition: ViewDefinition, phrase?: PhraseName]; leave: [] }>()
const directory = useDirectory()

/** Asked most: whose turn it is, whom it concerns, where it stands; then the project's own fields, then the rest. */
const first = ['status', 'phase', 'people', 'turn', 'late']
const suggestions = computed((): Suggestion[] => {
  const project = directory.reader.maybe('project', props.project)
  const facts = project ? factsOf(directory.reader, project).filter((one) => one.by !== 'rank') : []
  const [asked, others] = [
    facts.filter((one) => first.includes(one.by)),
    facts.filter((one) => !first.includes(one.by)),
  ]
  const isTable = props.definition.layout === 'table'
  return [
    ...asked.sort((a, b) => first.indexOf(a.by) - first.indexOf(b.by)).map((one) => ({ id: one.by, label: words.phrase.where(one.name) })),
    ...others.map((one) => ({ id: one.by, label: words.phrase.where(one.name) })),
    ...words.phrase.kinships.map(([kin, label]) => ({ id: `kin ${kin}`, label: words.phrase.whereKin(label) })),
    { id: 'was', label: words.phrase.whereWas },
    ...(isTable ? [{ id: 'group', label: words.phrase.groupBy }, { id: 'totals', label: words.phrase.addTotals }] : []),
  ] // prettier-ignore
})

/** The next phrase's editor opens where it comes to stand. */
function add(condition: Condition): void {
  const where = [...props.definition.where, condition]
  emit('change', { ...props.definition, where }, `where:${where.length - 1}`)
}
function begin(id: string): void {
  const { group, totals } = props.definition
  if (id === 'group')
    return emit('change', { ...props.definition, group: group.length ? group : [nextGroup(group)] }, id)
  if (id === 'totals') return emit('change', { ...props.definition, totals: totals.length ? totals : [nextTotal(directory, props.project)] }, id) // prettier-ignore
  const statuses = directory.statuses(props.project).map((one) => one.id)
  if (id === 'was') return add({ about: 'was', daysAgo: 5, statuses })
  const isOpen: Condition = { about: 'fact', fact: 'phase', test: { is: 'anyOf', values: ['waiting', 'active'] } }
  const kin = words.phrase.kinships.find(([one]) => id === `kin ${one}`)?.[0]
  if (kin) return add({ about: kin, that: isOpen })
  add({ about: 'fact', fact: id, test: firstTest(directory, props.project, id) })
}
const say = (phrases: readonly Phrase[]) => emit('change', withPhrases(props.definition, phrases))
</script>

<template>
  <div class="more">
    <TypedPhrases
      :project="project"
      :where="definition.where"
      :label="words.phrase.more"
      :suggestions="suggestions"
      autofocus
      @phrases="say"
      @suggest="begin"
      @leave="emit('leave')"
    />
  </div>
</template>

<style scoped>
.more {
  padding: 8px;
  width: min(340px, 88vw);
}
</style>
