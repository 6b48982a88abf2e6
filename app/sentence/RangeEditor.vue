<script setup lang="ts">
import { ref } from 'vue'
import { VTextField } from 'vuetify/components/VTextField'
import type { Figures } from '#core/fields/figures'
import { phraseWords } from './phrase-words'
import { vTakesFocus } from '../parts/takes-focus'

/** From a number to a number, both with themselves; either may be open. */
const props = defineProps<{ figures: Figures; from: number | null; to: number | null }>()
const emit = defineEmits<{ change: [from: number | null, to: number | null] }>()
const printed = (x: number | null) => (x === null ? '' : props.figures.bare(x))
const wrong = ref('')

function set(end: 'from' | 'to', event: Event): void {
  const text = (event.target as HTMLInputElement).value
  const value = text.trim() ? props.figures.read(text) : null
  wrong.value = value === undefined ? phraseWords.noNumber(text) : ''
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
    <span v-if="figures.unit" class="soft">{{ figures.unit }}</span>
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
  flex: 1 1 72px;
}
/* Beside the fields, not their labels. */
.range > span {
  align-self: end;
  line-height: 34px;
}
p {
  margin: 0;
  flex-basis: 100%;
}
</style>
