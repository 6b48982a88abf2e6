<script setup lang="ts">
import { computed } from 'vue'
import { phraseChanges } from '#core/language/view-changes'
import type { ProjectId, ViewDefinition } from '#core/model/records'
import { useWording } from '../data/wording'
import { keepWords } from './view-words'

/** What a view says otherwise than before, phrase by phrase. */
const props = defineProps<{ project: ProjectId; before: ViewDefinition; after: ViewDefinition }>()
const wording = useWording(() => props.project)
const said = computed(() => (wording.value ? phraseChanges(props.before, props.after, wording.value) : []))
</script>

<template>
  <ul>
    <li v-for="(one, i) in said" :key="i">
      <span v-if="one.was !== undefined" class="was"
        ><i>{{ one.is === undefined ? keepWords.went : keepWords.before }}</i> <s>{{ one.was }}</s></span
      >
      <span v-if="one.is !== undefined"
        ><i>{{ one.was === undefined ? keepWords.came : keepWords.now }}</i> {{ one.is }}</span
      >
    </li>
    <li v-if="!said.length">{{ keepWords.nothingSaid }}</li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
  max-height: 40vh;
  overflow: auto;
}
li {
  display: grid;
  font: var(--type-phrase);
  overflow-wrap: anywhere;
}
i,
.was {
  color: var(--soft);
}
i {
  font: var(--type-aside);
}
</style>
