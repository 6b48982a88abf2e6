<script setup lang="ts">
import { ref, watch } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import type { Field, Item } from '#core/model/records'
import { revisionOf } from '#core/fields/long-text'
import { useChanges } from '../data/changes'
import { useSession } from '../data/session'
import { useAskResult } from '../data/use-ask'
import { VTextarea } from '../parts/controls'
import SectionHead from '../parts/SectionHead.vue'
import { itemWords } from './words'
import { editorWords } from '../parts/words'
import { vTakesFocus } from '../parts/takes-focus'

/** A long text, fetched when it is looked at. Where someone wrote meanwhile, both are shown and one chooses. */
const props = defineProps<{ item: Item; field: Field; mayEdit: boolean }>()
const changes = useChanges()
const session = useSession()
const ask = useAskResult()
const stored = ref({ revision: 0, text: '' })
const text = ref('')
const isOpen = ref(false)
const theirs = ref<string>()
const wrong = ref('')

const noText = { ok: true, value: { revision: 0, text: '' } } as const
async function fetchText(): Promise<void> {
  const revision = revisionOf(props.item.values[props.field.id])
  if (revision === stored.value.revision && !wrong.value) return
  const answer = revision ? await ask('longText', { item: props.item.id, field: props.field.id }) : noText
  if (!answer) return
  if (!answer.ok) return void (wrong.value = await changes.wordsFor(answer.problem))
  wrong.value = ''
  const now = answer.value
  // While one is writing, what others wrote does not take its place: both are shown.
  if (isOpen.value && now.text !== text.value) theirs.value = now.text
  stored.value = now
  if (!isOpen.value) text.value = now.text
}
watch(() => [revisionOf(props.item.values[props.field.id]), session.standing.link], fetchText, { immediate: true })

function open(): void {
  if (!props.mayEdit) return
  text.value = stored.value.text
  isOpen.value = true
}
async function save(): Promise<void> {
  const { revision } = stored.value
  theirs.value = undefined
  if (
    text.value.trim() !== stored.value.text &&
    !(await changes.send({
      type: 'items.text',
      item: props.item.id,
      field: props.field.id,
      revision,
      text: text.value,
    }))
  )
    return
  stored.value = { revision: text.value.trim() ? revision + 1 : 0, text: text.value.trim() }
  isOpen.value = false
}
function leave(): void {
  isOpen.value = false
  theirs.value = undefined
  text.value = stored.value.text
}
</script>

<template>
  <section>
    <SectionHead :title="field.name" />
    <p v-if="wrong" class="note wrong">{{ wrong }}</p>
    <template v-if="isOpen">
      <div v-if="theirs !== undefined" class="theirs note mind">
        <b>{{ itemWords.textClash }}</b>
        <p>{{ theirs }}</p>
      </div>
      <VTextarea
        v-model="text"
        class="in-place"
        variant="plain"
        rows="6"
        maxlength="100000"
        :aria-label="editorWords.edit(field.name)"
        v-takes-focus
        @keydown.ctrl.enter="save"
        @keydown.esc.stop="leave"
      />
      <div class="ends">
        <VBtn variant="flat" @click="save">{{ itemWords.saveText }}</VBtn>
        <VBtn variant="plain" @click="leave">{{
          theirs === undefined ? editorWords.cancel : itemWords.reloadText
        }}</VBtn>
      </div>
    </template>
    <button
      v-else
      type="button"
      class="text"
      :class="{ soft: !stored.text }"
      :disabled="!mayEdit"
      :aria-label="editorWords.edit(field.name)"
      @click="open"
    >
      {{ stored.text || itemWords.textHint }}
    </button>
  </section>
</template>

<style scoped>
.text {
  white-space: pre-wrap;
  line-height: 1.5;
  width: 100%;
  min-height: var(--target);
  cursor: text;
  overflow-wrap: anywhere;
}
.ends {
  display: flex;
  gap: 16px;
}
.theirs {
  margin-bottom: 6px;
}
.theirs p {
  white-space: pre-wrap;
}
</style>
