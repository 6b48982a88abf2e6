<script setup lang="ts">
import { computed } from 'vue'
import { VNumberInput } from 'vuetify/components/VNumberInput'
import { VSelect } from 'vuetify/components/VSelect'
import { fieldTypes } from '#core/fields/registry'
import type { Value } from '#core/fields/value'
import type { Fallback, Field } from '#core/model/records'
import FieldInput from '../parts/FieldInput.vue'
import { ruleWords } from './field-words'

/** What a new item has in a field where nobody says it. `none`: how it is said that it has nothing. */
const props = defineProps<{ field: Field; label: string; none: string; noNext?: boolean }>()
const fallback = defineModel<Fallback | null>({ required: true })

const type = computed(() => fieldTypes[props.field.type])
const ways = computed(() => [
  { value: 'none', title: props.none },
  { value: 'value', title: ruleWords.value },
  ...(type.value.kind === 'day' ? [{ value: 'today', title: ruleWords.today }] : []),
  ...(props.field.type === 'people' ? [{ value: 'maker', title: ruleWords.maker }] : []),
  ...(props.field.type === 'number' && !props.noNext ? [{ value: 'next', title: ruleWords.next }] : []),
])
const begun: Readonly<Record<string, Fallback | null>> = {
  none: null, value: { is: 'value', value: null }, today: { is: 'today', days: 0 }, maker: { is: 'maker' }, next: { is: 'next' },
} // prettier-ignore
const value = computed({
  get: (): Value => (fallback.value?.is === 'value' ? fallback.value.value : null),
  set: (to) => (fallback.value = { is: 'value', value: to }),
})
</script>

<template>
  <VSelect
    :model-value="fallback?.is ?? 'none'"
    :items="ways"
    :label="label"
    @update:model-value="fallback = begun[$event] ?? null"
  />
  <FieldInput v-if="fallback?.is === 'value'" v-model="value" :field="{ ...field, name: ruleWords.valueOf }" />
  <VNumberInput
    v-else-if="fallback?.is === 'today'"
    :model-value="fallback.days"
    :label="ruleWords.days"
    :min="-366"
    :max="366"
    @update:model-value="fallback = { is: 'today', days: $event ?? 0 }"
  />
</template>
