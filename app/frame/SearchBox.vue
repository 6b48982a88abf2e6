<script setup lang="ts">
import { nextTick, ref, shallowRef, useId, watch } from 'vue'
import { useSession } from '../stores/session'
import { words } from '../words'

/** Finds items of every project by words of a title or by key, at each keystroke. */
const isOpen = defineModel<boolean>({ required: true })
const emit = defineEmits<{ open: [key: string] }>()
const session = useSession()
const id = useId()
const typed = ref('')
const at = ref(0)
const found = shallowRef<readonly { id: string; key: string; title: string }[]>([])
const input = ref<HTMLInputElement>()
watch(isOpen, (open) => {
  if (!open) return
  typed.value = ''
  void nextTick(() => input.value?.focus())
})
/** Enter waits for the answer to what was typed last. */
let asked: Promise<unknown> = Promise.resolve()
watch(typed, async (text) => {
  at.value = 0
  const answer = text.trim() ? session.api?.find(undefined, text) : undefined
  asked = Promise.resolve(answer)
  const told = (await answer) ?? []
  if (text === typed.value) found.value = told
})
function take(key: string | undefined): void {
  if (!key) return
  isOpen.value = false
  emit('open', key)
}
function onKey(event: KeyboardEvent): void {
  if (event.key === 'ArrowDown') at.value = Math.min(found.value.length - 1, at.value + 1)
  else if (event.key === 'ArrowUp') at.value = Math.max(0, at.value - 1)
  else if (event.key === 'Enter') void asked.then(() => nextTick()).then(() => take(found.value[at.value]?.key))
  else return
  event.preventDefault()
}
</script>

<template>
  <v-dialog v-model="isOpen" :aria-label="words.frame.search">
    <div class="pop search">
      <input
        ref="input"
        v-model="typed"
        role="combobox"
        aria-expanded="true"
        aria-autocomplete="list"
        :aria-controls="`${id}-list`"
        :aria-activedescendant="found.length ? `${id}-${at}` : undefined"
        :aria-label="words.frame.search"
        :placeholder="words.frame.searchHint"
        autocomplete="off"
        @keydown="onKey"
      />
      <ul :id="`${id}-list`" role="listbox" :aria-label="words.frame.search">
        <li
          v-for="(one, i) in found"
          :id="`${id}-${i}`"
          :key="one.id"
          role="option"
          :aria-selected="i === at"
          :class="{ at: i === at }"
          @click="take(one.key)"
        >
          <span class="soft num">{{ one.key }}</span> {{ one.title }}
        </li>
        <li v-if="typed.trim() && !found.length" role="option" aria-selected="false" class="soft">
          {{ words.editor.none }}
        </li>
      </ul>
    </div>
  </v-dialog>
</template>

<style scoped>
.search {
  padding: 14px 16px;
}
input {
  width: 100%;
  border: 0;
  border-bottom: 1.5px solid var(--leaf);
  background: transparent;
  font: 400 17px var(--serif);
  padding: 4px 2px 8px;
  outline: none;
}
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  max-height: 50vh;
  overflow: auto;
}
li {
  padding: 6px 8px;
  border-radius: 3px;
  cursor: pointer;
}
li.at {
  background: var(--leaf-tint);
}
.num {
  margin-right: 8px;
}
</style>
