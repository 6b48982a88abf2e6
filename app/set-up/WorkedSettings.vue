<script setup lang="ts">
import type { FieldSettings } from '#core/fields/settings'
import type { Field } from '#core/model/records'
import FormulaSettings from './FormulaSettings.vue'
import RollUpSettings from './RollUpSettings.vue'

/** How a field is worked out, by its type. */
defineProps<{ field: Field; isNew: boolean }>()
const settings = defineModel<FieldSettings>({ required: true })
const isFit = defineModel<boolean>('fit', { required: true })
</script>

<template>
  <FormulaSettings
    v-if="field.type === 'computed'"
    v-model="settings"
    v-model:fit="isFit"
    :field="field"
    :is-new="isNew"
  />
  <RollUpSettings v-else v-model="settings" v-model:fit="isFit" :field="field" :is-new="isNew" />
</template>
