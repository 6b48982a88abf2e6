<script setup lang="ts">
import { computed, ref } from 'vue'
import { VAutocomplete } from 'vuetify/components/VAutocomplete'
import { VCheckbox } from 'vuetify/components/VCheckbox'
import { VTextField } from 'vuetify/components/VTextField'
import { fieldTypes } from '#core/fields/registry'
import { idsOf, type Value } from '#core/fields/value'
import { fieldContext } from '#core/model/reader'
import type { Field } from '#core/model/records'
import { dayWords } from '../dates'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { optionChoices, peopleChoices } from './choices'
import { fieldParts } from './field-parts'

/** A value of a field that no item has yet: null while nothing is filled in, or nothing that it can be. */
const props = defineProps<{ field: Field }>()
const value = defineModel<Value>({ required: true })
const changes = useChanges()
const directory = useDirectory()
const type = computed(() => fieldTypes[props.field.type])
const choices = computed(() =>
  (type.value.choices === 'people' ? peopleChoices(directory) : optionChoices(directory, props.field)).map(
    ({ id, label }) => ({ value: id, title: label }),
  ),
)
const chosen = computed({
  get: () => (type.value.several ? [...idsOf(value.value)] : value.value),
  set: (to) => (value.value = Array.isArray(to) && !to.length ? null : ((to ?? null) as Value)),
})
const text = ref('')
const wrong = ref('')
/** What was understood of a day that was typed. */
const understood = computed(() =>
  fieldParts[props.field.type].editor === 'day' && typeof value.value === 'string' && value.value !== text.value
    ? dayWords(value.value as never, directory.language, directory.today)
    : (props.field.settings.unit ?? ''),
)
async function read(typed: string): Promise<void> {
  const parsed = type.value.parse(typed, fieldContext(directory.reader, props.field))
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
    :multiple="type.several"
    :chips="type.several"
    :closable-chips="type.several"
    auto-select-first
  />
  <VCheckbox v-else-if="fieldParts[field.type].editor === 'tick'" v-model="value" :label="field.name" />
  <VTextField
    v-else
    v-model="text"
    :label="field.name"
    :inputmode="fieldParts[field.type].isNumber ? 'decimal' : undefined"
    :error-messages="wrong"
    :hint="understood"
    persistent-hint
    @update:model-value="read"
  />
</template>
