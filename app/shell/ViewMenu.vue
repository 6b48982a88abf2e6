<script setup lang="ts">
import { nextTick, ref, shallowRef } from 'vue'
import type { Project, View } from '#core/model/records'
import ActMenu from '../parts/ActMenu.vue'
import { TryAs, ViewDialog } from '../sentence/editors'
import { useViewActs } from './use-view-acts'

/** What can be done with a view, and what is asked for it. */
defineProps<{
  project: Project
  view: View
  at: HTMLElement
  point?: [number, number] | undefined
}>()
const emit = defineEmits<{ close: [] }>()
const isOpen = ref(true)
const asked = shallowRef<{ of?: View; from?: View }>()
const tries = shallowRef<View>()
const acts = useViewActs((what) => {
  if ('tries' in what) tries.value = what.tries
  else asked.value = what
})
/** What was chosen may ask for something. */
function close(): void {
  isOpen.value = false
  void nextTick(() => asked.value ?? tries.value ?? emit('close'))
}
</script>

<template>
  <ActMenu v-if="isOpen" :acts="acts(project, view)" :label="view.name" :at="at" :point="point" @close="close" />
  <ViewDialog v-if="asked" :project="project" v-bind="asked" @leave="emit('close')" />
  <TryAs v-if="tries" :project="project" :view="tries" @leave="emit('close')" />
</template>
