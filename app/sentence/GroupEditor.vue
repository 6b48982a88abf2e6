<script setup lang="ts">
import type { FactRef, GroupKey, ProjectId, Total } from '#core/model/records'
import { maybeFact } from '#core/facts/registry'
import { grains } from '#core/model/names'
import { kindsOfFacts } from '#core/fields/kinds'
import { totalWords } from '#core/language/phrases'
import { useDirectory } from '../data/directory'
import { words } from '../words'
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
const grainChoices = grains.map((grain) => ({ value: grain, title: words.phrase.grains[grain] }))
const orderChoices = () => [
  { value: '', title: words.phrase.ownOrder },
  { value: ' down', title: words.phrase.ownOrderBack },
  ...orders().flatMap((total) => [
    { value: JSON.stringify(total), title: words.phrase.leastFirst(by(total)) },
    { value: `${JSON.stringify(total)} down`, title: words.phrase.mostFirst(by(total)) },
  ]),
]
</script>

<template>
  <KeyList
    :keys="group"
    :most="3"
    :add-label="group.length ? words.phrase.thenBy : words.phrase.groupBy"
    :next="() => nextGroup(group)"
    @change="emit('change', $event)"
  >
    <template #default="{ one, set }">
      <FactSelect
        :project="project"
        :by="one.by"
        :label="words.phrase.groupBy"
        @change="set({ by: $event, grain: undefined })"
      />
      <SelectOne
        v-if="isDated(one.by)"
        :label="words.phrase.grain"
        :choices="grainChoices"
        :chosen="one.grain ?? 'day'"
        @choose="set({ grain: $event })"
      />
      <SelectOne
        :label="words.phrase.groupOrder"
        :choices="orderChoices()"
        :chosen="orderOf(one)"
        @choose="set(orderIn($event))"
      />
      <VCheckbox
        :label="words.phrase.withEmpty"
        :model-value="!!one.withEmpty"
        @update:model-value="set({ withEmpty: $event || undefined })"
      />
      <VCheckbox
        :label="words.phrase.hideNone"
        :model-value="!!one.hideNone"
        @update:model-value="set({ hideNone: $event || undefined })"
      />
    </template>
  </KeyList>
</template>
