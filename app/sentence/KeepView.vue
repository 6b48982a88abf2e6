<script setup lang="ts">
import { computed } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import type { View } from '#core/model/records'
import { isOwn, useDirectory } from '../data/directory'
import { useViews } from '../data/views'
import PopMenu from '../parts/PopMenu.vue'
import { editorWords } from '../parts/words'
import { viewWords } from '../view-layouts/words'
import ChangesSaid from './ChangesSaid.vue'
import { keepWords } from './view-words'

/** What saving a view changes for everyone; where somebody has saved it meanwhile, theirs and one's own, to choose from. */
const props = defineProps<{ view: View; at: HTMLElement }>()
const emit = defineEmits<{ leave: []; another: [] }>()
const directory = useDirectory()
const views = useViews()
const overtakenFrom = computed(() => views.overtakenFrom(props.view))
const mayKeep = computed(() => directory.mayKeep(props.view))
function leave(act: () => unknown): void {
  void act()
  emit('leave')
}
</script>

<template>
  <PopMenu :at="at" @close="emit('leave')">
    <div class="keep" role="dialog" :aria-label="viewWords.compare">
      <template v-if="overtakenFrom">
        <h2>{{ keepWords.theirs }}</h2>
        <ChangesSaid :project="view.project" :before="overtakenFrom" :after="view.definition" />
        <h2>{{ keepWords.yours }}</h2>
        <ChangesSaid :project="view.project" :before="overtakenFrom" :after="views.definitionOf(view)" />
      </template>
      <template v-else>
        <p v-if="!isOwn(view)" class="soft">{{ keepWords.willChange }}</p>
        <ChangesSaid :project="view.project" :before="view.definition" :after="views.definitionOf(view)" />
      </template>
      <div class="ends">
        <VBtn v-if="mayKeep" variant="flat" @click="leave(() => views.keep(view))">{{
          overtakenFrom ? keepWords.saveMine : isOwn(view) ? viewWords.saveMine : viewWords.keepForAll
        }}</VBtn>
        <VBtn v-if="overtakenFrom" variant="outlined" @click="leave(() => views.putBack(view))">{{
          keepWords.takeTheirs
        }}</VBtn>
        <VBtn v-if="overtakenFrom" variant="plain" @click="leave(() => emit('another'))">{{
          viewWords.keepAsMine
        }}</VBtn>
        <VBtn variant="plain" @click="emit('leave')">{{ editorWords.cancel }}</VBtn>
      </div>
    </div>
  </PopMenu>
</template>

<style scoped>
.keep {
  padding: 14px;
  display: grid;
  gap: 10px;
  width: min(440px, 92vw);
}
h2 {
  font: var(--type-section);
}
</style>
