<script setup lang="ts">
import { useSession } from './stores/session'
import { onMounted, watch } from 'vue'
import { useTheme } from 'vuetify'

const session = useSession()
const theme = useTheme()
onMounted(() => session.restoreTheme())
watch(
  () => session.night,
  (night) => theme.change(night ? 'night' : 'day'),
)
</script>

<template>
  <v-app><NuxtPage /></v-app>
</template>
