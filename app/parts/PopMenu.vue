<script setup lang="ts">
import { nextTick } from 'vue'
import { VMenu } from 'vuetify/components/VMenu'

/** Floats beside an element for as long as one is given; the keyboard goes back there. */
const props = defineProps<{
  at: HTMLElement | undefined
  /** Where in the window it opens instead, such as under the pointer. */
  point?: [x: number, y: number] | undefined
  above?: boolean
  /** A click in it ends it. */
  brief?: boolean
}>()
const emit = defineEmits<{ close: [] }>()

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
    :target="point ?? at"
    :location="above ? 'top start' : 'bottom start'"
    :close-on-content-click="!!brief"
    content-class="pop"
    min-width="0"
    @update:model-value="close"
  >
    <slot />
  </VMenu>
</template>
