<script setup lang="ts">
import { computed } from 'vue'
import { useDirectory } from '../stores/directory'
import PersonPebble from './PersonPebble.vue'

const props = defineProps<{ people: readonly string[] }>()
const directory = useDirectory()
const shown = computed(() => props.people.flatMap((id) => directory.reader.maybe('person', id) ?? []))
</script>

<template>
  <span class="pebbles">
    <PersonPebble v-for="person in shown.slice(0, 4)" :key="person.id" :person="person" />
    <span v-if="shown.length > 4" class="soft">+{{ shown.length - 4 }}</span>
  </span>
</template>

<style scoped>
.pebbles {
  display: inline-flex;
  align-items: center;
}
.pebbles :deep(.pebble + .pebble) {
  margin-left: -5px;
  box-shadow: 0 0 0 1.5px var(--raised);
}
</style>
