<script setup lang="ts">
defineProps<{ large?: boolean }>()
</script>

<template>
  <svg :width="large ? 40 : 26" :height="large ? 34 : 22" viewBox="0 0 26 22" aria-hidden="true">
    <path
      d="M2.2 2.4C3.6 6 4.6 7.6 6.6 9.2 8 5.6 12.6 3 17.6 4.6c1.2-1.6 4-1.6 5 .5l2.4 1.3-2.5.8c.2 6.2-4.2 10.6-9.8 10.6C6.6 17.8 3 11 2.2 2.4Z"
      fill="var(--wren)"
    />
    <path d="M7 9.8c3.4 1.2 6.8 3.6 9 7" stroke="var(--sunk)" stroke-width="1.1" fill="none" />
    <path d="M10.4 11.4 13.6 9M13.2 13.4l3.4-1.8" stroke="var(--sunk)" fill="none" />
    <circle cx="20.2" cy="5.8" r=".9" fill="var(--paper)" />
    <path d="M12 17.6 11.4 21M14.6 17.6 15 21" stroke="var(--wren)" stroke-width="1.2" />
  </svg>
</template>
