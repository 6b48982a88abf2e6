<script setup lang="ts">
import { RouterLink, useRoute } from 'vue-router'
import { useDirectory } from '../data/directory'
import { words } from '../words'

/** On a phone: the queue first, and the index as a full screen. */
const emit = defineEmits<{ views: [] }>()
const route = useRoute()
const directory = useDirectory()
</script>

<template>
  <nav class="bar" :aria-label="words.name">
    <RouterLink to="/app" :class="{ on: route.path === '/app' }"
      >{{ words.frame.myQueue }} {{ directory.inTurn || '' }}</RouterLink
    >
    <button type="button" :class="{ on: route.path !== '/app' }" @click="emit('views')">{{ words.frame.views }}</button>
  </nav>
</template>

<style scoped>
.bar {
  grid-template-columns: 1fr 1fr;
  border-top: 1px solid var(--rule);
  background: var(--sunk);
  font-size: 13px;
  text-align: center;
}
a,
button {
  padding: 14px 0;
  color: var(--soft);
  text-decoration: none;
  text-align: center;
}
.on {
  color: var(--ink);
  font-weight: 600;
  box-shadow: inset 0 2px 0 var(--leaf);
}
</style>
