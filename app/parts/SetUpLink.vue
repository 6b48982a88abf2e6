<script setup lang="ts">
import { computed } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import type { ProjectId } from '#core/model/records'
import { useDirectory } from '../data/directory'
import { editorWords } from './words'

/** From where a thing is met to where it is set up, for those who may. `at`: which of them. */
const props = defineProps<{ project: ProjectId; part: 'statuses' | 'people'; at?: string }>()
const directory = useDirectory()
const to = computed(() => {
  const prefix = directory.reader.maybe('project', props.project)?.prefix ?? ''
  return { path: `/app/${prefix}/set-up/${props.part}`, query: props.at ? { at: props.at } : {} }
})
</script>

<template>
  <VBtn v-if="directory.may('set up project', project)" class="set-up-link" variant="plain" :to="to">{{
    editorWords.setUp[part]
  }}</VBtn>
</template>

<style scoped>
.set-up-link {
  width: 100%;
  justify-content: start;
  padding: 0 14px;
  border-top: 1px solid var(--rule);
}
</style>
