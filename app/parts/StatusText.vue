<script setup lang="ts">
import { computed } from 'vue'
import { useDirectory } from '../stores/directory'
import LeafMark from './LeafMark.vue'

const props = defineProps<{ status: string }>()
const directory = useDirectory()
const found = computed(() => directory.reader.maybe('status', props.status))
</script>

<template>
  <span v-if="found" class="status"
    ><LeafMark :share="directory.share(found)" :colour="found.colour" />{{ found.name }}</span
  >
</template>

<style scoped>
.status {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  white-space: nowrap;
}
</style>
