<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import type { ProjectId, View } from '#core/model/records'
import { useChanges } from '../data/changes'
import { isOwn, useDirectory } from '../data/directory'
import { useViews } from '../data/views'
import { momentWords } from '../dates'
import PopDialog from '../parts/PopDialog.vue'
import { editorWords } from '../parts/words'
import { binWords } from './words'

/** The removed views of a project: each comes back, or goes for good. */
const props = defineProps<{ project: ProjectId }>()
const directory = useDirectory()
const changes = useChanges()
const views = useViews()
const binned = computed(() => directory.binnedViews(props.project))
const moment = (view: View) =>
  momentWords(view.archived ?? '', directory.language, directory.today, directory.reader.workspace().timeZone)
const asked = shallowRef<View>()
const isAsking = computed({ get: () => !!asked.value, set: (isOpen) => isOpen || (asked.value = undefined) })
function erase(): void {
  if (asked.value) void changes.sendAside({ type: 'view.delete', view: asked.value.id })
  asked.value = undefined
}
</script>

<template>
  <section v-if="binned.length" :aria-label="binWords.views">
    <h2>{{ binWords.views }}</h2>
    <ul>
      <li v-for="view in binned" :key="view.id" class="binned">
        <span class="what one-line">{{ view.name }}</span>
        <span class="soft one-line">{{ isOwn(view) ? `${binWords.onlyMine}, ` : '' }}{{ moment(view) }}</span>
        <span class="acts">
          <template v-if="directory.mayKeep(view)">
            <VBtn variant="plain" @click="views.restoreFromBin(view)">{{ binWords.restore }}</VBtn>
            <VBtn variant="plain" @click="asked = view">{{ binWords.delete }}</VBtn>
          </template>
        </span>
      </li>
    </ul>
    <PopDialog v-model="isAsking" :label="binWords.viewTitle(asked?.name ?? '')">
      <form class="asked" @submit.prevent="erase">
        <h2>{{ binWords.viewTitle(asked?.name ?? '') }}</h2>
        <p>{{ binWords.viewAbout }}</p>
        <div class="ends">
          <VBtn type="submit" variant="flat" color="error">{{ binWords.deleteIt }}</VBtn>
          <VBtn variant="plain" @click="isAsking = false">{{ editorWords.cancel }}</VBtn>
        </div>
      </form>
    </PopDialog>
  </section>
</template>

<style src="./bin.css" scoped></style>
