<script setup lang="ts">
/** Whether something is ticked; what it is ticked for is said around it. */
defineProps<{ ticked: boolean }>()
</script>

<template>
  <span class="tick-box" :class="{ yes: ticked }" aria-hidden="true">{{ ticked ? '✓' : '' }}</span>
</template>

<style scoped>
.tick-box {
  width: 14px;
  height: 14px;
  border: 1.5px solid var(--edge);
  border-radius: 3px;
  display: grid;
  place-items: center;
  font-size: 11px;
  line-height: 1;
  color: var(--paper);
  flex: none;
}
.tick-box.yes {
  background: var(--lichen);
}
</style>
