<script setup lang="ts">
import { onMounted } from 'vue'
import { useSession } from './stores/session'

const session = useSession()
onMounted(() => session.restoreTheme())
</script>

<template>
  <NuxtPage />
</template>
