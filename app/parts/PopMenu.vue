<script setup lang="ts">
import { nextTick } from 'vue'
import { useOverlay } from './overlays'

/** Floats beside an element for as long as one is given; the keyboard goes back there. `brief`: a click in it ends it. */
const props = defineProps<{ at: HTMLElement | undefined; above?: boolean; brief?: boolean }>()
const emit = defineEmits<{ close: [] }>()
const VMenu = useOverlay('VMenu')

function close(): void {
  const { at } = props
  emit('close')
  // Whoever clicked elsewhere has the keyboard there.
  void nextTick(() => {
    if (!document.activeElement || document.activeElement === document.body) at?.focus()
  })
}
</script>

<template>
  <VMenu
    v-if="at"
    :model-value="true"
    :target="at"
    :location="above ? 'top start' : 'bottom start'"
    :close-on-content-click="!!brief"
    min-width="0"
    @update:model-value="close"
  >
    <slot />
  </VMenu>
</template>
