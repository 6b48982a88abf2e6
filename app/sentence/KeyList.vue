<script setup lang="ts" generic="T extends object">
import { mdiClose } from '@mdi/js'
import { VBtn } from 'vuetify/components/VBtn'
import IconButton from '../parts/IconButton.vue'
import { phraseWords } from './phrase-words'

/** The keys of a phrase, one after another, each on a line; they can be changed, taken out and added to. */
const props = defineProps<{ keys: readonly T[]; most: number; addLabel: string; next(): T }>()
const emit = defineEmits<{ change: [keys: T[]] }>()
const set = (at: number, part: Partial<T>): void =>
  emit('change', props.keys.map((key, i) => (i === at ? { ...key, ...part } : key))) // prettier-ignore
const remove = (at: number): void => emit('change', props.keys.filter((_, i) => i !== at)) // prettier-ignore
</script>

<template>
  <div class="keys">
    <ol>
      <li v-for="(key, i) in keys" :key="i">
        <slot :one="key" :set="(part: Partial<T>) => set(i, part)" />
        <IconButton class="out" :icon="mdiClose" :label="phraseWords.takeOut" @click="remove(i)" />
      </li>
    </ol>
    <VBtn v-if="keys.length < most" variant="plain" @click="emit('change', [...keys, next()])">{{ addLabel }}</VBtn>
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
}
</style>
