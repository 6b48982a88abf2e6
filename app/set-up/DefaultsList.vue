<script setup lang="ts">
import { computed } from 'vue'
import { VSelect } from 'vuetify/components/VSelect'
import { fieldTypes, isInItem } from '#core/fields/registry'
import { isEmptyValue } from '#core/fields/value'
import type { Fallback, Field, FieldId, Kind } from '#core/model/records'
import FallbackInput from './FallbackInput.vue'

/** What new items have in fields where nobody says it; `null`: nothing is said of any. */
const props = defineProps<{
  fields: readonly Field[]
  /** How it is said of a field that nothing is said. */
  none: string
  another: string
  /** *One more than the most* is not offered. */
  noNext?: boolean
}>()
const said = defineModel<Record<string, Fallback | null>>({ required: true })
const all = computed(() =>
  props.fields.filter((field) => isInItem(field) && !fieldTypes[field.type].isApart && !fieldTypes[field.type].isOwn),
)
const shown = computed(() => all.value.filter(({ id }) => id in said.value))
const others = computed(() => all.value.filter(({ id }) => !(id in said.value)))
const add = (id: FieldId) => (said.value = { ...said.value, [id]: { is: 'value', value: null } })
const set = ({ id }: Field, to: Fallback | null) => (said.value = { ...said.value, [id]: to })
defineExpose({
  /** What is said, as it is kept: a value that nobody has typed is none. */
  kept(): Kind['defaults'] {
    const kept = Object.entries(said.value).filter(([, one]) => one && !(one.is === 'value' && isEmptyValue(one.value)))
    return kept.length ? (Object.fromEntries(kept) as NonNullable<Kind['defaults']>) : null
  },
})
</script>

<template>
  <div v-for="field in shown" :key="field.id" class="one">
    <FallbackInput
      :model-value="said[field.id] ?? null"
      :field="field"
      :label="field.name"
      :none="none"
      :no-next="noNext"
      @update:model-value="set(field, $event)"
    />
  </div>
  <VSelect
    v-if="others.length"
    :key="shown.length"
    :model-value="null"
    :items="others.map(({ id, name }) => ({ value: id, title: name }))"
    :label="another"
    @update:model-value="$event && add($event)"
  />
</template>

<style scoped>
.one {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 10px 12px;
  align-items: start;
}
</style>
