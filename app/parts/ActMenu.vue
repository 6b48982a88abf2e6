<script setup lang="ts">
import { VList, VListItem } from 'vuetify/components/VList'
import PopMenu from './PopMenu.vue'

/** Something that can be done with what a menu belongs to. */
export interface Act {
  readonly label: string
  /** The keys that do it without the menu. */
  readonly keys?: string | undefined
  readonly isOff?: boolean
  do(): void
}
defineProps<{
  acts: readonly Act[]
  label: string
  at: HTMLElement | undefined
  point?: [x: number, y: number] | undefined
  above?: boolean
}>()
const emit = defineEmits<{ close: [] }>()
function take(act: Act): void {
  emit('close')
  act.do()
}
</script>

<template>
  <PopMenu :at="at" :point="point" :above="above" brief @close="emit('close')">
    <VList role="menu" :aria-label="label" min-width="188">
      <VListItem
        v-for="act in acts"
        :key="act.label"
        role="menuitem"
        :title="act.label"
        :disabled="act.isOff"
        @click="take(act)"
      >
        <template v-if="act.keys" #append
          ><kbd>{{ act.keys }}</kbd></template
        >
      </VListItem>
    </VList>
  </PopMenu>
</template>
