<script setup lang="ts">
import { computed, onMounted } from 'vue'
import type { NuxtError } from 'nuxt/app'
import WrenMark from './parts/WrenMark.vue'
import { restoreTheme } from './data/kept-theme'
import { errorWords } from './shell/error-words'

/** What is shown instead of a page that is not there or broke. */
const props = defineProps<{ error: NuxtError }>()
onMounted(restoreTheme)
const w = computed(() => (props.error.statusCode === 404 ? errorWords.missing : errorWords.broken))
</script>

<template>
  <main class="broken">
    <WrenMark large />
    <h1>{{ w.title }}</h1>
    <p>{{ w.hint }}</p>
    <p>
      <a href="/app">{{ errorWords.home }}</a>
    </p>
  </main>
</template>

<style scoped>
.broken {
  min-height: 100dvh;
  display: grid;
  align-content: center;
  justify-items: start;
  gap: 12px;
  max-width: 520px;
  margin: 0 auto;
  padding: 24px;
}
h1 {
  font: var(--type-large);
}
</style>
