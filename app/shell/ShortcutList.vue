<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { mdiClose } from '@mdi/js'
import { useDirectory } from '../data/directory'
import IconButton from '../parts/IconButton.vue'
import PopDialog from '../parts/PopDialog.vue'
import { keysWords } from './shortcut-words'
import { frameWords } from './words'

/** The keys that do something where one is, and those that do everywhere. */
const isOpen = defineModel<boolean>({ required: true })
const route = useRoute()
const directory = useDirectory()
const here = computed((): keyof typeof keysWords.places | undefined => {
  if (route.path === '/app') return 'queue'
  if (route.path.startsWith('/app/items/')) return 'item'
  if (route.path.endsWith('/bring-in')) return 'bringIn'
  if (route.path === '/app/people') return 'people'
  if (/\/set-up\/(?:statuses|board)$/.test(route.path)) return 'setUp'
  return directory.reader.maybe('view', String(route.params.view))?.definition.layout
})
const groups = computed(() => [...(here.value ? [keysWords.places[here.value]] : []), keysWords.everywhere])
</script>

<template>
  <PopDialog v-model="isOpen" :label="frameWords.shortcuts">
    <div class="keys">
      <header>
        <h2>{{ frameWords.shortcuts }}</h2>
        <IconButton :icon="mdiClose" :label="frameWords.close" @click="isOpen = false" />
      </header>
      <section v-for="group in groups" :key="group.title">
        <h3>{{ group.title }}</h3>
        <dl>
          <template v-for="[keys, does] in group.keys" :key="does">
            <dt>
              <kbd v-for="key in keys.split(' ')" :key="key">{{ key }}</kbd>
            </dt>
            <dd>{{ does }}</dd>
          </template>
        </dl>
      </section>
    </div>
  </PopDialog>
</template>

<style scoped>
.keys {
  padding: 16px 22px 20px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
h2 {
  font: var(--type-title);
}
h3 {
  font: var(--type-head);
  margin: 12px 0 6px;
}
dl {
  display: grid;
  grid-template-columns: 170px minmax(0, 1fr);
  gap: 5px 14px;
  margin: 0;
}
dt {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
dd {
  margin: 0;
}
@media (max-width: 700px) {
  dl {
    grid-template-columns: 120px minmax(0, 1fr);
  }
}
</style>
