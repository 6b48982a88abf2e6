<script setup lang="ts">
import { computed } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { useChanges } from '../data/changes'
import { useSession } from '../data/session'
import { words } from '../words'

/** Totals, undo with the name of what it undoes, and whether others' changes arrive. */
const changes = useChanges()
const session = useSession()
const line = computed(() => {
  const { link, pending, large } = session.standing
  if (link === 'down') return words.line.down(pending)
  if (link === 'up') return pending ? words.line.sending(pending, large?.share) : words.line.up
  return link === 'opening' ? words.line.opening : link === 'outdated' ? words.line.outdated : words.line.signedOut
})
</script>

<template>
  <div class="bar">
    <slot />
    <VBtn v-if="changes.undoName" class="undo" aria-keyshortcuts="Control+Z" @click="changes.undo()">
      {{ words.tally.undo }} <i>{{ changes.undoName }}</i> <kbd>Ctrl Z</kbd>
    </VBtn>
    <VBtn v-if="changes.redoName" class="undo redo" aria-keyshortcuts="Control+Shift+Z" @click="changes.redo()">
      {{ words.tally.redo }} <i>{{ changes.redoName }}</i>
    </VBtn>
    <VBtn v-if="session.standing.large" class="right stop" @click="changes.stop()">{{ words.line.stop }}</VBtn>
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
