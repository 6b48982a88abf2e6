<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import { vTakesFocus } from './takes-focus'
import { editorWords } from './words'

/** Asks for a number to be typed before something goes for good: who does it has to know how much that is. */
const props = defineProps<{
  title: string
  /** What goes; while it is counted, that. */
  about: string
  /** That nothing brings it back. */
  warning: string
  label: string
  go: string
  /** Undefined: it is still being counted. */
  held: number | undefined
}>()
const emit = defineEmits<{ go: [number: number]; leave: [] }>()
const typed = ref('')
const isRight = computed(() => props.held !== undefined && typed.value.trim() === String(props.held))
</script>

<template>
  <form class="asked" @submit.prevent="isRight && emit('go', Number(typed))">
    <h2>{{ title }}</h2>
    <p>{{ about }}</p>
    <p class="note wrong">{{ warning }}</p>
    <VTextField v-model="typed" :label="label" inputmode="numeric" autocomplete="off" v-takes-focus />
    <div class="ends">
      <VBtn type="submit" variant="flat" color="error" :disabled="!isRight">{{ go }}</VBtn>
      <VBtn variant="plain" @click="emit('leave')">{{ editorWords.cancel }}</VBtn>
    </div>
  </form>
</template>
