<script setup lang="ts">
import { computed } from 'vue'
import { saidLayouts } from '#core/layouts/said'
import { factsOf, firstTest } from '#core/facts/registry'
import { withPhrases, type Phrase } from '#core/language/grammar'
import type { PhraseName } from '#core/language/sentence'
import type { Condition, ProjectId, ViewDefinition } from '#core/model/records'
import { useDirectory } from '../data/directory'
import { useWording } from '../data/wording'
import { phraseWords } from './phrase-words'
import { sentenceWords } from './words'
import { nextGroup, nextTotal } from './beginnings'
import TypedPhrases, { type Suggestion } from './TypedPhrases.vue'

/** *and …*: more phrases, typed in plain words or chosen by what they are about. */
const props = defineProps<{ project: ProjectId; definition: ViewDefinition }>()
const emit = defineEmits<{ change: [definition: ViewDefinition, phrase?: PhraseName]; leave: [] }>()
const directory = useDirectory()
const wording = useWording(() => props.project)

/** Asked most: whose turn it is, whom it concerns, where it is; then the project's own fields, then the rest. */
const facts = computed(() => {
  const project = directory.reader.maybe('project', props.project)
  const all = project ? factsOf(directory.reader, project).filter((one) => !one.automatic?.isForSortingOnly) : []
  return [...all.filter((one) => one.automatic?.isAskedOften), ...all.filter((one) => !one.automatic?.isAskedOften)]
})
const others = {
  group: { label: phraseWords.groupBy, begin: (now: ViewDefinition) => ({ ...now, group: now.group.length ? now.group : [nextGroup(now.group)] }) },
  totals: { label: phraseWords.addTotals, begin: (now: ViewDefinition) => ({ ...now, totals: now.totals.length ? now.totals : [nextTotal(directory, props.project)] }) },
} // prettier-ignore
const suggestions = computed((): Suggestion[] => [
  ...facts.value.map((one) => ({ id: one.key, label: phraseWords.where(one.name) })),
  ...phraseWords.kinships.map(([kin, label]) => ({ id: `kin ${kin}`, label: phraseWords.whereKin(label) })),
  { id: 'was', label: phraseWords.whereWas },
  { id: 'signals', label: phraseWords.addSignals },
  ...saidLayouts[props.definition.layout].phrases.flatMap((phrase) => (phrase in others ? { id: phrase, label: others[phrase as keyof typeof others].label } : [])), // prettier-ignore
])

/** The next phrase's editor opens where it is going to be. */
function add(condition: Condition): void {
  const where = [...props.definition.where, condition]
  emit('change', { ...props.definition, where }, `where:${where.length - 1}`)
}
function begin(id: string): void {
  if (id === 'group' || id === 'totals') return emit('change', others[id].begin(props.definition), id)
  if (id === 'signals') return emit('change', props.definition, 'signals')
  const statuses = directory.statuses(props.project).map((one) => one.id)
  if (id === 'was') return add({ about: 'was', daysAgo: 5, statuses })
  const isOpen: Condition = { about: 'fact', fact: { fact: 'phase' }, test: { is: 'anyOf', values: ['waiting', 'active'] } } // prettier-ignore
  const kin = phraseWords.kinships.find(([one]) => id === `kin ${one}`)?.[0]
  if (kin) return add({ about: kin, that: isOpen })
  const fact = facts.value.find((one) => one.key === id)
  if (fact) add({ about: 'fact', fact: fact.ref, test: firstTest(directory.reader, props.project, fact) })
}
const say = (phrases: readonly Phrase[]) =>
  wording.value && emit('change', withPhrases(props.definition, phrases, wording.value))
</script>

<template>
  <div class="more">
    <TypedPhrases
      :project="project"
      :where="definition.where"
      :label="sentenceWords.more"
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
