<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextarea } from 'vuetify/components/VTextarea'
import type { Value } from '#core/fields/value'
import FieldInput from '../parts/FieldInput.vue'
import PopDialog from '../parts/PopDialog.vue'
import { editorWords } from '../parts/words'
import { useChanges, type Lacking } from '../data/changes'
import { useDirectory } from '../data/directory'
import { filled } from '../data/filled'
import { noticeWords } from './words'

/** Asks for what something lacks for the status that it is to enter, and does it all in one step. */
const props = defineProps<{ lacking: Lacking }>()
const emit = defineEmits<{ close: [] }>()
const changes = useChanges()
const directory = useDirectory()
const places = computed(() => props.lacking.problem.at ?? [])
const fields = computed(() =>
  [...new Set(places.value.map(({ field }) => field ?? ''))].flatMap((id) => directory.reader.maybe('field', id) ?? []),
)
const asksNote = computed(() => places.value.some(({ field }) => field === 'note'))
const count = computed(() => new Set(places.value.map(({ item }) => item)).size)
const values = reactive<Record<string, Value>>({})
const note = ref('')
const form = ref<HTMLFormElement>()
// The dialog takes the focus first.
watch(form, (now) => now && requestAnimationFrame(() => now.querySelector<HTMLElement>('input, textarea')?.focus()))
const isOpen = computed({ get: () => true, set: (isOpen) => isOpen || emit('close') })
const title = computed(() => {
  const { name = '', asks = '' } = props.lacking.problem.said ?? {}
  return name ? noticeWords.fillTitle(String(name), String(asks)) : noticeWords.needsTitle(String(asks))
})
const isFilled = computed(
  () =>
    fields.value.every(({ id }) => values[id] !== undefined && values[id] !== null && values[id] !== false) &&
    (!asksNote.value || !!note.value.trim()),
)
function take(): void {
  if (!isFilled.value) return
  const given = fields.value.map((field) => ({ field, value: values[field.id] ?? null }))
  void changes.send(filled(props.lacking, { values: given, note: note.value.trim() }))
  emit('close')
}
</script>

<template>
  <PopDialog v-model="isOpen" :label="title">
    <form ref="form" class="asked" @submit.prevent="take" @keydown.ctrl.enter.prevent="take">
      <h2>{{ title }}</h2>
      <p v-if="count > 1" class="soft">{{ noticeWords.fillAll(count) }}</p>
      <FieldInput
        v-for="field in fields"
        :key="field.id"
        :model-value="values[field.id] ?? null"
        :field="field"
        @update:model-value="values[field.id] = $event"
      />
      <VTextarea v-if="asksNote" v-model="note" :label="noticeWords.note" rows="2" maxlength="500" />
      <div class="ends">
        <VBtn type="submit" variant="flat" :disabled="!isFilled">{{ noticeWords.fillIt }}</VBtn>
        <VBtn variant="plain" @click="emit('close')">{{ editorWords.cancel }}</VBtn>
      </div>
    </form>
  </PopDialog>
</template>
