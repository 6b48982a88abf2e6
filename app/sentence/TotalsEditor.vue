<script setup lang="ts">
import { factKey, factsOf, maybeFact } from '#core/facts/registry'
import { totalNames } from '#core/model/names'
import type { FactRef, ProjectId, Total, TotalName } from '#core/model/records'
import type { Fact } from '#core/facts/contract'
import { kindsOfFacts } from '#core/fields/kinds'
import { useDirectory } from '../data/directory'
import { phraseWords } from './phrase-words'
import { nextTotal } from './beginnings'
import FactSelect from './FactSelect.vue'
import KeyList from './KeyList.vue'
import SelectOne from '../parts/SelectOne.vue'

/** What each group and the whole view adds up to. */
const props = defineProps<{ project: ProjectId; totals: readonly Total[] }>()
const emit = defineEmits<{ change: [totals: Total[]] }>()
const directory = useDirectory()
/** The facts that can be totalled so. */
function within(name: TotalName): Fact[] {
  const project = directory.reader.maybe('project', props.project)
  const facts = project ? factsOf(directory.reader, project) : []
  return facts.filter((one) => kindsOfFacts[one.kind].totals.includes(name))
}
/** The least of days is the earliest. */
function label(name: TotalName, of: FactRef | undefined): string {
  const fact = of === undefined ? undefined : maybeFact(directory.reader, props.project, of)
  const isDated = fact && kindsOfFacts[fact.kind].isDated
  return isDated && (name === 'least' || name === 'most') ? phraseWords.ends[name] : phraseWords.totalNames[name]
}
function renamed({ of }: Total, name: TotalName): Total {
  if (name === 'count') return { name, of: undefined }
  const facts = within(name)
  const held = of && facts.find((one) => one.key === factKey(of))
  return { name, of: (held ?? facts[0])?.ref }
}
</script>

<template>
  <KeyList
    :keys="totals"
    :most="20"
    :add-label="phraseWords.addTotal"
    :next="() => nextTotal(directory, project)"
    @change="emit('change', $event)"
  >
    <template #default="{ one, set }">
      <SelectOne
        :label="phraseWords.total"
        :choices="totalNames.map((name) => ({ value: name, title: label(name, one.of) }))"
        :chosen="one.name"
        @choose="set(renamed(one, $event))"
      />
      <FactSelect
        v-if="one.of !== undefined"
        :project="project"
        :by="one.of"
        :label="phraseWords.totalOf"
        :within="within(one.name).map((fact) => fact.key)"
        @change="set({ of: $event })"
      />
    </template>
  </KeyList>
</template>
