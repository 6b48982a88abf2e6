<script setup lang="ts">
import { useRoute, useRouter } from 'vue-router'
import AppFrame from '../../../shell/AppFrame.vue'
import { ItemPanel } from '../../../item/panel'

/** An item as a whole page: its own address. */
const route = useRoute()
const router = useRouter()
</script>

<template>
  <AppFrame>
    <template #sentence
      ><h1 class="key">{{ route.params.key }}</h1></template
    >
    <ItemPanel
      whole
      :item-key="String(route.params.key)"
      @close="router.back()"
      @open="router.push(`/app/items/${$event}`)"
    />
  </AppFrame>
</template>

<style scoped>
.key {
  font: var(--type-heading);
}
</style>
