<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import type { Project } from '#core/model/records'
import PopDialog from '../parts/PopDialog.vue'
import { editorWords } from '../parts/words'
import { useAsk } from '../data/use-ask'
import { useChanges } from '../data/changes'
import { projectWords } from './project-words'
import { vTakesFocus } from '../parts/takes-focus'

/** Deletes a project for good, once the number of items that it holds has been typed. */
const project = defineModel<Project | undefined>({ required: true })
const changes = useChanges()
const ask = useAsk()
const isOpen = computed({ get: () => !!project.value, set: (isOpen) => isOpen || (project.value = undefined) })
const held = ref<number>()
const typed = ref('')
watch(project, async (now) => {
  typed.value = ''
  held.value = undefined
  if (now) held.value = await ask('itemsInAll', { project: now.id })
})
const isRight = computed(() => held.value !== undefined && typed.value.trim() === String(held.value))
async function go(): Promise<void> {
  const { value } = project
  if (!value || !isRight.value) return
  project.value = undefined
  await changes.sendAside({ type: 'projects.delete', project: value.id, items: Number(typed.value) })
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="projectWords.deleteTitle(project?.name ?? '')">
    <form class="asked" @submit.prevent="go">
      <h2>{{ projectWords.deleteTitle(project?.name ?? '') }}</h2>
      <p>{{ held === undefined ? projectWords.counting : projectWords.deleteAbout(held) }}</p>
      <p class="note wrong">{{ projectWords.forGood }}</p>
      <VTextField
        v-model="typed"
        :label="projectWords.typeNumber"
        inputmode="numeric"
        autocomplete="off"
        v-takes-focus
      />
      <div class="ends">
        <VBtn type="submit" variant="flat" color="error" :disabled="!isRight">{{ projectWords.deleteIt }}</VBtn>
        <VBtn variant="plain" @click="isOpen = false">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>
