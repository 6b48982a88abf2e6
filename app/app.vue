<script setup lang="ts">
import { onMounted } from 'vue'
import { usePreferences } from './data/preferences'

const preferences = usePreferences()
onMounted(() => preferences.follow())
</script>

<template>
  <NuxtPage />
</template>
