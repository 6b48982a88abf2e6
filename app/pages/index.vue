<script setup lang="ts">
import { navigateTo } from 'nuxt/app'

await navigateTo('/app', { replace: true })
</script>

<template>
  <div />
</template>
