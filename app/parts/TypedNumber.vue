<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import PopDialog from './PopDialog.vue'
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
const emit = defineEmits<{ go: [number: number] }>()
const isOpen = defineModel<boolean>({ required: true })
const typed = ref('')
watch(isOpen, () => (typed.value = ''))
const isRight = computed(() => props.held !== undefined && typed.value.trim() === String(props.held))
</script>

<template>
  <PopDialog v-model="isOpen" :label="title">
    <form class="asked" @submit.prevent="isRight && emit('go', Number(typed))">
      <h2>{{ title }}</h2>
      <p>{{ about }}</p>
      <p class="note wrong">{{ warning }}</p>
      <VTextField v-model="typed" :label="label" inputmode="numeric" autocomplete="off" v-takes-focus />
      <div class="ends">
        <VBtn type="submit" variant="flat" color="error" :disabled="!isRight">{{ go }}</VBtn>
        <VBtn variant="plain" @click="isOpen = false">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>
