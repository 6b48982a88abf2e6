<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import type { ItemId, Project, View } from '#core/model/records'
import { useChanges } from '../../data/changes'
import { useThrough } from '../../data/through'
import { useSelection } from '../../data/selection'
import { useAsk } from '../../data/use-ask'
import { useCsv } from '../../parts/use-csv'
import { PopMenu } from '../../parts/controls'
import { copyText } from '../../parts/copy'
import { grouped } from '../../counted'
import { selectionWords } from './words'
import { ChangeMany, RefusedList } from './later'
import { useForMany } from './use-for-many'

/** What can be done with the items that are selected: one step, one undo. */
const props = defineProps<{ project: Project; view?: View }>()
const selection = useSelection()
const through = useThrough()
const changes = useChanges()
const ask = useAsk()
const csv = useCsv()
const mayChange = computed(() => through.mayChange(props.project.id))
const mayRemove = computed(() => through.mayRemove(props.project.id))
const ids = computed(() => [...selection.ids])
/** Where it is asked what changes. */
const at = ref<HTMLElement>()
const { refused, send, goOn } = useForMany()

async function archive(): Promise<void> {
  if (await send({ type: 'items.archive', items: ids.value, archived: true })) selection.clear()
}
async function takeOut(): Promise<void> {
  if (props.view) await csv(props.view, 'values', ids.value as ItemId[])
}
async function copy(): Promise<void> {
  const text = await ask('copied', { items: ids.value })
  if (text === undefined) return
  await copyText(text)
  changes.say(selectionWords.copied(selection.count))
}
</script>

<template>
  <span class="selection" role="group" :aria-label="selectionWords.acts">
    <span
      ><b>{{ grouped(selection.count) }}</b> {{ selectionWords.selected }}</span
    >
    <VBtn v-if="mayChange" variant="plain" aria-haspopup="dialog" @click="at = $event.currentTarget as HTMLElement">{{
      selectionWords.change
    }}</VBtn>
    <VBtn v-if="mayRemove" variant="plain" @click="archive">{{ selectionWords.archive }}</VBtn>
    <VBtn variant="plain" @click="copy">{{ selectionWords.copy }}</VBtn>
    <VBtn v-if="view" class="out" variant="plain" @click="takeOut">{{ selectionWords.csv }}</VBtn>
    <VBtn variant="plain" @click="selection.clear()">{{ selectionWords.clear }}</VBtn>
    <PopMenu v-if="at" :at="at" above @close="at = undefined">
      <ChangeMany :project="project" :items="ids" :send="send" @leave="at = undefined" />
    </PopMenu>
    <RefusedList v-if="refused" :refused="refused" @go="goOn" @close="refused = undefined" />
  </span>
</template>

<style scoped>
.selection {
  display: flex;
  align-items: center;
  gap: 12px;
  color: var(--leaf);
}
@media (max-width: 700px) {
  .selection > .v-btn {
    min-width: 44px;
  }
  /* A phone has no room for it, and little use of the file. */
  .selection > .out {
    display: none;
  }
}
</style>
