<script setup lang="ts">
import { computed } from 'vue'
import type { Condition, FactTest, ProjectId, ViewDefinition } from '#core/model/records'
import { factsOf, maybeFact } from '#core/views/facts'
import { withPhrases, type Phrase } from '#core/views/parse'
import type { PhraseName } from '#core/views/sentence'
import { useDirectory } from '../../stores/directory'
import { words } from '../../words'
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
  if (id === 'group' || id === 'totals') return emit('change', props.definition, id)
  const statuses = directory.statuses(props.project).map((one) => one.id)
  if (id === 'was') return add({ about: 'was', daysAgo: 5, statuses })
  const isOpen: Condition = { about: 'fact', fact: 'phase', test: { is: 'anyOf', values: ['waiting', 'active'] } }
  const kin = words.phrase.kinships.find(([one]) => id === `kin ${one}`)?.[0]
  if (kin) return add({ about: kin, that: isOpen })
  add({ about: 'fact', fact: id, test: firstTest(id) })
}
/** The statuses of what is not done. */
const open = (): string[] =>
  directory
    .statuses(props.project)
    .filter((one) => one.phase === 'waiting' || one.phase === 'active')
    .map((one) => one.id)
function firstTest(by: string): FactTest {
  if (by === 'phase') return { is: 'anyOf', values: ['waiting', 'active'] }
  if (by === 'late') return { is: 'filled' }
  switch (maybeFact(directory.reader, props.project, by)?.kind) {
    case 'text':
      return { is: 'has', words: ' ' }
    case 'number':
      return { is: 'between', from: null, to: null }
    case 'day':
    case 'instant':
      return { is: 'days', from: null, to: null }
    case 'flag':
      return { is: 'filled' }
    default:
      if (by === 'people' || by === 'turn') return { is: 'anyOf', values: ['me'] }
      return by === 'status' ? { is: 'anyOf', values: open() } : { is: 'filled' } // prettier-ignore
  }
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
