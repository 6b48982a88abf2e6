<script setup lang="ts">
import { ref } from 'vue'
import type { Item } from '#core/model/records'
import { ColumnEditor } from '../parts/controls'

/** What an item is, where it stands or what it is inside: pressed, it is chosen again from a list. */
defineProps<{ item: Item; column: 'status' | 'kind' | 'parent'; label: string; mayEdit: boolean }>()
defineOptions({ inheritAttrs: false })
const button = ref<HTMLElement>()
const isOpen = ref(false)
function close(): void {
  isOpen.value = false
  requestAnimationFrame(() => button.value?.focus())
}
</script>

<template>
  <button ref="button" v-bind="$attrs" type="button" :disabled="!mayEdit" :aria-label="label" @click="isOpen = true">
    <slot />
  </button>
  <ColumnEditor v-if="isOpen" :item="item" :column="column" :at="button" @leave="close" />
</template>

<style scoped>
button:disabled {
  cursor: default;
}
</style>
