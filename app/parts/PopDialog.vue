<script setup lang="ts">
import { useOverlay } from './overlays'

/** Floats in the middle of the page and keeps the keyboard until it is closed. */
const isOpen = defineModel<boolean>({ required: true })
defineProps<{ label: string }>()
const VDialog = useOverlay('VDialog')
</script>

<template>
  <VDialog v-if="isOpen" v-model="isOpen" :aria-label="label"><slot /></VDialog>
</template>
