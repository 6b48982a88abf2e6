<script setup lang="ts">
import { computed } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { useChanges } from '../data/changes'
import { useSession } from '../data/session'
import { lineWords, tallyWords } from './words'

/** Totals, undo with the name of what it undoes, and whether others' changes arrive. */
const changes = useChanges()
const session = useSession()
const line = computed(() => {
  const { link, pending, large } = session.standing
  if (link === 'down') return lineWords.down(pending)
  if (link === 'up') return pending ? lineWords.sending(pending, large?.share) : lineWords.up
  return link === 'opening' ? lineWords.opening : link === 'outdated' ? lineWords.outdated : lineWords.signedOut
})
</script>

<template>
  <div class="bar">
    <slot />
    <VBtn v-if="changes.undoName" class="undo" aria-keyshortcuts="Control+Z" @click="changes.undo()">
      {{ tallyWords.undo }} <i>{{ changes.undoName }}</i> <kbd>Ctrl Z</kbd>
    </VBtn>
    <VBtn v-if="changes.redoName" class="undo redo" aria-keyshortcuts="Control+Shift+Z" @click="changes.redo()">
      {{ tallyWords.redo }} <i>{{ changes.redoName }}</i>
    </VBtn>
    <VBtn v-if="session.standing.large" class="right stop" @click="changes.stop()">{{ lineWords.stop }}</VBtn>
    <span
      class="one-line"
      :class="[{ right: !session.standing.large }, session.standing.link === 'down' ? 'down' : 'soft']"
      role="status"
      >{{ line }}</span
    >
  </div>
</template>

<style scoped>
.bar {
  width: 100%;
  height: 100%;
  display: flex;
  align-items: center;
  gap: 22px;
  padding: 0 24px;
  white-space: nowrap;
  font-size: var(--size-small);
  min-width: 0;
  overflow: hidden;
}
.undo {
  overflow: hidden;
}
.undo :deep(.v-btn__content) {
  gap: 5px;
}
/* Names may be long: what else is said stays in sight. */
.undo i {
  max-width: min(38ch, 40vw);
  overflow: hidden;
  text-overflow: ellipsis;
}
.redo {
  color: var(--soft);
}
.down {
  color: var(--rust);
  font-weight: 600;
}
@media (max-width: 700px) {
  .bar {
    padding: 0 16px;
    gap: 14px;
  }
  kbd {
    display: none;
  }
}
</style>
