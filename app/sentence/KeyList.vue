<script setup lang="ts" generic="T">
import { words } from '../words'

/** The keys of a phrase, one after another, each on a line; they can be taken out and added to. */
defineProps<{ keys: readonly T[]; most: number; addLabel: string }>()
const emit = defineEmits<{ remove: [at: number]; add: [] }>()
</script>

<template>
  <div class="keys">
    <ol>
      <li v-for="(key, i) in keys" :key="i">
        <slot :one="key" :at="i" />
        <button
          type="button"
          class="out"
          :aria-label="words.phrase.takeOut"
          :title="words.phrase.takeOut"
          @click="emit('remove', i)"
        >
          ×
        </button>
      </li>
    </ol>
    <button v-if="keys.length < most" type="button" class="link" @click="emit('add')">{{ addLabel }}</button>
  </div>
</template>

<style scoped>
.keys {
  padding: 10px 14px 12px;
}
ol {
  list-style: none;
  margin: 0 0 6px;
  padding: 0;
  display: grid;
  gap: 8px;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.out {
  margin-left: auto;
  padding: 0 6px;
}
</style>
