<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import AppFrame from '../../../shell/AppFrame.vue'
import BinnedItems from '../../../bin/BinnedItems.vue'
import BinnedViews from '../../../bin/BinnedViews.vue'
import { binWords } from '../../../bin/words'
import { useDirectory } from '../../../data/directory'
import { ItemPanel } from '../../../item/panel'
import { viewWords } from '../../../view-layouts/words'

/** What of a project waits to be restored or deleted for good. */
const route = useRoute()
const router = useRouter()
const directory = useDirectory()
const project = computed(() => directory.byPrefix(String(route.params.prefix)))
const openKey = computed(() => (typeof route.query.item === 'string' ? route.query.item : undefined))
const open = (key: string | undefined) => void router.push({ query: key ? { item: key } : {} })
</script>

<template>
  <AppFrame>
    <template #sentence
      ><h1>{{ project ? binWords.of(project.name) : viewWords.noSuchProject }}</h1></template
    >
    <div v-if="project" class="plain-page">
      <p class="soft about">{{ binWords.about }}</p>
      <BinnedItems :key="project.id" :project="project" @open="open" />
      <BinnedViews :project="project.id" />
    </div>
    <template v-if="openKey" #panel><ItemPanel :item-key="openKey" @close="open(undefined)" @open="open" /></template>
  </AppFrame>
</template>

<style scoped>
h1 {
  font: var(--type-heading);
}
.about {
  margin: 0 0 14px;
}
</style>
