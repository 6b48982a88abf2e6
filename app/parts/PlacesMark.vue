<script setup lang="ts">
import { computed } from 'vue'
import { roomOf, roomWords } from '#core/board/columns'

/** A column's places: a tick for each, filled for each item held; past 12 places a bar with the same words. */
const props = defineProps<{
  held: number
  limit: number
  least?: number | null | undefined
  /** How an amount is said, where it is no number of items. */
  say?: ((amount: number) => string) | undefined
}>()
const room = computed(() => roomOf(props.held, props.limit, props.least))
const label = computed(() => roomWords(room.value, props.say))
const said = (amount: number) => (props.say ?? String)(amount)
const isMany = computed(() => Math.max(props.held, props.limit) > 12)
const share = computed(() => (props.held ? Math.min(1, props.limit / props.held) : 1))
</script>

<template>
  <span class="room">
    <span class="places" role="img" :aria-label="`${said(held)} of ${said(limit)}, ${label}`">
      <span v-if="isMany" class="bar">
        <i class="held" :style="{ width: `${Math.min(1, held / Math.max(1, limit)) * share * 100}%` }" />
        <i v-if="room.is === 'over'" class="over" :style="{ width: `${(1 - share) * 100}%` }" />
      </span>
      <template v-for="i in isMany ? 0 : Math.max(held, limit)" :key="i">
        <i v-if="i === limit + 1" class="end" />
        <i :class="i > limit ? 'over' : i <= held ? 'held' : 'free'" />
      </template>
    </span>
    <span class="word" :class="room.is">{{ label }}</span>
  </span>
</template>

<style scoped>
.room,
.places {
  display: inline-flex;
  align-items: center;
  gap: 2px;
}
.room {
  gap: 6px;
  white-space: nowrap;
}
.places i {
  width: 4px;
  height: 11px;
  border-radius: var(--round-cell);
  border: 1px solid var(--lichen);
}
.places i.held {
  background: var(--leaf);
  border-color: var(--leaf);
}
.places i.over {
  background: var(--rust);
  border-color: var(--rust);
  height: 15px;
}
.places i.end {
  width: 1px;
  height: 15px;
  border: 0;
  background: var(--ink);
  margin: 0 2px;
}
.bar {
  display: inline-flex;
  width: 72px;
  height: 9px;
  border: 1px solid var(--lichen);
  border-radius: var(--round-cell);
}
.bar i {
  height: 7px;
  border: 0;
  border-radius: 1px;
}
.bar i.over {
  height: 7px;
}
.word {
  color: var(--soft);
}
.word.full {
  color: var(--ink);
  font-weight: 600;
}
.word.over {
  background: var(--rust);
  color: var(--paper);
  font-weight: 600;
  padding: 1px 7px;
  border-radius: var(--round);
}
</style>
