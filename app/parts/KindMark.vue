<script setup lang="ts">
import {
  mdiAlertOutline,
  mdiCommentQuestionOutline,
  mdiHammerWrench,
  mdiMagnify,
  mdiSprout,
  mdiTextBoxOutline,
} from '@mdi/js'
import type { KindIcon } from '#core/model/records'

/** What sort of item it is: its icon and its name in small capitals. */
defineProps<{ name: string; icon: KindIcon; bare?: boolean }>()
const icons: Readonly<Record<KindIcon, string>> = {
  task: mdiHammerWrench, defect: mdiAlertOutline, inspection: mdiMagnify, deliverable: mdiSprout,
  request: mdiCommentQuestionOutline, plain: mdiTextBoxOutline,
} // prettier-ignore
</script>

<template>
  <span class="kind">
    <svg viewBox="0 0 24 24" aria-hidden="true"><path :d="icons[icon]" /></svg><span v-if="!bare">{{ name }}</span>
  </span>
</template>

<style scoped>
.kind {
  display: inline-flex;
  align-items: center;
  gap: 4px;
  font-variant-caps: all-small-caps;
  font-size: 12.5px;
  font-weight: 600;
  letter-spacing: 0.05em;
  line-height: 1;
  color: var(--soft);
  white-space: nowrap;
}
.kind span {
  padding-bottom: 1px;
}
svg {
  width: 13px;
  height: 13px;
  fill: currentColor;
  flex: none;
}
</style>
