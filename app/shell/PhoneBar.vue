<script setup lang="ts">
import { useRoute } from 'vue-router'
import { VBtn } from 'vuetify/components/VBtn'
import { useDirectory } from '../data/directory'
import { VBottomNavigation } from '../parts/controls'
import { frameWords } from './words'

/** On a phone: the queue first, and the index as a full screen. */
const emit = defineEmits<{ views: [] }>()
const route = useRoute()
const directory = useDirectory()
</script>

<template>
  <VBottomNavigation tag="nav" class="bar" grow height="48" mode="horizontal" :aria-label="frameWords.app">
    <VBtn to="/app" :class="{ on: route.path === '/app' }">{{ frameWords.myQueue }} {{ directory.inTurn || '' }}</VBtn>
    <VBtn :class="{ on: route.path !== '/app' }" @click="emit('views')">{{ frameWords.views }}</VBtn>
  </VBottomNavigation>
</template>

<style scoped>
.bar {
  border-top: 1px solid var(--rule);
  background: var(--sunk);
  box-shadow: none;
}
.bar .v-btn {
  color: var(--soft);
}
.bar .on {
  color: var(--ink);
  font-weight: 600;
  box-shadow: inset 0 2px 0 var(--leaf);
}
</style>
