<script setup lang="ts">
import { onMounted } from 'vue'
import { useSession } from './data/session'

const session = useSession()
onMounted(() => session.restoreTheme())
</script>

<template>
  <NuxtPage />
</template>
