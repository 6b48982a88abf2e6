<script setup lang="ts">
import { ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VIcon } from 'vuetify/components/VIcon'
import { stands } from '../data/stands'
import { VTooltip } from './controls'

/** A button that is a sign alone; what it does is said to screen readers, and on hover. */
defineProps<{ icon: string; label: string }>()
/** Whoever has pressed it knows what it does, and what it opens must not be covered. */
const isPressed = ref(false)
</script>

<template>
  <VBtn icon class="icon-button" :aria-label="label" @click="isPressed = true" @pointerleave="isPressed = false">
    <VIcon :icon="icon" size="16" />
    <VTooltip
      v-if="stands && !isPressed"
      activator="parent"
      :text="label"
      location="bottom"
      open-delay="400"
      aria-hidden="true"
    />
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
