<script setup lang="ts">
import { ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VProgressLinear } from 'vuetify/components/VProgressLinear'
import { bringInWords } from './words'

/** Where a file is chosen or dropped, and how far it has been read. */
defineProps<{ reading: { done: number; all: number } | undefined; said: string }>()
const emit = defineEmits<{ take: [file: File]; stop: [] }>()
const isOver = ref(false)
const input = ref<HTMLInputElement>()
function take(file: File | undefined): void {
  isOver.value = false
  if (file) emit('take', file)
}
</script>

<template>
  <div
    class="choose"
    :class="{ over: isOver }"
    @dragover.prevent="isOver = true"
    @dragleave="isOver = false"
    @drop.prevent="take($event.dataTransfer?.files[0])"
  >
    <template v-if="reading"
      ><p role="status">{{ bringInWords.reading(reading.done, reading.all) }}</p>
      <VProgressLinear
        :model-value="reading.done"
        :max="reading.all"
        :aria-label="bringInWords.reading(reading.done, reading.all)"
      />
      <VBtn variant="plain" @click="emit('stop')">{{ bringInWords.stop }}</VBtn></template
    >
    <template v-else>
      <h2>{{ bringInWords.choose }}</h2>
      <p class="soft">{{ bringInWords.chooseHint }}</p>
      <VBtn variant="flat" size="large" @click="input?.click()">{{ bringInWords.button }}</VBtn>
      <input
        ref="input"
        class="unseen"
        type="file"
        tabindex="-1"
        aria-hidden="true"
        accept=".csv,.tsv,.txt,text/csv"
        @change="take(($event.target as HTMLInputElement).files?.[0])"
      />
      <p v-if="said" class="note wrong" role="alert">{{ said }}</p>
    </template>
  </div>
</template>

<style scoped>
.choose {
  height: 100%;
  padding: 64px 24px;
  display: grid;
  gap: 12px;
  justify-items: start;
  align-content: start;
}
h2 {
  font: var(--type-title);
}
.choose.over {
  background: var(--leaf-tint);
}
</style>
