<script setup lang="ts">
import { computed } from 'vue'
import { VCheckbox } from 'vuetify/components/VCheckbox'
import { fieldTypes } from '#core/fields/registry'
import type { Fallback, Field } from '#core/model/records'
import FallbackInput from './FallbackInput.vue'
import { ruleWords } from './field-words'

/** What new items have in a field: whether they must have something, and what they have where nobody says it. */
const props = defineProps<{ field: Field }>()
const required = defineModel<boolean>('required', { required: true })
const fallback = defineModel<Fallback | null>('fallback', { required: true })
const type = computed(() => fieldTypes[props.field.type])
</script>

<template>
  <div v-if="!type.isApart && !type.isOwn" class="rules">
    <FallbackInput v-model="fallback" :field="field" :label="ruleWords.fallback" :none="ruleWords.none" />
    <VCheckbox v-model="required" :label="ruleWords.required" :hint="ruleWords.requiredHint" persistent-hint />
  </div>
</template>

<style scoped>
.rules {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 10px 12px;
  align-items: start;
}
.rules > .v-checkbox {
  grid-column: 1 / -1;
}
</style>
