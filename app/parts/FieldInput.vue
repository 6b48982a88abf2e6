<script setup lang="ts">
import { computed, ref } from 'vue'
import { VAutocomplete } from 'vuetify/components/VAutocomplete'
import { VCheckbox } from 'vuetify/components/VCheckbox'
import { VTextField } from 'vuetify/components/VTextField'
import { fieldTypes, figuresOf } from '#core/fields/registry'
import { idsOf, type Value } from '#core/fields/value'
import { fieldContext } from '#core/model/reader'
import type { Field } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { speechOf } from '../data/speech'
import { fieldChoices } from './choices'
import { partsOf } from './field-parts'
import { understoodWords } from './understood'

/** A value of a field that no item has yet: null while nothing is filled in, or nothing that it can be. */
const props = defineProps<{ field: Field }>()
const value = defineModel<Value>({ required: true })
const changes = useChanges()
const directory = useDirectory()
const type = computed(() => fieldTypes[props.field.type])
const isMany = computed(() => type.value.several && !props.field.settings.single)
const choices = computed(() =>
  fieldChoices(directory, props.field).map(({ id, label }) => ({ value: id, title: label })),
)
const chosen = computed({
  get: () =>
    isMany.value ? [...idsOf(value.value)] : type.value.several ? (idsOf(value.value)[0] ?? null) : value.value,
  set(to) {
    const isNone = Array.isArray(to) ? !to.length : to === null || to === undefined
    value.value = isNone ? null : type.value.several && !Array.isArray(to) ? [String(to)] : (to as Value)
  },
})
const text = ref('')
const wrong = ref('')
/** What was understood of what was typed. */
const understood = computed(
  () => understoodWords(directory, props.field, text.value, value.value) || figuresOf(props.field).unit,
)
async function read(typed: string): Promise<void> {
  const parsed = type.value.parse(typed, fieldContext(directory.reader, props.field, speechOf(directory)))
  value.value = parsed.ok ? parsed.value : null
  wrong.value = parsed.ok ? '' : await changes.wordsFor(parsed.problem)
}
</script>

<template>
  <VAutocomplete
    v-if="type.choices"
    v-model="chosen"
    :items="choices"
    :label="field.name"
    :multiple="isMany"
    :chips="isMany"
    :closable-chips="isMany"
    auto-select-first
  />
  <VCheckbox v-else-if="field.type === 'checkbox'" v-model="value" :label="field.name" />
  <VTextField
    v-else
    v-model="text"
    :label="field.name"
    :inputmode="partsOf(field).isNumber ? 'decimal' : undefined"
    :error-messages="wrong"
    :hint="understood"
    persistent-hint
    @update:model-value="read"
  />
</template>
