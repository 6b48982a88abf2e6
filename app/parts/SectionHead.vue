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
  font: 600 13.5px var(--serif);
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
  font: 400 12.5px var(--sans);
  color: var(--soft);
}
</style>
