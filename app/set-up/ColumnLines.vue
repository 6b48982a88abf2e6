<script setup lang="ts">
import { ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import type { BoardColumn } from '#core/model/records'
import PopMenu from '../parts/PopMenu.vue'
import { boardWords } from './words'
import { projectWords } from '../shell/project-words'
import { vTakesFocus } from '../parts/takes-focus'

/** Two lines under a column's head: what belongs in it, and when it may leave. */
const props = defineProps<{ column: BoardColumn; at: HTMLElement }>()
const emit = defineEmits<{ take: [lines: { belongs: string; leaves: string }]; leave: [] }>()
const belongs = ref(props.column.belongs ?? '')
const leaves = ref(props.column.leaves ?? '')
</script>

<template>
  <PopMenu :at="at" @close="emit('leave')">
    <form class="lines" @submit.prevent="emit('take', { belongs, leaves })" @keydown.esc.prevent="emit('leave')">
      <VTextField v-model="belongs" :label="boardWords.belongs" maxlength="200" v-takes-focus />
      <VTextField v-model="leaves" :label="boardWords.leaves" maxlength="200" />
      <VBtn type="submit" variant="flat">{{ projectWords.save }}</VBtn>
    </form>
  </PopMenu>
</template>

<style scoped>
.lines {
  width: 330px;
  padding: 14px;
  display: grid;
  gap: 10px;
  justify-items: start;
}
.lines > :not(button) {
  width: 100%;
}
</style>
