<script setup lang="ts">
import { VList, VListItem, VListSubheader } from 'vuetify/components/VList'
import PopMenu from './PopMenu.vue'

/** Something that can be done with what a menu belongs to. */
export interface Act {
  readonly label: string
  /** The keys that do it without the menu. */
  readonly keys?: string | undefined
  /** What it would do. */
  readonly hint?: string
  readonly isOff?: boolean
  do(): void
}
defineProps<{
  acts: readonly Act[]
  label: string
  /** The label is shown above the acts, too. */
  headed?: boolean
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
      <VListSubheader v-if="headed">{{ label }}</VListSubheader>
      <VListItem
        v-for="act in acts"
        :key="act.label"
        role="menuitem"
        :title="act.label"
        :disabled="act.isOff"
        :aria-disabled="act.isOff || undefined"
        @click="take(act)"
      >
        <template v-if="act.keys || act.hint" #append
          ><kbd v-if="act.keys">{{ act.keys }}</kbd
          ><small v-else class="soft">{{ act.hint }}</small></template
        >
      </VListItem>
    </VList>
  </PopMenu>
</template>
