<script setup lang="ts">
import { computed, nextTick, onMounted, ref, shallowRef, useId, watch } from 'vue'
import type { Condition, ProjectId } from '#core/model/records'
import type { ReadPart, ReadWords } from '#core/questions/explain'
import type { Phrase } from '#core/views/parse'
import { useDirectory } from '../../stores/directory'
import { useSession } from '../../stores/session'
import { words } from '../../words'

/** Phrases by typing: what was understood, with what each would leave, and what was not, and where. */
export interface Suggestion {
  readonly id: string
  readonly label: string
}
const props = defineProps<{
  project: ProjectId
  where: readonly Condition[]
  label: string
  /** Conditions alone can be typed here. */
  onlyConditions?: boolean
  suggestions?: readonly Suggestion[]
  autofocus?: boolean
}>()
const emit = defineEmits<{
  add: [conditions: readonly Condition[]]
  phrases: [phrases: readonly Phrase[]]
  suggest: [id: string]
  leave: []
}>()
const session = useSession()
const directory = useDirectory()
const id = useId()
const typed = ref('')
const at = ref(0)
const input = ref<HTMLInputElement>()
const read = shallowRef<ReadWords>({ parts: [], left: [] })
let asked: Promise<unknown> = Promise.resolve()

watch([typed, () => JSON.stringify(props.where)], async ([text, where]) => {
  at.value = 0
  const answer = text.trim() ? session.api?.read(props.project, JSON.parse(where) as Condition[], text, directory.language) : undefined // prettier-ignore
  asked = Promise.resolve(answer)
  const told = (await answer) ?? { parts: [], left: [] }
  if (text === typed.value) read.value = told
})
onMounted(() => {
  if (props.autofocus) void nextTick(() => input.value?.focus())
})

const isTaken = (part: ReadPart) => !props.onlyConditions || part.phrase.says === 'where'
const parts = computed(() => read.value.parts.filter(isTaken))
const suggested = computed(() => {
  const folded = typed.value.trim().toLowerCase()
  return (props.suggestions ?? []).filter((one) => one.label.toLowerCase().includes(folded))
})
/** The first line takes all that was understood. */
const lines = computed(() => (parts.value.length ? 1 : 0) + suggested.value.length)

function take(index: number): void {
  if (parts.value.length && index === 0) {
    const phrases = parts.value.map((one) => one.phrase)
    if (props.onlyConditions)
      emit(
        'add',
        phrases.flatMap((one) => (one.says === 'where' ? [one.condition] : [])),
      )
    else emit('phrases', phrases)
    typed.value = ''
    return
  }
  const one = suggested.value[index - (parts.value.length ? 1 : 0)]
  if (one) emit('suggest', one.id)
}
async function takeAnswered(): Promise<void> {
  await asked
  await nextTick()
  take(at.value)
}
function onKey(event: KeyboardEvent): void {
  if (event.key === 'ArrowDown') at.value = Math.min(lines.value - 1, at.value + 1)
  else if (event.key === 'ArrowUp') at.value = Math.max(0, at.value - 1)
  else if (event.key === 'Enter') void takeAnswered()
  else if (event.key === 'Escape') emit('leave')
  else return
  event.preventDefault()
  event.stopPropagation()
  void nextTick(() => document.getElementById(`${id}-${at.value}`)?.scrollIntoView({ block: 'nearest' }))
}
const saidOf = (part: ReadPart) => (part.count === undefined ? part.words : `${part.words} (${part.count})`)
</script>

<template>
  <div class="typed">
    <input
      ref="input"
      v-model="typed"
      role="combobox"
      aria-expanded="true"
      aria-autocomplete="list"
      :aria-label="label"
      :aria-controls="`${id}-list`"
      :aria-activedescendant="lines ? `${id}-${at}` : undefined"
      :placeholder="words.phrase.typeHint"
      autocomplete="off"
      maxlength="400"
      @keydown="onKey"
    />
    <p v-if="typed.trim() && read.left.length" class="left" role="status">
      {{ words.phrase.notUnderstood }}
      <template v-for="(one, i) in read.left" :key="one.from"
        ><template v-if="i">, </template><b>{{ one.words }}</b></template
      >
    </p>
    <ul :id="`${id}-list`" role="listbox" :aria-label="label">
      <li
        v-if="parts.length"
        :id="`${id}-0`"
        role="option"
        :aria-selected="at === 0"
        :class="{ at: at === 0 }"
        class="understood"
        @mousedown.prevent
        @click="take(0)"
      >
        <span v-for="part in parts" :key="part.from">{{ saidOf(part) }}</span>
      </li>
      <li
        v-for="(one, i) in suggested"
        :id="`${id}-${i + (parts.length ? 1 : 0)}`"
        :key="one.id"
        role="option"
        :aria-selected="at === i + (parts.length ? 1 : 0)"
        :class="{ at: at === i + (parts.length ? 1 : 0) }"
        @mousedown.prevent
        @mousemove="at = i + (parts.length ? 1 : 0)"
        @click="take(i + (parts.length ? 1 : 0))"
      >
        {{ one.label }}
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
  outline: none;
}
input::placeholder {
  color: var(--soft);
}
.left {
  margin: 6px 6px 0;
  color: var(--rust);
  font-size: 12.5px;
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  max-height: 284px;
  overflow: auto;
}
li {
  padding: 4px 6px;
  border-radius: 3px;
  cursor: pointer;
  min-height: 28px;
}
li.at {
  background: var(--leaf-tint);
}
.understood {
  display: grid;
  gap: 2px;
  font: 500 15px/1.4 var(--serif);
  border-bottom: 1px solid var(--rule);
  margin-bottom: 4px;
}
</style>
