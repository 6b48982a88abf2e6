<script setup lang="ts">
import { ref } from 'vue'
import { VTextField } from 'vuetify/components/VTextField'
import { printDecimal, tryParseDecimal } from '#core/base/decimals'
import type { Field } from '#core/model/records'
import { phraseWords } from './phrase-words'
import { vTakesFocus } from '../parts/takes-focus'

/** From a number to a number, both with themselves; either may be open. */
const props = defineProps<{ field: Field | undefined; from: number | null; to: number | null }>()
const emit = defineEmits<{ change: [from: number | null, to: number | null] }>()
const scale = props.field?.settings.decimals ?? 0
const printed = (x: number | null) => (x === null ? '' : printDecimal(x, scale))
const wrong = ref('')

function set(end: 'from' | 'to', event: Event): void {
  const text = (event.target as HTMLInputElement).value
  const value = text.trim() ? tryParseDecimal(text, scale) : null
  wrong.value = value === undefined ? phraseWords.noNumber(text, scale) : ''
  if (value === undefined) return
  emit('change', end === 'from' ? value : props.from, end === 'to' ? value : props.to)
}
</script>

<template>
  <div class="range">
    <VTextField
      :label="phraseWords.atLeast"
      inputmode="decimal"
      :model-value="printed(from)"
      v-takes-focus
      @change="set('from', $event)"
    />
    <VTextField
      :label="phraseWords.atMost"
      inputmode="decimal"
      :model-value="printed(to)"
      @change="set('to', $event)"
    />
    <span v-if="field?.settings.unit" class="soft">{{ field.settings.unit }}</span>
    <p v-if="wrong" class="rust" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
.range {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  padding: 10px 14px 12px;
}
.range .v-text-field {
  flex: 1 1 96px;
}
p {
  margin: 0;
  flex-basis: 100%;
}
</style>
