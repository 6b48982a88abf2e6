<script setup lang="ts">
import type { Drop } from '#core/board/columns'
import type { Row } from '#core/layouts/rows'
import PopMenu from '../../parts/PopMenu.vue'
import { words } from '../../words'
import type { ShownColumn } from './use-columns'

/** Moves a card to another column without dragging it. */
defineProps<{
  row: Row | undefined
  at: HTMLElement | undefined
  columns: readonly ShownColumn[]
  /** The column that the card is in. */
  current: string | undefined
  dropOn(row: Row, column: ShownColumn): Drop
}>()
const emit = defineEmits<{ move: [column: ShownColumn]; close: [] }>()
</script>

<template>
  <PopMenu :at="at" brief @close="emit('close')">
    <div v-if="row" class="pop menu" role="menu" :aria-label="words.card.moveTo">
      <p class="soft">{{ words.card.moveTo }}</p>
      <button
        v-for="one in columns"
        :key="one.column.id"
        type="button"
        role="menuitem"
        :disabled="one.column.id === current"
        @click="emit('move', one)"
      >
        <span>{{ one.column.name }}</span><small class="soft">{{
          one.limit === null ? '' : dropOn(row, one).words
        }}</small>
      </button>
    </div>
  </PopMenu>
</template>

<style scoped>
.menu {
  display: grid;
  padding: 6px;
  min-width: 210px;
}
.menu p {
  padding: 4px 10px;
}
.menu button {
  padding: 6px 10px;
  border-radius: 3px;
  display: flex;
  gap: 16px;
  justify-content: space-between;
}
.menu button:not(:disabled):hover,
.menu button:focus-visible {
  background: var(--leaf-tint);
}
.menu button:disabled {
  color: var(--soft);
  cursor: default;
}
</style>
