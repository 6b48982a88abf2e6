<script setup lang="ts">
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import type { BoardAnswer } from '#core/layouts/board'
import type { Project, StatusId } from '#core/model/records'
import { StatusText } from '../../parts/marks'
import { followDrag } from '../../parts/row-drag'
import { columnWords } from '../words'
import type { ShownColumn } from './use-columns'

/** At the edge of a board: statuses that none of its columns holds, with how many items stand in them, and hidden columns. */
const props = defineProps<{
  project: Project
  outside: BoardAnswer['outside']
  hidden: readonly ShownColumn[]
  maySet: boolean
}>()
const emit = defineEmits<{
  show: [column: string]
  /** The status was dragged to a column. */
  hold: [status: StatusId, column: string]
}>()
const dragged = ref<{ status: string; x: number; y: number }>()
function drag(down: PointerEvent, status: StatusId): void {
  if (!props.maySet) return
  down.preventDefault()
  let over: string | undefined
  followDrag(down, {
    move(x, y) {
      dragged.value = { status, x, y }
      const columns = [...document.querySelectorAll<HTMLElement>('[data-board-column]')]
      over = columns.find((one) => {
        const { left, right } = one.getBoundingClientRect()
        return x >= left && x < right
      })?.dataset.boardColumn
    },
    end(isKept) {
      dragged.value = undefined
      if (isKept && over) emit('hold', status, over)
    },
  })
}
</script>

<template>
  <div class="outside" :class="{ mind: outside.length }">
    <template v-if="outside.length">
      <h2>{{ columnWords.outside }}</h2>
      <RouterLink
        v-for="one in outside"
        :key="one.status"
        class="link"
        draggable="false"
        :to="`/app/${project.prefix}/set-up/board`"
        :title="maySet ? columnWords.dragOutside : undefined"
        @pointerdown="drag($event, one.status as StatusId)"
        ><StatusText :status="one.status" /> {{ one.held }}</RouterLink
      >
    </template>
    <template v-if="hidden.length">
      <h2>{{ columnWords.hidden }}</h2>
      <button
        v-for="one in hidden"
        :key="one.column.id"
        type="button"
        class="link"
        @click="emit('show', one.column.id)"
      >
        {{ columnWords.show(one.column.name) }} <span class="soft">{{ one.held }}</span>
      </button>
    </template>
    <span
      v-if="dragged"
      class="under-pointer"
      :style="{ transform: `translate(${dragged.x + 6}px, ${dragged.y + 6}px)` }"
      ><StatusText :status="dragged.status"
    /></span>
  </div>
</template>

<style scoped>
.outside {
  padding: 6px 10px 7px;
  border-left: 1px solid var(--rule);
  display: grid;
  gap: 2px;
  align-content: start;
  justify-items: start;
  font-size: var(--size-small);
}
.mind {
  background: var(--ochre-tint);
}
h2 {
  font: var(--type-column);
}
a,
button {
  min-height: var(--target);
  text-align: left;
  overflow-wrap: anywhere;
}
</style>
