<script setup lang="ts">
import { onBeforeUnmount, watch } from 'vue'
import { VDialog } from 'vuetify/components/VDialog'

/** Floats in the middle of the page and keeps the keyboard until it is closed; then it goes back to where it was. */
const isOpen = defineModel<boolean>({ required: true })
/** `at`: where the keyboard goes instead, such as to what the menu was of in which this was chosen. */
const props = defineProps<{ label: string; at?: HTMLElement | undefined }>()

let from: Element | null = null
function giveBack(): void {
  const to = props.at ?? from
  // What it asked for may have the keyboard by then.
  const give = () => {
    if (document.activeElement === document.body && to instanceof HTMLElement && to.isConnected) to.focus()
  }
  requestAnimationFrame(() => setTimeout(give))
}
watch(isOpen, (opens) => (opens ? (from = document.activeElement) : giveBack()))
if (isOpen.value) from = document.activeElement
onBeforeUnmount(() => isOpen.value && giveBack())
</script>

<template>
  <VDialog v-if="isOpen" v-model="isOpen" :aria-label="label" content-class="pop"><slot /></VDialog>
</template>
