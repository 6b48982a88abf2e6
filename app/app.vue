<script setup lang="ts">
import { onMounted } from 'vue'
import { restoreTheme } from './data/kept-theme'

onMounted(restoreTheme)
</script>

<template>
  <NuxtPage />
</template>
