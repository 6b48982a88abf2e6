<script setup lang="ts" generic="T">
import { nextTick, onMounted, ref, useId, watch } from 'vue'

/** A line to type in, and what it finds under it: the arrows, Home and End move, Enter takes one, Escape leaves. */
const props = defineProps<{
  lines: readonly T[]
  keyOf: (line: T) => string
  label: string
  placeholder: string
  /** Where one begins. */
  first?: number
  /** Which are chosen already; without it the one that Enter takes counts as selected. */
  isChosen?: (line: T) => boolean
  several?: boolean
  /** Said where nothing is found. */
  none?: string
  /** Enter waits for the answer to what was typed last. */
  answered?: () => Promise<unknown>
  /** Tab goes on to what stands beside it instead of leaving. */
  staysOnTab?: boolean
  isCalm?: boolean
}>()
const emit = defineEmits<{ take: [line: T]; leave: [] }>()
const typed = defineModel<string>({ required: true })

const id = useId()
const at = ref(0)
const input = ref<HTMLInputElement>()
watch(typed, () => (at.value = 0))
onMounted(() => {
  at.value = Math.max(0, props.first ?? 0)
  // What it floats in may not have found its place yet.
  if (!props.isCalm) void nextTick(() => input.value?.focus({ preventScroll: true }))
})

async function takeAnswered(): Promise<void> {
  if (props.answered) {
    await props.answered()
    await nextTick()
  }
  const line = props.lines[at.value]
  if (line !== undefined) emit('take', line)
}
function onKey(event: KeyboardEvent): void {
  const last = Math.max(0, props.lines.length - 1)
  if (event.key === 'ArrowDown') at.value = Math.min(last, at.value + 1)
  else if (event.key === 'ArrowUp') at.value = Math.max(0, at.value - 1)
  else if (event.key === 'Home' && !typed.value) at.value = 0
  else if (event.key === 'End' && !typed.value) at.value = last
  else if (event.key === 'Enter') void takeAnswered()
  else if (event.key === 'Escape' || (event.key === 'Tab' && !props.staysOnTab)) emit('leave')
  else return
  if (event.key !== 'Tab') event.preventDefault()
  event.stopPropagation()
  void nextTick(() => document.getElementById(`${id}-${at.value}`)?.scrollIntoView({ block: 'nearest' }))
}
</script>

<template>
  <div>
    <input
      ref="input"
      v-model="typed"
      role="combobox"
      aria-expanded="true"
      aria-autocomplete="list"
      :aria-label="label"
      :aria-controls="`${id}-list`"
      :aria-activedescendant="lines.length ? `${id}-${at}` : undefined"
      :placeholder="placeholder"
      autocomplete="off"
      maxlength="400"
      @keydown="onKey"
    />
    <slot name="said" />
    <ul :id="`${id}-list`" role="listbox" :aria-label="label" :aria-multiselectable="several || undefined">
      <li
        v-for="(line, i) in lines"
        :id="`${id}-${i}`"
        :key="keyOf(line)"
        role="option"
        :aria-selected="isChosen ? isChosen(line) : i === at"
        :class="{ at: i === at }"
        @mousedown.prevent
        @mousemove="at = i"
        @click="emit('take', line)"
      >
        <slot :line="line" />
      </li>
      <li v-if="none && !lines.length" class="soft none" role="option" aria-selected="false" aria-disabled="true">
        {{ none }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
input {
  width: 100%;
  border: 0;
  border-bottom: 1.5px solid var(--leaf);
  background: transparent;
  padding: 3px 6px 5px;
  font-size: 14px;
}
/* Its line says that it has the keyboard. */
input:focus-visible {
  outline: none;
}
input::placeholder {
  color: var(--soft);
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  max-height: min(50vh, 284px);
  overflow: auto;
}
li {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 4px 6px;
  border-radius: 3px;
  cursor: pointer;
  min-height: 28px;
}
li.at {
  background: var(--leaf-tint);
}
li.none {
  cursor: default;
}
</style>
