<script setup lang="ts">
/** The head of a section of an item; what is in the slot stands at its end. */
defineProps<{ title: string }>()
</script>

<template>
  <h3>
    <b>{{ title }}</b> <span><slot /></span>
  </h3>
</template>

<style scoped>
h3 {
  font: var(--type-section);
  border-bottom: 1px solid var(--rule);
  padding-bottom: 3px;
  margin-bottom: 4px;
  display: flex;
}
b {
  font-weight: inherit;
}
b::first-letter {
  text-transform: uppercase;
}
span {
  margin-left: auto;
  font: var(--type-aside);
  color: var(--soft);
}
</style>
