<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { fieldTypes } from '#core/fields/registry'
import type { Value } from '#core/fields/value'
import { fieldContext } from '#core/model/reader'
import type { Field, Item } from '#core/model/records'
import PopMenu from './PopMenu.vue'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { words } from '../words'
import ChoiceList from './ChoiceList.vue'
import { optionChoices, peopleChoices } from './choices'
import { clearSeveral, setValue, toggle } from './edits'
import { fieldParts } from './field-parts'

/** The editor of one value, by its field's type. `leave`: it is done, with the key that ended it. */
const props = defineProps<{ field: Field; item: Item; anchor: HTMLElement; typed?: string | undefined }>()
const emit = defineEmits<{ leave: [by: 'Enter' | 'Tab' | 'Escape' | 'blur'] }>()
const changes = useChanges()
const directory = useDirectory()

const value: Value = props.item.values[props.field.id] ?? null
const type = computed(() => fieldTypes[props.field.type])
const parts = computed(() => fieldParts[props.field.type])
const several = computed(() => type.value.several)
const choices = computed(() =>
  type.value.choices === 'people' ? peopleChoices(directory) : optionChoices(directory, props.field),
)
const chosen = computed(() => {
  const held = props.item.values[props.field.id]
  return Array.isArray(held) ? (held as string[]) : held ? [String(held)] : []
})
const text = ref(props.typed ?? parts.value.input?.text(value, props.field) ?? '')
const wrong = ref('')
const input = ref<HTMLInputElement>()
let isLeft = false
onMounted(
  () =>
    void nextTick(() => {
      // What it floats in may not have found its place yet.
      input.value?.focus({ preventScroll: true })
      if (props.typed === undefined) input.value?.select()
    }),
)

async function save(by: 'Enter' | 'Tab' | 'blur'): Promise<void> {
  if (isLeft) return
  const parsed = type.value.parse(text.value, fieldContext(directory.reader, props.field))
  if (!parsed.ok) {
    wrong.value = await changes.wordsFor(parsed.problem)
    // What was typed stays, with the reason; leaving for elsewhere gives it up.
    if (by === 'blur') leave('blur')
    return
  }
  leave(by)
  if (parsed.value !== value) await setValue(changes, props.item, props.field.id, value, parsed.value)
}
function leave(by: 'Enter' | 'Tab' | 'Escape' | 'blur'): void {
  if (isLeft) return
  isLeft = true
  emit('leave', by)
}
function choose(id: string): void {
  if (several.value) void toggle(changes, props.item, props.field.id, id)
  else {
    leave('Enter')
    if (id !== value) void setValue(changes, props.item, props.field.id, value, id)
  }
}
function clear(): void {
  leave('Enter')
  void (several.value
    ? clearSeveral(changes, props.item, props.field.id)
    : setValue(changes, props.item, props.field.id, value, null))
}
function onKey(event: KeyboardEvent): void {
  if (event.key === 'Enter' || event.key === 'Tab') void save(event.key)
  else if (event.key === 'Escape') leave('Escape')
  else return
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <PopMenu v-if="parts.editor === 'list'" :at="anchor" @close="leave('Escape')">
    <div class="pop">
      <ChoiceList
        :choices="choices"
        :chosen="chosen"
        :label="words.editor.choose(field.name)"
        :several="several"
        clearable
        @choose="choose"
        @clear="clear"
        @leave="leave('Escape')"
      />
    </div>
  </PopMenu>
  <span v-else class="box">
    <input
      ref="input"
      v-model="text"
      :type="parts.input?.type"
      :inputmode="parts.input?.isNumber ? 'decimal' : undefined"
      :aria-label="words.editor.edit(field.name)"
      :aria-invalid="!!wrong || undefined"
      :class="{ number: parts.input?.isNumber }"
      @keydown="onKey"
      @blur="save('blur')"
    />
    <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </span>
</template>

<style scoped>
.box {
  position: relative;
  display: block;
}
input {
  width: 100%;
  background: var(--raised);
  border: 0;
  box-shadow: inset 0 0 0 2px var(--leaf);
  border-radius: 2px;
  padding: 4px 8px;
  outline: none;
}
.number {
  text-align: right;
}
.wrong {
  position: absolute;
  top: 100%;
  left: 0;
  z-index: 5;
  background: var(--rust-tint);
  color: var(--rust);
  padding: 4px 8px;
  border-radius: 3px;
  white-space: normal;
  min-width: 200px;
  box-shadow: var(--shadow);
}
</style>
