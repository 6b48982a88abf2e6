<script setup lang="ts">
import { ref } from 'vue'
import { words } from '../../words'

/** A line below the rows in which a title is typed. `add` says whether it was taken: if not, it stays to be mended. */
const props = defineProps<{ add(title: string): Promise<unknown> }>()
const emit = defineEmits<{ leave: [] }>()
const input = ref<HTMLInputElement>()
const title = ref('')
async function take(): Promise<void> {
  const text = title.value.trim()
  if (!text) return
  title.value = ''
  if (!(await props.add(text))) title.value = text
}
defineExpose({ focus: () => input.value?.focus() })
</script>

<template>
  <form class="add" @submit.prevent="take">
    <span aria-hidden="true">+</span
    ><input
      ref="input"
      v-model="title"
      :aria-label="words.view.add"
      :placeholder="words.view.addHint"
      maxlength="600"
      autocomplete="off"
      @keydown.esc="emit('leave')"
    />
  </form>
</template>

<style scoped>
.add {
  display: flex;
  gap: 10px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: 0 24px;
  background: var(--paper);
}
.add span {
  color: var(--leaf);
  font-weight: 600;
}
.add input {
  flex: 1;
  border: 0;
  background: transparent;
  padding: 8px 4px;
  outline-offset: -2px;
}
.add input::placeholder {
  color: var(--soft);
}
</style>
