<script setup lang="ts">
import PopDialog from '../overlays/PopDialog.vue'
import ItemFinder from '../parts/ItemFinder.vue'
import { words } from '../words'

/** Finds items of every project and opens one. */
const isOpen = defineModel<boolean>({ required: true })
const emit = defineEmits<{ open: [key: string] }>()
function open(key: string): void {
  isOpen.value = false
  emit('open', key)
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="words.frame.search">
    <div class="pop search">
      <ItemFinder :label="words.frame.search" @choose="open($event.key)" @leave="isOpen = false" />
    </div>
  </PopDialog>
</template>

<style scoped>
.search {
  padding: 14px 16px;
}
</style>
