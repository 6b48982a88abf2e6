<script setup lang="ts">
import { ref, shallowRef, watch } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import type { ItemId } from '#core/model/records'
import type { HistoryEntry } from '#core/queries/history'
import { momentWords } from '../dates'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { useSession } from '../data/session'
import { useAskResult } from '../data/use-ask'
import SectionHead from '../parts/SectionHead.vue'
import { itemWords } from './words'

/** What happened to an item, newest first: who, what, when. Fetched again when the item has changed. */
const props = defineProps<{ item: ItemId; changed: string; mayEdit: boolean }>()
const changes = useChanges()
const directory = useDirectory()
const session = useSession()
const ask = useAskResult()
const entries = shallowRef<readonly HistoryEntry[]>([])
const hasMore = ref(false)
const isLoading = ref(true)
const wrong = ref('')

async function fetchFrom(before?: number): Promise<void> {
  const mine = props.item
  isLoading.value = true
  const answer = await ask('history', { item: mine, before })
  if (!answer || mine !== props.item) return
  isLoading.value = false
  if (!answer.ok) return void (wrong.value = await changes.wordsFor(answer.problem))
  wrong.value = ''
  entries.value = before === undefined ? answer.value.entries : [...entries.value, ...answer.value.entries]
  hasMore.value = answer.value.more
}
const undo = (entry: HistoryEntry) => changes.send({ type: 'revert', of: entry.command, items: [props.item] })
watch(
  () => [props.item, props.changed, session.standing.link === 'up' && session.standing.pending === 0],
  () => void fetchFrom(),
  { immediate: true },
)
watch(
  () => props.item,
  () => (entries.value = []),
)
</script>

<template>
  <section>
    <SectionHead :title="itemWords.happened" />
    <ol>
      <li v-for="entry in entries" :key="entry.sequence">
        <b>{{ directory.reader.names.person(entry.by.person) }}</b> {{ entry.sentences.join('; ') }}.
        <time :datetime="entry.at">{{
          momentWords(entry.at, directory.language, directory.today, directory.reader.workspace().timeZone)
        }}</time>
        <template v-if="mayEdit && entry.later">
          <span v-if="entry.later.length" class="undo">{{ itemWords.notUndone(entry.later) }}</span>
          <button v-else type="button" class="link undo" @click="undo(entry)">{{ itemWords.undo }}</button>
        </template>
      </li>
    </ol>
    <p v-if="wrong" class="note wrong">{{ wrong }}</p>
    <p v-else-if="isLoading && !entries.length" class="soft">{{ itemWords.loading }}</p>
    <VBtn v-if="hasMore" variant="plain" @click="fetchFrom(entries.at(-1)?.sequence)">{{ itemWords.more }}</VBtn>
  </section>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  font-size: var(--size-small);
  color: var(--soft);
  line-height: 1.5;
  overflow-wrap: anywhere;
}
.undo {
  margin-left: 6px;
  opacity: 0;
}
li:hover .undo,
.undo:focus-visible {
  opacity: 1;
}
@media (hover: none) {
  .undo {
    opacity: 1;
  }
}
b {
  font-weight: 600;
  color: var(--ink);
}
</style>
