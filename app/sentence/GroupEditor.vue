<script setup lang="ts">
import type { FactRef, GroupKey, ProjectId, Total } from '#core/model/records'
import { maybeFact } from '#core/facts/registry'
import { grains } from '#core/model/names'
import { kindsOfFacts } from '#core/fields/kinds'
import { totalWords } from '#core/language/phrases'
import { useDirectory } from '../data/directory'
import { phraseWords } from './phrase-words'
import { nextGroup } from './beginnings'
import FactSelect from './FactSelect.vue'
import KeyList from './KeyList.vue'
import { VCheckbox } from 'vuetify/components/VCheckbox'
import SelectOne from '../parts/SelectOne.vue'
import { useWording } from '../data/wording'

/** Grouped by what, up to three levels: dates by their periods, groups in their own order or by a total. */
const props = defineProps<{ project: ProjectId; group: readonly GroupKey[]; totals: readonly Total[] }>()
const emit = defineEmits<{ change: [group: GroupKey[]] }>()
const directory = useDirectory()
const wording = useWording(() => props.project)
const isDated = (by: FactRef) => {
  const fact = maybeFact(directory.reader, props.project, by)
  return !!fact && kindsOfFacts[fact.kind].isDated
}
const orders = () => [{ name: 'count' } as Total, ...props.totals.filter((one) => one.name !== 'count' || one.of)]
const orderOf = (key: GroupKey) => (key.byTotal ? JSON.stringify(key.byTotal) : '') + (key.down ? ' down' : '')
function orderIn(chosen: string): Partial<GroupKey> {
  const down = chosen.endsWith(' down') || undefined
  const total = chosen.replace(/ down$/, '')
  return { down, byTotal: total ? (JSON.parse(total) as Total) : undefined }
}
const by = (total: Total) => (wording.value ? totalWords(total, wording.value) : '')
const grainChoices = grains.map((grain) => ({ value: grain, title: phraseWords.grains[grain] }))
const orderChoices = () => [
  { value: '', title: phraseWords.ownOrder },
  { value: ' down', title: phraseWords.ownOrderBack },
  ...orders().flatMap((total) => [
    { value: JSON.stringify(total), title: phraseWords.leastFirst(by(total)) },
    { value: `${JSON.stringify(total)} down`, title: phraseWords.mostFirst(by(total)) },
  ]),
]
</script>

<template>
  <KeyList
    :keys="group"
    :most="3"
    :add-label="group.length ? phraseWords.thenBy : phraseWords.groupBy"
    :next="() => nextGroup(group)"
    @change="emit('change', $event)"
  >
    <template #default="{ one, set }">
      <FactSelect
        :project="project"
        :by="one.by"
        :label="phraseWords.groupBy"
        @change="set({ by: $event, grain: undefined })"
      />
      <SelectOne
        v-if="isDated(one.by)"
        :label="phraseWords.grain"
        :choices="grainChoices"
        :chosen="one.grain ?? 'day'"
        @choose="set({ grain: $event })"
      />
      <SelectOne
        :label="phraseWords.groupOrder"
        :choices="orderChoices()"
        :chosen="orderOf(one)"
        @choose="set(orderIn($event))"
      />
      <VCheckbox
        :label="phraseWords.withEmpty"
        :model-value="!!one.withEmpty"
        @update:model-value="set({ withEmpty: $event || undefined })"
      />
      <VCheckbox
        :label="phraseWords.hideNone"
        :model-value="!!one.hideNone"
        @update:model-value="set({ hideNone: $event || undefined })"
      />
    </template>
  </KeyList>
</template>
