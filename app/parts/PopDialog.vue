<script setup lang="ts">
import { VDialog } from 'vuetify/components/VDialog'

/** Floats in the middle of the page and keeps the keyboard until it is closed. */
const isOpen = defineModel<boolean>({ required: true })
defineProps<{ label: string }>()
</script>

<template>
  <VDialog v-if="isOpen" v-model="isOpen" :aria-label="label" content-class="pop"><slot /></VDialog>
</template>
