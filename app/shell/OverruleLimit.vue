<script setup lang="ts">
import { computed, ref } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextarea } from 'vuetify/components/VTextarea'
import PopDialog from '../parts/PopDialog.vue'
import { editorWords } from '../parts/words'
import { useChanges, type Full } from '../data/changes'
import { overruled } from '../data/overruled'
import { noticeWords } from './words'
import { vTakesFocus } from '../parts/takes-focus'

/** Asks a lead why something is let past the limit of a column, and does it. */
const props = defineProps<{ full: Full }>()
const emit = defineEmits<{ close: [] }>()
const changes = useChanges()
const reason = ref('')
const isOpen = computed({ get: () => true, set: (isOpen) => isOpen || emit('close') })
const title = computed(() => noticeWords.letTitle(String(props.full.problem.said?.name ?? '')))
function take(): void {
  if (!reason.value.trim()) return
  void changes.send(overruled(props.full, reason.value.trim()))
  emit('close')
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="title">
    <form class="asked" @submit.prevent="take" @keydown.ctrl.enter.prevent="take">
      <h2>{{ title }}</h2>
      <VTextarea v-model="reason" :label="noticeWords.reason" rows="2" maxlength="500" v-takes-focus />
      <p class="soft">{{ noticeWords.letAbout }}</p>
      <div class="ends">
        <VBtn type="submit" variant="flat" :disabled="!reason.trim()">{{ noticeWords.letIt }}</VBtn>
        <VBtn variant="plain" @click="emit('close')">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>
