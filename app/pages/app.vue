<script setup lang="ts">
import { nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import { navigateTo } from 'nuxt/app'
import { RouterView, useRoute, useRouter } from 'vue-router'
import { learnNumbers } from '../counted'
import { warmDayFormats } from '../theme/day-formats'
import { fetchLater } from '../fetched'
import { SearchBox, ShortcutList } from '../shell/around'
import { isShowingKeys } from '../shell/shortcuts'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { usePreferences } from '../data/preferences'
import { useSession } from '../data/session'
import { showChanged } from '../data/show-changed'
import { afterPaint, stands } from '../data/stands'
import { useViews } from '../data/views'
import { frameWords, lineWords } from '../shell/words'

/** Everything behind sign-in, once the worker has told what there is. */
const session = useSession()
const directory = useDirectory()
const views = useViews()
const changes = useChanges()
const preferences = usePreferences()
const route = useRoute()
const router = useRouter()
const isSearching = ref(false)
/** After this the page says how far the opening is. */
const longestEmptyMs = 400
/** After this it shows itself, whatever its address says of a view that could not be read. */
const longestReading = 3000

onMounted(() => {
  // What changes a view by its address shows it when that has been read, or finds that it is no view (any more).
  const late = route.query.change ? longestReading : 0
  void views.restore().finally(() => nextTick(() => (late ? setTimeout(showChanged, late) : showChanged())))
  addEventListener('keydown', onKey)
  afterPaint(() => {
    stands.value = true
    preferences.follow()
    fetchLater()
    learnNumbers(navigator.language)
    afterPaint(() => warmDayFormats(navigator.language))
  })
})
onBeforeUnmount(() => removeEventListener('keydown', onKey))

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement
    ? // Ticked or chosen from: nothing is typed there that a key could take back.
      target.inputMode !== 'none' && !/^(checkbox|radio|button)$/.test(target.type)
    : target instanceof HTMLElement && (target.isContentEditable || /^(TEXTAREA|SELECT)$/.test(target.tagName))

function onKey(event: KeyboardEvent): void {
  if (event.key === '?' && !isTyping(event.target)) isShowingKeys.value = true
  if (!(event.ctrlKey || event.metaKey)) return
  const key = event.key.toLowerCase()
  if (key === 'k') isSearching.value = true
  else if (key === 'z' && !isTyping(event.target)) void (event.shiftKey ? changes.redo() : changes.undo())
  else return
  event.preventDefault()
}
function openItem(key: string): void {
  if (route.name?.toString().startsWith('app-items')) void router.push(`/app/items/${key}`)
  else void router.push({ query: { ...route.query, item: key } })
}

if (session.enter()) {
  directory.follow()
  // The empty page that came with the HTML stands until there is something to show, so that all is drawn at once.
  if (!directory.isReady)
    await Promise.race([directory.ready, new Promise((resolve) => setTimeout(resolve, longestEmptyMs))])
} else void navigateTo('/sign-in')
</script>

<template>
  <RouterView v-if="directory.isReady" />
  <div v-else class="opening" role="status">
    <p v-if="session.standing.link === 'down'">{{ lineWords.noServer }}</p>
    <p v-else>{{ frameWords.opening(session.standing.progress) }}</p>
  </div>
  <ShortcutList v-if="isShowingKeys" v-model="isShowingKeys" />
  <SearchBox v-if="isSearching" v-model="isSearching" @open="openItem" />
</template>

<style scoped>
.opening {
  position: fixed;
  inset: 0 0 0 var(--index);
  display: grid;
  place-items: center;
  color: var(--soft);
}
@media (max-width: 700px) {
  .opening {
    left: 0;
  }
}
</style>
