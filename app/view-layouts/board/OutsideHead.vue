<script setup lang="ts">
import { RouterLink } from 'vue-router'
import type { BoardAnswer } from '#core/layouts/board'
import type { Project } from '#core/model/records'
import { StatusText } from '../../parts/marks'
import { columnWords } from '../words'

/** At the edge of a board: statuses that none of its columns holds, with how many items stand in them. */
defineProps<{ project: Project; outside: BoardAnswer['outside'] }>()
</script>

<template>
  <div class="outside">
    <h2>{{ columnWords.outside }}</h2>
    <RouterLink v-for="one in outside" :key="one.status" class="link" :to="`/app/${project.prefix}/set-up/board`"
      ><StatusText :status="one.status" /> {{ one.held }}</RouterLink
    >
  </div>
</template>

<style scoped>
.outside {
  padding: 6px 10px 7px;
  border-left: 1px solid var(--rule);
  background: var(--ochre-tint);
  display: grid;
  gap: 2px;
  align-content: start;
  font-size: var(--size-small);
}
h2 {
  font: var(--type-column);
}
a {
  overflow-wrap: anywhere;
}
</style>
