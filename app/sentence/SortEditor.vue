<script setup lang="ts">
import type { ProjectId, SortKey } from '#core/model/records'
import { sortKeyWords } from '#core/language/phrases'
import { phraseWords } from './phrase-words'
import FactSelect from './FactSelect.vue'
import KeyList from './KeyList.vue'
import { VCheckbox } from 'vuetify/components/VCheckbox'
import SelectOne from '../parts/SelectOne.vue'
import { useWording } from '../data/wording'

/** In what order: several keys, the first before the next. */
const props = defineProps<{ project: ProjectId; sort: readonly SortKey[] }>()
const emit = defineEmits<{ change: [sort: SortKey[]] }>()
const wording = useWording(() => props.project)
const ways = (key: SortKey) =>
  [false, true].map((down) => ({
    value: down,
    title: wording.value ? sortKeyWords({ by: key.by, down }, wording.value) : '',
  }))
</script>

<template>
  <KeyList
    :keys="sort"
    :most="5"
    :add-label="sort.length ? phraseWords.thenBy : phraseWords.sortedBy"
    :next="(): SortKey => ({ by: { fact: 'title' }, down: false })"
    @change="emit('change', $event)"
  >
    <template #default="{ one, set }">
      <FactSelect
        :project="project"
        :by="one.by"
        :label="phraseWords.sortedBy"
        for-sorting
        @change="set({ by: $event })"
      />
      <SelectOne
        :label="phraseWords.direction"
        :choices="ways(one)"
        :chosen="one.down"
        @choose="set({ down: $event })"
      />
      <VCheckbox
        v-if="one.by.fact !== 'rank' && one.by.fact !== 'place'"
        :label="phraseWords.emptyFirst"
        :model-value="!!one.emptyFirst"
        @update:model-value="set({ emptyFirst: $event || undefined })"
      />
    </template>
  </KeyList>
</template>
