<script setup lang="ts">
import { nextTick, onMounted, ref, shallowRef, useId, watch } from 'vue'
import type { ProjectId } from '#core/model/records'
import { useSession } from '../stores/session'
import { words } from '../words'

/** Finds an item by words of its title or its key, at each keystroke: within a project, or in all of them. */
const props = defineProps<{ label: string; project?: ProjectId; without?: string }>()
const emit = defineEmits<{
  choose: [found: { id: string; key: string }]
  found: [ids: readonly string[]]
  leave: []
}>()
const session = useSession()
const id = useId()
const typed = ref('')
const at = ref(0)
const found = shallowRef<readonly { id: string; key: string; title: string }[]>([])
const input = ref<HTMLInputElement>()
/** Enter waits for the answer to what was typed last. */
let asked: Promise<unknown> = Promise.resolve()
watch(
  typed,
  async (text) => {
    at.value = 0
    // Over all projects nothing typed finds nothing; within one it shows what there is.
    const answer = text.trim() || props.project ? session.api?.find(props.project, text) : undefined
    asked = Promise.resolve(answer)
    const told = ((await answer) ?? []).filter((one) => one.id !== props.without)
    if (text !== typed.value) return
    found.value = told
    emit(
      'found',
      told.map((one) => one.id),
    )
  },
  { immediate: true },
)
onMounted(() => void nextTick(() => input.value?.focus()))

async function takeAnswered(): Promise<void> {
  await asked
  await nextTick()
  const one = found.value[at.value]
  if (one) emit('choose', one)
}
function onKey(event: KeyboardEvent): void {
  if (event.key === 'ArrowDown') at.value = Math.min(found.value.length - 1, at.value + 1)
  else if (event.key === 'ArrowUp') at.value = Math.max(0, at.value - 1)
  else if (event.key === 'Enter') void takeAnswered()
  else if (event.key === 'Escape' || event.key === 'Tab') emit('leave')
  else return
  event.preventDefault()
  event.stopPropagation()
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
      :aria-controls="`${id}-list`"
      :aria-activedescendant="found.length ? `${id}-${at}` : undefined"
      :aria-label="label"
      :placeholder="words.frame.searchHint"
      autocomplete="off"
      @keydown="onKey"
    />
    <ul :id="`${id}-list`" role="listbox" :aria-label="label">
      <li
        v-for="(one, i) in found"
        :id="`${id}-${i}`"
        :key="one.id"
        role="option"
        :aria-selected="i === at"
        :class="{ at: i === at }"
        @mousedown.prevent
        @click="emit('choose', one)"
      >
        <span class="soft">{{ one.key }}</span> {{ one.title }} <slot name="note" :one="one" />
      </li>
      <li v-if="typed.trim() && !found.length" role="option" aria-selected="false" class="soft">
        {{ words.editor.none }}
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
  padding: 4px 4px 6px;
  font-size: 15px;
  outline: none;
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  max-height: min(50vh, 300px);
  overflow: auto;
}
li {
  padding: 5px 6px;
  border-radius: 3px;
  cursor: pointer;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
li.at,
li:hover {
  background: var(--leaf-tint);
}
</style>
