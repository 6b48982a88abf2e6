<script setup lang="ts">
import { VList, VListItem, VListSubheader } from 'vuetify/components/VList'
import type { Drop } from '#core/board/columns'
import type { Row } from '#core/layouts/rows'
import PopMenu from '../../parts/PopMenu.vue'
import { words } from '../../words'
import type { ShownColumn } from './use-columns'

/** Moves a card to another column without dragging it. */
defineProps<{
  row: Row
  at: HTMLElement
  columns: readonly ShownColumn[]
  /** The column that the card is in. */
  current: string | undefined
  dropOn(row: Row, column: ShownColumn): Drop
}>()
const emit = defineEmits<{ move: [column: ShownColumn]; close: [] }>()
</script>

<template>
  <PopMenu :at="at" brief @close="emit('close')">
    <VList role="menu" :aria-label="words.card.moveTo" min-width="210">
      <VListSubheader>{{ words.card.moveTo }}</VListSubheader>
      <VListItem
        v-for="one in columns"
        :key="one.column.id"
        role="menuitem"
        :title="one.column.name"
        :disabled="one.column.id === current"
        @click="emit('move', one)"
      >
        <template v-if="one.limit !== null" #append
          ><small class="soft">{{ dropOn(row, one).words }}</small></template
        >
      </VListItem>
    </VList>
  </PopMenu>
</template>
