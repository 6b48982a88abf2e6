<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { personActor } from '#core/change/actor'
import { elsewhere } from '#core/saved-views/elsewhere'
import type { PersonId, Project, View } from '#core/model/records'
import { useDirectory } from '../data/directory'
import { heldWords } from './view-words'

/** Where those who see a view can still do what it forbids, and see what it leaves out: a view is no lock. */
const props = defineProps<{
  project: Project
  of: Pick<View, 'id' | 'project' | 'maker' | 'audience'>
  holds: boolean
  narrows: boolean
}>()
const directory = useDirectory()
const found = computed(() => elsewhere(directory.reader, personActor(directory.me?.id as PersonId), props.of))
/** So many are named. */
const most = 3
</script>

<template>
  <div class="elsewhere soft">
    <p v-if="holds">
      {{ heldWords.isNoLock }} {{ heldWords.doing }}
      <template v-for="view in found.doing.slice(0, most)" :key="view.id"
        ><RouterLink :to="`/app/${project.prefix}/${view.id}`">{{ view.name }}</RouterLink
        >, </template
      >{{ heldWords.anyway }}
    </p>
    <p v-if="narrows">
      {{ heldWords.seeing }}
      <template v-for="view in found.seeing.slice(0, most)" :key="view.id"
        ><RouterLink :to="`/app/${project.prefix}/${view.id}`">{{ view.name }}</RouterLink
        >, </template
      >{{ heldWords.found }}
    </p>
    <p>
      {{ heldWords.roles }}
      <RouterLink :to="`/app/${project.prefix}/set-up/people`">{{ heldWords.openRoles }}</RouterLink>
    </p>
  </div>
</template>

<style scoped>
.elsewhere {
  display: grid;
  gap: 4px;
  font-size: var(--size-small);
}
p {
  margin: 0;
}
/* As large as a finger, and the lines of text no further apart for it. */
a {
  padding-block: calc((max(24px, var(--target)) - 1lh) / 2);
}
</style>
