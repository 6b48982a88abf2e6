<script setup lang="ts">
import { VBtn } from 'vuetify/components/VBtn'
import { VIcon } from 'vuetify/components/VIcon'
import { stands } from '../data/stands'
import { VTooltip } from './controls'

/** A button that is a sign alone; what it does is said to screen readers, and on hover. */
defineProps<{ icon: string; label: string }>()
</script>

<template>
  <VBtn icon class="icon-button" :aria-label="label">
    <VIcon :icon="icon" size="16" />
    <VTooltip v-if="stands" activator="parent" :text="label" location="bottom" open-delay="400" aria-hidden="true" />
  </VBtn>
</template>

<style scoped>
.icon-button {
  width: 28px;
  height: 28px;
  flex: none;
  color: var(--soft);
}
.icon-button:hover {
  color: var(--ink);
}
</style>
