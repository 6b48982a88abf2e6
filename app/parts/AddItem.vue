<script setup lang="ts">
import { computed, onMounted, ref, shallowReactive } from 'vue'
import { VBtn } from 'vuetify/components/VBtn'
import { VTextField } from 'vuetify/components/VTextField'
import type { Begin } from '#core/entry/new-items'
import type { Value } from '#core/fields/value'
import { isLacking } from '#core/items/entering'
import type { Field, Item } from '#core/model/records'
import { FieldInput } from './field-input-later'
import { PastedPreview } from './pasted-later'
import { usePasted } from './use-pasted'
import { editorWords } from './words'

/**
 * A line in which the title of a new item is typed, and what it must have besides. `add` says whether it was taken: if not,
 * it stays to be mended. `isBrief`: it has been opened to be left again, and takes what is in it when it is.
 */
const props = defineProps<{
  label: string
  placeholder: string
  isBrief?: boolean
  /** What has to be filled in; it stays for the next one, as it was said. */
  asks?: readonly Field[]
  add(title: string, said: Item['values']): Promise<unknown>
  /** Where lines that are pasted begin. */
  begin(): Begin | undefined
}>()
const emit = defineEmits<{ leave: [] }>()
const form = ref<HTMLFormElement>()
const input = ref<InstanceType<typeof VTextField>>()
const title = ref('')
/** What was not taken as it stands: it may be asked about elsewhere, and is not sent again by leaving. */
let refused = ''
const said = shallowReactive<Record<string, Value>>({})
const asked = computed(() => (title.value.trim() ? (props.asks ?? []) : []))
onMounted(() => props.isBrief && input.value?.focus())
/** Goes to what is lacking, which may not have been fetched yet. */
function ask(at: number, frames = 120): void {
  const found = form.value?.querySelectorAll('.asked-for > *')[at]?.querySelector('input')
  if (found) found.focus()
  else if (frames) requestAnimationFrame(() => ask(at, frames - 1))
}
async function take(): Promise<void> {
  const text = title.value.trim()
  if (!text) return
  const lacking = asked.value.findIndex(({ id }) => isLacking(said[id]))
  if (lacking >= 0) return ask(lacking)
  const values = Object.fromEntries(asked.value.map(({ id }) => [id, said[id] ?? null]))
  title.value = ''
  const isTaken = await props.add(text, values)
  refused = isTaken ? '' : text
  if (!isTaken) title.value = text
  else input.value?.focus()
}
/** What is chosen from, and what was pasted and is looked at first, hangs elsewhere; what is left half filled in is asked for. */
async function leave(event: FocusEvent): Promise<void> {
  if (!props.isBrief || pasted.lines.value || form.value?.contains(event.relatedTarget as Node | null)) return
  if (asked.value.some(({ id }) => isLacking(said[id])) || (refused && title.value.trim() === refused)) return
  await take()
  if (!title.value) emit('leave')
}
function escape(event: KeyboardEvent): void {
  if (props.isBrief) title.value = ''
  event.stopPropagation()
  emit('leave')
}
const pasted = usePasted(() => props.begin())
/** More than a line becomes items of its own; what was typed already stays for what comes next. */
function paste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (!/[\n\r]/.test(text.trim())) return
  event.preventDefault()
  void pasted.take(text, !!props.asks?.length)
}
async function takePasted(values: Item['values']): Promise<void> {
  const lines = pasted.lines.value
  pasted.lines.value = undefined
  if (lines) await pasted.add(lines, values)
  input.value?.focus()
}
defineExpose({ focus: () => input.value?.focus() })
</script>

<template>
  <form ref="form" class="new-item" @submit.prevent="take" @focusout="leave">
    <slot />
    <VTextField
      ref="input"
      v-model="title"
      class="title"
      variant="plain"
      :aria-label="label"
      :placeholder="placeholder"
      maxlength="600"
      autocomplete="off"
      @keydown.esc="escape"
      @paste="paste"
    />
    <PastedPreview
      v-if="pasted.lines.value"
      :lines="pasted.lines.value"
      :asks="asks ?? []"
      @take="takePasted"
      @close="pasted.lines.value = undefined"
    />
    <div v-if="asked.length" class="asked-for">
      <FieldInput
        v-for="field in asked"
        :key="field.id"
        :model-value="said[field.id] ?? null"
        :field="field"
        @update:model-value="said[field.id] = $event"
        @keydown.esc="escape"
      />
      <VBtn type="submit" variant="outlined">{{ editorWords.add }}</VBtn>
    </div>
  </form>
</template>

<style scoped>
form {
  align-items: center;
  flex-wrap: wrap;
}
.title {
  flex: 1 1 220px;
}
.asked-for {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  flex: 0 1 auto;
  padding: 4px 0;
  align-items: center;
}
.asked-for > .v-input {
  min-width: 150px;
}
</style>
