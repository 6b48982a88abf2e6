<script setup lang="ts">
import type { FactRef, Grain, GroupKey, ProjectId, Total } from '#core/model/records'
import { maybeFact } from '#core/facts/registry'
import { grains } from '#core/model/names'
import { kindsOfFacts } from '#core/fields/kinds'
import { totalWords } from '#core/language/phrases'
import { useDirectory } from '../data/directory'
import { words } from '../words'
import { nextGroup } from './beginnings'
import FactSelect from './FactSelect.vue'
import KeyList from './KeyList.vue'
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
const isChecked = (event: Event) => (event.target as HTMLInputElement).checked || undefined
const valueOf = (event: Event) => (event.target as HTMLSelectElement).value
const by = (total: Total) => (wording.value ? totalWords(total, wording.value) : '')
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
      <select
        v-if="isDated(one.by)"
        :aria-label="words.phrase.grain"
        :value="one.grain ?? 'day'"
        @change="set({ grain: valueOf($event) as Grain })"
      >
        <option v-for="grain in grains" :key="grain" :value="grain">{{ words.phrase.grains[grain] }}</option>
      </select>
      <select :aria-label="words.phrase.groupOrder" :value="orderOf(one)" @change="set(orderIn(valueOf($event)))">
        <option value="">{{ words.phrase.ownOrder }}</option>
        <option value=" down">{{ words.phrase.ownOrderBack }}</option>
        <template v-for="total in orders()" :key="JSON.stringify(total)">
          <option :value="JSON.stringify(total)">{{ words.phrase.leastFirst(by(total)) }}</option>
          <option :value="`${JSON.stringify(total)} down`">{{ words.phrase.mostFirst(by(total)) }}</option>
        </template>
      </select>
      <label class="check"
        ><input type="checkbox" :checked="!!one.withEmpty" @change="set({ withEmpty: isChecked($event) })" />
        {{ words.phrase.withEmpty }}</label
      >
      <label class="check"
        ><input type="checkbox" :checked="!!one.hideNone" @change="set({ hideNone: isChecked($event) })" />
        {{ words.phrase.hideNone }}</label
      >
    </template>
  </KeyList>
</template>
