<script setup lang="ts">
import { nextTick, ref } from 'vue'
import { VTextField } from 'vuetify/components/VTextField'
import { longestName } from '#core/base/text'

/** A line that is read until it is pressed, and then typed over: Enter keeps it, Escape gives it back. */
const { longest = longestName, ...props } = defineProps<{
  text: string
  label: string
  mayEdit: boolean
  none?: string
  type?: string
  longest?: number
}>()
const emit = defineEmits<{ set: [text: string] }>()
const typed = ref<string>()
const box = ref<HTMLElement>()
function begin(): void {
  if (!props.mayEdit) return
  typed.value = props.text
  void nextTick(() => box.value?.querySelector('input')?.select())
}
function end(isKept: boolean): void {
  const text = typed.value?.trim()
  typed.value = undefined
  if (isKept && text !== undefined && text !== props.text) emit('set', text)
  void nextTick(() => box.value?.querySelector<HTMLElement>('button')?.focus())
}
</script>

<template>
  <span ref="box" class="line">
    <VTextField
      v-if="typed !== undefined"
      v-model="typed"
      :type="type"
      :aria-label="label"
      variant="underlined"
      :maxlength="longest"
      @keydown.enter.prevent="end(true)"
      @keydown.esc.prevent.stop="end(false)"
      @blur="typed !== undefined && end(true)"
    />
    <button
      v-else
      type="button"
      class="text"
      :disabled="!mayEdit"
      :aria-label="`${label}: ${text || none}`"
      @click="begin"
    >
      <span v-if="text">{{ text }}</span><span v-else class="soft">{{ none }}</span>
    </button>
  </span>
</template>

<style scoped>
.line {
  display: block;
  min-width: 0;
}
.text {
  display: block;
  width: calc(100% + 8px);
  min-height: max(28px, var(--target));
  padding: 3px 4px;
  margin: 0 -4px;
  font: inherit;
  text-align: left;
  overflow-wrap: anywhere;
  border-radius: var(--round);
}
.text:not(:disabled):hover {
  background: var(--sunk);
}
.text:disabled {
  cursor: default;
}
</style>
