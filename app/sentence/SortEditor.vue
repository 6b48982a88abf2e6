<script setup lang="ts">
import type { ProjectId, SortKey } from '#core/model/records'
import { sortKeyWords } from '#core/language/phrases'
import { words } from '../words'
import FactSelect from './FactSelect.vue'
import KeyList from './KeyList.vue'
import { useWording } from '../data/wording'

/** In what order: several keys, the first before the next. */
const props = defineProps<{ project: ProjectId; sort: readonly SortKey[] }>()
const emit = defineEmits<{ change: [sort: SortKey[]] }>()
const wording = useWording(() => props.project)
const ways = (key: SortKey): [string, string] => {
  const told = wording.value
  const say = (down: boolean) => (told ? sortKeyWords({ by: key.by, down }, told) : '')
  return [say(false), say(true)]
}
</script>

<template>
  <KeyList
    :keys="sort"
    :most="5"
    :add-label="sort.length ? words.phrase.thenBy : words.phrase.sortedBy"
    :next="(): SortKey => ({ by: { fact: 'title' }, down: false })"
    @change="emit('change', $event)"
  >
    <template #default="{ one, set }">
      <FactSelect
        :project="project"
        :by="one.by"
        :label="words.phrase.sortedBy"
        for-sorting
        @change="set({ by: $event })"
      />
      <select
        :aria-label="words.phrase.direction"
        :value="String(one.down)"
        @change="set({ down: ($event.target as HTMLSelectElement).value === 'true' })"
      >
        <option value="false">{{ ways(one)[0] }}</option>
        <option value="true">{{ ways(one)[1] }}</option>
      </select>
      <label v-if="one.by.fact !== 'rank'" class="check"
        ><input
          type="checkbox"
          :checked="!!one.emptyFirst"
          @change="set({ emptyFirst: ($event.target as HTMLInputElement).checked || undefined })"
        />
        {{ words.phrase.emptyFirst }}</label
      >
    </template>
  </KeyList>
</template>
