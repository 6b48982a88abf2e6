<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { fieldTypes, figuresOf } from '#core/fields/registry'
import type { Value } from '#core/fields/value'
import { fieldContext } from '#core/model/reader'
import type { Field, Item } from '#core/model/records'
import { VTextField } from 'vuetify/components/VTextField'
import DayField from './DayField.vue'
import LinkPicker from './LinkPicker.vue'
import PopMenu from './PopMenu.vue'
import SetUpLink from './SetUpLink.vue'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { editorWords } from './words'
import ChoiceList from './ChoiceList.vue'
import { speechOf } from '../data/speech'
import { fieldChoices } from './choices'
import { chooseOnly, clearSeveral, setValue, toggle } from './edits'
import { partsOf } from './field-parts'
import { newChoice } from './new-choice'
import { understoodWords } from './understood'

/** The editor of one value, by its field's type. `leave`: it is done, with the key that ended it. */
const props = defineProps<{ field: Field; item: Item; anchor: HTMLElement; typed?: string | undefined }>()
const emit = defineEmits<{ leave: [by: 'Enter' | 'Tab' | 'Escape' | 'blur'] }>()
const changes = useChanges()
const directory = useDirectory()

const value: Value = props.item.values[props.field.id] ?? null
const type = computed(() => fieldTypes[props.field.type])
const parts = computed(() => partsOf(props.field))
const isMany = computed(() => type.value.several && !props.field.settings.single)
const choices = computed(() => (type.value.choices ? fieldChoices(directory, props.field) : []))
const chosen = computed(() => {
  const held = props.item.values[props.field.id]
  return Array.isArray(held) ? (held as string[]) : held ? [String(held)] : []
})
const context = () => fieldContext(directory.reader, props.field, speechOf(directory))
const figures = computed(() => figuresOf(props.field, speechOf(directory).decimal))
const text = ref(
  props.typed ?? (typeof value === 'number' ? figures.value.bare(value) : type.value.print(value, context())),
)
const understood = computed(() => {
  const read = type.value.parse(text.value, context())
  return read.ok ? understoodWords(directory, props.field, text.value, read.value) : ''
})
const wrong = ref('')
const input = ref<InstanceType<typeof VTextField>>()
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
  const parsed = type.value.parse(text.value, context())
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
  if (isMany.value) return void toggle(changes, props.item, props.field.id, id)
  leave('Enter')
  const isHeld = chosen.value.includes(id)
  if (type.value.several) void (isHeld ? toggle : chooseOnly)(changes, props.item, props.field.id, id)
  else if (id !== value) void setValue(changes, props.item, props.field.id, value, id)
}
const fresh = computed(() => newChoice(directory, props.field))
/** What was typed is added, then chosen. */
async function add(name: string): Promise<void> {
  const made = fresh.value?.make(name)
  if (made && (await changes.send(made.command))) choose(made.id)
}
function clear(): void {
  leave('Enter')
  void (type.value.several
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
    <ChoiceList
      :choices="choices"
      :chosen="chosen"
      :label="editorWords.choose(field.name)"
      :several="isMany"
      :typed="typed"
      clearable
      :adds="fresh?.words"
      @add="add"
      @choose="choose"
      @clear="clear"
      @leave="leave('Escape')"
    />
    <SetUpLink v-if="type.choices === 'people'" :project="item.project" part="people" />
  </PopMenu>
  <PopMenu v-else-if="parts.editor === 'items'" :at="anchor" @close="leave('Escape')">
    <LinkPicker :field="field" :item="item" :typed="typed" @choose="choose" @leave="leave('Escape')" />
  </PopMenu>
  <PopMenu v-else-if="parts.editor === 'day'" :at="anchor" @close="save('blur')">
    <DayField
      v-model="text"
      :label="editorWords.edit(field.name)"
      :wrong="wrong"
      :understood="understood"
      @pick="save('Enter')"
      @keydown="onKey"
    />
  </PopMenu>
  <VTextField
    v-else
    ref="input"
    v-model="text"
    class="in-place"
    :class="{ number: parts.isNumber }"
    variant="plain"
    :inputmode="parts.isNumber ? 'decimal' : undefined"
    :aria-label="editorWords.edit(field.name)"
    :error-messages="wrong"
    :messages="understood"
    @keydown="onKey"
    @blur="save('blur')"
  />
</template>
