<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { useChanges } from '../data/changes'
import { words } from '../words'

/** What was refused, and why; stays until it is closed. */
const changes = useChanges()
function again(id: number, act: () => void): void {
  changes.dismiss(id)
  act()
}
</script>

<template>
  <div class="notices" role="alert" aria-live="assertive">
    <div v-for="notice in changes.notices" :key="notice.id" class="pop notice">
      <p>{{ notice.text }}</p>
      <button v-if="notice.again" type="button" class="link" @click="again(notice.id, notice.again)">
        {{ words.notice.tryAgain }}
      </button>
      <button type="button" class="x" :aria-label="words.notice.dismiss" @click="changes.dismiss(notice.id)">
        <svg viewBox="0 0 24 24"><path :d="mdiClose" /></svg>
      </button>
    </div>
  </div>
</template>

<style scoped>
.notices {
  position: fixed;
  left: calc(var(--index) + 24px);
  bottom: calc(var(--tally) + 14px);
  z-index: 12;
  display: grid;
  gap: 8px;
  max-width: min(560px, calc(100vw - 32px));
}
.notice {
  display: flex;
  gap: 14px;
  align-items: baseline;
  padding: 10px 12px 10px 14px;
  box-shadow:
    var(--shadow),
    inset 3px 0 0 var(--rust);
  font-size: 13.5px;
}
.x {
  align-self: center;
}
svg {
  width: 16px;
  height: 16px;
  fill: var(--soft);
  display: block;
}
@media (max-width: 700px) {
  .notices {
    left: 16px;
    bottom: 100px;
  }
}
</style>
